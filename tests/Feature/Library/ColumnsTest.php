<?php

namespace Tests\Feature\Library;

use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/** Titles found in the library, in their order. */
function foundBy(World $world, string $query): array
{
    $html = test()->actingAs($world->people['anna'])
        ->get("/reviews/{$world->review->id}/records?q=".urlencode($query).'&sort=title')
        ->assertOk()
        ->getContent();
    $titles = DB::table('publications')->orderBy('sort_title')->pluck('title')->all();

    return array_values(array_filter($titles, fn (string $title): bool => str_contains($html, e($title))));
}

it('tells words of the title and of the authors from words anywhere, asked for together', function (string $query, array $titles) {
    $world = new World();
    $world->deliver([
        ['TI' => 'Alpha visors', 'AB' => 'A crossover.'],
        ['TI' => 'Bravo lamps', 'AB' => 'A visor, a crossover.'],
        ['TI' => 'Charlie visor', 'AB' => 'Nothing else.', 'AU' => 'Crossover, Ann'],
        ['TI' => 'Delta visor crossover', 'AB' => 'Nothing else.', 'AU' => 'Crossover, Ann'],
        ['TI' => 'Echo crossover', 'AB' => 'Lamps.', 'AU' => 'Visor, Bea'],
    ]);
    expect(foundBy($world, $query))->toBe($titles);
})->with([
    ['title:visor* AND crossover', ['Alpha visors', 'Delta visor crossover']],
    ['crossover AND title:visor', ['Delta visor crossover']],
    ['title:(visor* OR lamp*) AND crossover', ['Alpha visors', 'Bravo lamps', 'Delta visor crossover']],
    ['title:visor* AND title:crossover', ['Delta visor crossover']],
    ['author:crossover AND visor*', ['Charlie visor', 'Delta visor crossover']],
    ['author:visor AND crossover AND lamp*', ['Echo crossover']],
    ['title:visor* AND author:crossover AND nothing', ['Charlie visor', 'Delta visor crossover']],
    ['title:visor* AND crossover AND lamp', []],
    ['title:visor* NOT crossover', ['Charlie visor']],
    ['title:visor* AND "a crossover"', ['Alpha visors']],
]);
