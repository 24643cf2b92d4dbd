<?php

use WaryHeron\Core\Coding\ThemePath;

it('reads names of themes as people type them', fn (string $typed, array $paths) => expect(ThemePath::all($typed))->toBe($paths))->with([
    ['Glare', [['Glare']]],
    [' Comfort ›  Glare , Sleep', [['Comfort', 'Glare'], ['Sleep']]],
    ['Comfort > Glare; comfort › glare', [['comfort', 'glare']]],
    ['a › b › c › d › e › f › g › h', [['a', 'b', 'c', 'd', 'e', 'f']]],
    [' , ›, ;', []],
    ["one\ntwo  words", [['one'], ['two words']]],
]);
