<?php

namespace Tests\Feature\Library;

use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

it('searches once for the few that a filter leaves, and again when the review has changed', function () {
    $world = new World();
    $world->deliver([['TI' => 'Lamp one'], ['TI' => 'Nap'], ['TI' => 'Lamp two']]);
    $searches = 0;
    DB::listen(function (QueryExecuted $query) use (&$searches): void {
        $searches += str_contains($query->sql, '@@') ? 1 : 0;
    });
    $titles = function (string $more = '') use ($world): array {
        $page = $this->actingAs($world->people['lead'])->get("/reviews/{$world->review->id}/records?q=title:lamp{$more}")->assertOk();
        preg_match_all('~class="title-link"[^>]*>(?:<mark>)?(Lamp|Nap)(?:</mark>)?( one| two| three)?~', (string) $page->getContent(), $found);

        return array_map(fn (string $a, string $b): string => $a.$b, $found[1], $found[2]);
    };

    expect($titles())->toBe(['Lamp one', 'Lamp two']);
    $asked = $searches;
    expect($asked)->toBeGreaterThan(0)
        ->and($titles('&sort=title&desc=1'))->toBe(['Lamp two', 'Lamp one'])
        ->and($searches)->toBe($asked);

    $world->deliver([['TI' => 'Lamp three']]);
    expect($titles('&sort=title'))->toBe(['Lamp one', 'Lamp three', 'Lamp two']);

    $gone = $world->review->publications()->where('title', 'Lamp one')->sole();
    $this->post("/reviews/{$world->review->id}/records/remove", ['ids' => [$gone->id], 'reason' => 'Erratum', 'sure' => 1]);
    expect($titles('&sort=title'))->toBe(['Lamp three', 'Lamp two'])
        ->and($titles('&removed=1&sort=title'))->toBe(['Lamp one']);
});
