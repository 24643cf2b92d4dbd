<?php

use Symfony\Component\Process\Process;
use Tests\Browser\Server;

it('runs a command on the copy that is named, and refuses one that is not there', function () {
    Server::fresh();
    $run = function (string $of, string ...$command): Process {
        $one = new Process(['./heron', 'artisan', ...$command], dirname(__DIR__, 2), ['HERON_OF' => $of], timeout: 120);
        $one->run();

        return $one;
    };
    expect($run('test', 'heron:check-states')->getOutput())->toContain('Every state is what its decisions make it.')
        ->and($run('test', 'heron:papers')->getOutput())->toContain('read anew in the background');
    $none = $run('nowhere', 'heron:check-states');
    expect($none->getExitCode())->not->toBe(0)->and($none->getErrorOutput())->toContain('there is no such copy yet');
});
