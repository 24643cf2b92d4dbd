<?php

namespace Tests\Feature\Shared;

use App\Logs\LogLine;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Facades\DB;
use Monolog\DateTimeImmutable;
use Monolog\Level;
use Monolog\LogRecord;
use Tests\Feature\World;

function lineOf(\Throwable $failure): string
{
    return (new LogLine())->format(new LogRecord(
        new DateTimeImmutable(true),
        'local',
        Level::Error,
        $failure->getMessage(),
        ['exception' => $failure],
        ['request' => 'x'],
    ));
}

it('writes of a failed statement where it failed, and nothing that anybody typed', function () {
    new World();
    try {
        DB::transaction(fn () => DB::table('users')->insert([
            'id' => str_repeat('0', 26),
            'name' => 'Secretly Named',
            'email' => 'anna@heron.example',
            'password' => 'whispered',
        ]));
    } catch (QueryException $failure) {
        $line = lineOf(new \RuntimeException("While saving Secretly: {$failure->getMessage()}", 0, $failure));
    }
    $read = json_decode($line, true);
    expect($line)->not->toContain('Secretly Named')
        ->not->toContain('anna@heron.example')
        ->not->toContain('whispered')
        ->and($read['context']['exception']['because']['message'])->toContain('SQLSTATE[23505]')
        ->and($read['context']['exception']['at'])->toStartWith('tests/Feature/Shared/LogLineTest.php:')
        ->and(count(explode("\n", trim($line))))->toBe(1);
});

it('gives each request a name, in its answer and in what is written of it', function () {
    $first = $this->get('/sign-in')->headers->get('X-Request-Id');
    $second = $this->get('/sign-in', ['REQUEST_ID' => 'made up'])->headers->get('X-Request-Id');
    expect($first)->toMatch('/^[0-9a-f]{32}$/')
        ->and($second)->toMatch('/^[0-9a-f]{32}$/')->not->toBe($first)
        ->and(Context::get('request'))->toBe($second);
    $given = str_repeat('ab', 16);
    expect($this->call('GET', '/sign-in', server: ['REQUEST_ID' => $given])->headers->get('X-Request-Id'))->toBe($given);
});
