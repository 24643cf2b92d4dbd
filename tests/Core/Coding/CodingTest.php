<?php

use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\InvalidAnswer;

it('reads what people give', function (CodeType $type, mixed $given, mixed $kept) {
    expect((new Code($type, ['nurses', 'doctors'], 'lux'))->read($given))->toBe($kept);
})->with([
    [CodeType::Number, '1,500', 1500],
    [CodeType::Number, ' 12.5 ', 12.5],
    [CodeType::Number, "\u{2212}3", -3],
    [CodeType::Number, '', null],
    [CodeType::Choice, 'nurses', 'nurses'],
    [CodeType::Choice, '', null],
    [CodeType::Choices, ['doctors', 'nurses'], ['nurses', 'doctors']],
    [CodeType::Choices, [], null],
    [CodeType::Text, ' as it is ', 'as it is'],
    [CodeType::Text, '  ', null],
    [CodeType::Date, '2026-11-23', '2026-11-23'],
]);

it('refuses what is no answer and says why', function (CodeType $type, mixed $given, string $why) {
    expect(fn () => (new Code($type, ['nurses']))->read($given))->toThrow(InvalidAnswer::class, $why);
})->with([
    [CodeType::Number, 'many', 'not a number'],
    [CodeType::Number, '1,50', 'not a number'],
    [CodeType::Number, '1e5', 'not a number'],
    [CodeType::Choice, 'cooks', 'not one of'],
    [CodeType::Choices, ['nurses', 'cooks'], 'not one of'],
    [CodeType::Date, '2026-02-30', 'not a date'],
    [CodeType::Text, ['a'], 'One value'],
]);

it('shows answers as people write them', function (CodeType $type, mixed $value, string $shown) {
    expect((new Code($type, unit: 'lux'))->show($value))->toBe($shown);
})->with([
    [CodeType::Number, 1500, '1,500 lux'],
    [CodeType::Number, 1250.5, '1,250.5 lux'],
    [CodeType::Date, '2026-11-23', '23 Nov 2026'],
    [CodeType::Choices, ['a', 'b'], 'a; b'],
    [CodeType::Text, 'as it is', 'as it is'],
    [CodeType::Number, null, ''],
]);
