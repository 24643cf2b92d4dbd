<?php

namespace Tests\Feature\FullTexts;

use Tests\Feature\Coding\AtTheDesk;

it('finds in a paper what is typed as it stands, and by the query language within a sentence', function (string $typed, array $pages) {
    $world = AtTheDesk::world(AtTheDesk::asked('People'));
    $copy = AtTheDesk::copy($world, 'Nurses on nights slept longer after bright light.', 'Light was measured. The dim lamp kept no nurse awake.');
    $found = $this->actingAs($world->people['coder'])
        ->getJson("/reviews/{$world->review->id}/coding/papers/{$copy->id}/find?".http_build_query(['q' => $typed]))
        ->assertOk()
        ->json('found');

    expect(array_column($found, 'page'))->toBe($pages);
    foreach ($found as $one) {
        expect($one['boxes'])->not->toBe([]);
    }
})->with([
    'as it stands' => ['bright light', [1]],
    'a part of a word' => ['easur', [1]],
    'by a query' => ['nurs* AND bright', [1, 1]],
    'not over two sentences' => ['bright AND dim', []],
    'near' => ['dim NEAR/1 lamp', [1]],
    'a mistake in it is looked for as it stands' => ['(light', [1, 1]],
    'nothing' => ['(', []],
]);
