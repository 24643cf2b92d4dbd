<?php

use Symfony\Component\Process\Process;
use Tests\Browser\Server;

beforeEach(fn () => Server::fresh());

it('writes the running copy as one file that says of itself whether it is whole', function () {
    Server::addPerson('Nora Lind', 'nora.lind@heron.example');
    $file = sys_get_temp_dir().'/heron-test.backup';
    $run = fn (string ...$command): Process => new Process($command, dirname(__DIR__, 2), ['HERON_OF' => 'test'], timeout: 120);
    $heron = fn (string ...$command): Process => tap($run('./heron', ...$command), fn (Process $one) => $one->run());
    $written = $heron('backup', $file);
    expect($written->getExitCode())->toBe(0, $written->getErrorOutput())
        ->and(fileperms($file) & 0o077)->toBe(0)
        ->and(glob("{$file}.part"))->toBe([]);
    $folder = sys_get_temp_dir().'/heron-backup-'.bin2hex(random_bytes(4));
    mkdir($folder);
    $run('tar', '-xf', $file, '-C', $folder)->mustRun();
    (new Process(['sha256sum', '--quiet', '-c', 'sums'], $folder))->mustRun();
    $users = array_filter(file("{$folder}/rows", FILE_IGNORE_NEW_LINES) ?: [], fn (string $line): bool => str_starts_with($line, 'users '));
    expect(array_values($users))->toBe(['users '.Server::rows('SELECT count(*) AS n FROM users')[0]['n']]);

    // cut short or not ours, it is refused before anything is changed
    file_put_contents("{$file}.cut", substr((string) file_get_contents($file), 0, -200_000));
    file_put_contents("{$file}.not", 'hello');
    foreach (['cut', 'not'] as $what) {
        $refused = $heron('restore', "{$file}.{$what}", '--yes');
        expect($refused->getExitCode())->toBe(2)->and($refused->getErrorOutput())->toContain('Nothing was changed');
    }
    expect(Server::rows("SELECT 1 FROM users WHERE email = 'nora.lind@heron.example'"))->toHaveCount(1);
    array_map(unlink(...), [$file, "{$file}.cut", "{$file}.not"]);
    $run('rm', '-rf', $folder)->mustRun();
});
