<?php

use WaryHeron\Core\Synthesis\Choice\OutcomeScale;

it('reads scales as people write them, and refuses what cannot be one', function (string $line, ?array $scale) {
    $read = OutcomeScale::told($line);
    expect($read === null ? null : array_values($read->toArray()))->toBe($scale);
})->with([
    ['visual scale; 0 to 100', ['visual scale', 0.0, 100.0, false]],
    ['faces; 1–7; reversed', ['faces', 1.0, 7.0, true]],
    ['reversed first; reversed; 1 .. 9', ['reversed first', 1.0, 9.0, true]],
    ['below nothing; -5 to 5', ['below nothing', -5.0, 5.0, false]],
    ['its name alone', ['its name alone', null, null, false]],
    ['a sign at its end;', ['a sign at its end', null, null, false]],
    ['upside down; 7 to 1', null],
    ['no ends; high', null],
    ['; 1 to 9', null],
    ['', null],
]);
