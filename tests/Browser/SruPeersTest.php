<?php

use App\Sources\SourceFailed;
use App\Sources\SruClient;

/** What an independent client prints after these commands. */
function independentClient(string $address, array $commands): string
{
    $file = tempnam(sys_get_temp_dir(), 'sru');
    file_put_contents(
        $file,
        implode("\n", ['sru POST 1.1', "open {$address}", 'querytype cql', ...$commands, 'quit', '']),
    );

    return (string) shell_exec('timeout 20 yaz-client -f '.escapeshellarg($file).' 2>&1 </dev/null');
}

it('is understood by an independent client', function () {
    $base = getenv('HERON_STANDINS_URL');
    $alder = independentClient("{$base}/alder", ['find dc.title = light*', 'show 1+2']);
    expect(preg_match('/Number of hits: (\d+)/', $alder, $hits))
        ->toBe(1)
        ->and((int) $hits[1])
        ->toBe((new SruClient('Alder', "{$base}/alder", 500, 10))->count('dc.title = light*'))
        ->toBeGreaterThan(5)
        ->and(substr_count($alder, '<mods '))
        ->toBe(2);
    expect(independentClient("{$base}/alder", ['find foo.bar = light']))->toContain('info:srw/diagnostic/1/16');
    expect(independentClient("{$base}/fen", ['find light and (']))->toContain('info:srw/diagnostic/1/10');
    expect(independentClient("{$base}/tern", ['find TI = night*']))->toMatch('/Number of hits: [1-9]/');
    expect(independentClient("{$base}/fen", ['find night', 'show 9999+1']))->toContain('info:srw/diagnostic/1/61');
});

it('speaks with an independent server', function () {
    $port = random_int(20000, 29999);
    $server = proc_open(
        ['yaz-ztest', "tcp:127.0.0.1:{$port}"],
        [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
        $pipes,
    );
    try {
        $client = new SruClient('Elsewhere', "http://127.0.0.1:{$port}/Default", 10, 10);
        for ($i = 0; $i < 50; $i++) {
            try {
                $count = $client->count('computer');
                break;
            } catch (SourceFailed) {
                usleep(100_000);
            }
        }
        expect($count ?? 0)
            ->toBeGreaterThan(0)
            ->and($client->countAll(['computer', '"a phrase"'], microtime(true) + 5))
            ->toHaveCount(2);
        expect($client->holdings())->toBe(date('Y-m-d'));
    } finally {
        proc_terminate($server);
        proc_close($server);
    }
});
