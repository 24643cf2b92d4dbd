<?php

use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\NameList;

it('parts the names of a cell as people write them', function (string $cell, array $names) {
    $read = array_map(Name::indexed(...), NameList::written($cell));
    expect(array_map(fn (Name $one): string => $one->inverts(), $read))->toBe($names);
})->with([
    ['Lind, O.; Ost, P.; von Rask, U.', ['Lind, O.', 'Ost, P.', 'von Rask, U.']],
    ['Lind, O., Ost, P., & Rask, U.', ['Lind, O.', 'Ost, P.', 'Rask, U.']],
    ['Lind, O., Ost, P., and Rask, U.', ['Lind, O.', 'Ost, P.', 'Rask, U.']],
    ['Lind, O., & Ost, P.', ['Lind, O.', 'Ost, P.']],
    ['Lind, O. A., Ost, P. B., ... Rask, U.', ['Lind, O. A.', 'Ost, P. B.', 'Rask, U.']],
    ['Lind, O. A., Ost, P. B., … & Rask, U.', ['Lind, O. A.', 'Ost, P. B.', 'Rask, U.']],
    ['Lind, O., Ost, P., Rask, U.', ['Lind, O.', 'Ost, P.', 'Rask, U.']],
    ['Lind, O.,Ost, P.,Rask, U.', ['Lind, O.', 'Ost, P.', 'Rask, U.']],
    ['Lind, O, Ost, P', ['Lind, O', 'Ost, P']],
    ['Lind O, Ost PB, Rask U', ['Lind, O', 'Ost, PB', 'Rask, U']],
    ['Lind O, Ost PB and Rask U', ['Lind, O', 'Ost, PB', 'Rask, U']],
    ['Kim J-H, Lee S.-Y.', ['Kim, J-H', 'Lee, S.-Y.']],
    ['van den Berg J, de Vries K', ['van den Berg, J', 'de Vries, K']],
    ['Иванов И. И., Петров П. П.', ['Иванов, И. И.', 'Петров, П. П.']],
    ['LIND O., OST P.', ['LIND, O.', 'OST, P.']],
    ['Lind O.A.|Ost P.B.', ['Lind, O.A.', 'Ost, P.B.']],
    ["Lind, O.\nOst, P.", ['Lind, O.', 'Ost, P.']],
    ['[Lind, O.; Ost, P.]', ['Lind, O.', 'Ost, P.']],
    ['Ora Lind, Pim Ost and Ula von Rask', ['Ora Lind', 'Pim Ost', 'Ula von Rask']],
    ['Ora Lind, Pim Ost, Ula Rask', ['Ora Lind', 'Pim Ost', 'Ula Rask']],
    ['O. Lind & P. Ost', ['O. Lind', 'P. Ost']],
    ['Lind, Ora and Ost, Pim', ['Lind, Ora', 'Ost, Pim']],
    ['Lind, Ora', ['Lind, Ora']],
    ['Lind', ['Lind']],
    ['Lind OA, Ost PB, et al.', ['Lind, OA', 'Ost, PB', 'et al.']],
    ['Ministry of Light and Lamps', ['Ministry of Light and Lamps']],
    ['Lind, O.; World Lamp Board', ['Lind, O.', 'World Lamp Board']],
    ['王 芳; 李 娜', ['王 芳', '李 娜']],
    [' ; ', []],
]);

it('takes several names in one place apart only where initials show where each ends', function (string $text, array $names) {
    expect(array_map(fn (Name $one): string => $one->inverts(), NameList::inverted([$text])))->toBe($names);
})->with([
    ['Lind, O., Ost, P., & Rask, U.', ['Lind, O.', 'Ost, P.', 'Rask, U.']],
    ['Lind, O., Ost, P.', ['Lind, O.', 'Ost, P.']],
    ['Lind, Ora, Jr', ['Lind, Ora, Jr']],
    ['Board of Lamps, Wicks, and Visors', ['Board of Lamps, Wicks, and Visors']],
    ['Lind', ['Lind']],
]);

it('tells the initials of an indexed name however they are written', function (string $text, array $parts) {
    $name = Name::indexed($text);
    expect([$name->family, $name->given])->toBe($parts);
})->with([
    ['Lind O', ['Lind', 'O']],
    ['Lind OA', ['Lind', 'OA']],
    ['Lind O.A.', ['Lind', 'O.A.']],
    ['Lind O. A.', ['Lind', 'O. A.']],
    ['Lind O.-A.', ['Lind', 'O.-A.']],
    ['von der Rask U', ['von der Rask', 'U']],
    ['Lind, O. A.', ['Lind', 'O. A.']],
    ['World Lamp Board', ['World Lamp Board', '']],
    ['Lind', ['Lind', '']],
    ['', ['', '']],
]);

it('keeps the commas of a body', function (string $text) {
    expect(NameList::inverted([$text]))
        ->toEqual([new Name($text)])
        ->and(array_map(Name::indexed(...), NameList::written($text)))
        ->toEqual([new Name($text)]);
})->with([
    'Department of Lamps, Division of Oil',
    'Wick Works, Inc.',
    'Union of Lamps, House of Oil, Task Force on Wicks',
    'University of Heron, Lamp Office',
]);
