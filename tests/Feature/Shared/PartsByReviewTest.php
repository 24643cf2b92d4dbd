<?php

namespace Tests\Feature\Shared;

use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Route;
use Tests\Feature\World;

/** @return list<string> tables of which a query reads more than one part */
function readInParts(string $sql, array $bindings): array
{
    $lines = array_column(DB::select("EXPLAIN (ANALYZE, COSTS OFF, TIMING OFF) {$sql}", $bindings), 'QUERY PLAN');
    // a part that is ruled out as the query runs stands in its plan
    $plan = implode("\n", array_filter($lines, fn (string $line): bool => ! str_contains($line, 'never executed')));
    preg_match_all('/ on (publications|records|items|decisions|log_entries)_(\d)/', $plan, $m);
    $parts = [];
    foreach ($m[1] as $i => $table) {
        $parts[$table][$m[2][$i]] = true;
    }

    return array_keys(array_filter($parts, fn (array $of): bool => count($of) > 1));
}

it('reads the parts of its own review only, on every page and for a decision', function (): void {
    $world = World::readingInFull();
    // of so many that a rare word is looked for otherwise than one that most have
    $world->deliver([
        ['TI' => 'Lamps at night'],
        ...array_map(fn (int $n): array => ['TI' => "Blankets by day {$n}"], range(1, 60)),
    ]);
    $world->decide('anna', $world->item(), 'include');
    $this->actingAs($world->people['lead']);
    $asked = [];
    Event::listen(QueryExecuted::class, function (QueryExecuted $one) use (&$asked): void {
        if (preg_match('/^\s*(select|with)/i', $one->sql) === 1) {
            $asked[$one->sql] = $one->bindings;
        }
    });
    foreach (Route::getRoutes() as $route) {
        $uri = $route->uri();
        $isPage = in_array('GET', $route->methods(), true) && str_starts_with($uri, 'reviews/{review}') &&
            preg_match('/\{(?!review\})/', $uri) === 0;
        if ($isPage) {
            $this->get('/'.str_replace('{review}', $world->review->id, $uri));
        }
    }
    $this->actingAs($world->people['ben'])->postJson("/reviews/{$world->review->id}/screening/items/{$world->item()->id}/decision", [
        'verdict' => 'include',
        'note' => '',
        'key' => bin2hex(random_bytes(16)),
        'seen' => null,
        'answers' => (object) [],
    ])->assertOk();
    $publication = $world->publication('Lamps at night');
    foreach (["publications/{$publication->id}", "screening/desk/{$world->item()->id}", 'records?q=lamps', 'records?q=blankets', "coding/{$publication->id}"] as $page) {
        $this->get("/reviews/{$world->review->id}/{$page}");
    }
    $wide = [];
    foreach ($asked as $sql => $bindings) {
        // what one has at hand in other reviews is looked for in them
        if (! str_contains($sql, '"elsewhere"') && readInParts($sql, $bindings) !== []) {
            $wide[] = preg_replace('/\s+/', ' ', $sql);
        }
    }
    expect(count($asked))->toBeGreaterThan(100)->and($wide)->toBe([]);
});
