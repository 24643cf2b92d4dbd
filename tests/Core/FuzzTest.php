<?php

use Bench\Fuzz\Fuzzing;
use Bench\Fuzz\Readers;

it('reads what is nearly valid, or says clearly why not', function (string $name) {
    $fuzzing = new Fuzzing(...Readers::all()[$name]);
    $faults = [];
    foreach (range(1, 60) as $seed) {
        $fault = $fuzzing->fault($seed);
        $fault === null || ($faults[$seed] = $fault);
    }
    expect($faults)->toBe([], 'made again by: php bench/fuzzing.php 0 SEED '.$name);
})->with(fn (): array => array_keys(Readers::all()));

it('reads the valid texts that it begins from', function () {
    foreach (Readers::all() as $name => [$valid, $read]) {
        $name === 'query' ? expect($read($valid))->toBe(0) : expect($read($valid))->toBeGreaterThan(0, $name);
    }
});

it('would notice a reader that ends badly, stays away or warns', function (Closure $read, string $says) {
    expect((new Fuzzing('lamps', $read))->fault(1))->toContain($says);
})->with([
    [fn (): int => throw new TypeError('of nobody'), 'TypeError: of nobody'],
    [fn (): int => strlen(str_repeat('x', 200 << 20)), 'MiB'],
    [fn (): int => [][0], 'Undefined array key'],
]);

it('makes the same text of a seed', function () {
    $fuzzing = new Fuzzing(...Readers::all()['ris']);
    expect($fuzzing->text(7))->toBe($fuzzing->text(7))->not->toBe($fuzzing->text(8));
});
