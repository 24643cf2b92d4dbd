<?php

namespace Tests\Feature\Report;

use App\Models\ReviewVersion;
use App\Queries\Report\Composed\LiveNumber;
use App\Queries\Report\Composed\LiveNumbers;
use App\Queries\Report\FlowQuery;
use Tests\Feature\World;
use WaryHeron\Core\Flow\Diagram;
use WaryHeron\Core\Flow\FlowNumber;

/** @return array<string, int> numbers of the diagram by the key of a line */
function numbersOf(World $world): array
{
    return array_column(array_map(
        fn (FlowNumber $one): array => [$one->line->key, $one->line->n],
        FlowQuery::diagram($world->review->fresh())->numbers(),
    ), 1, 0);
}

function judgedAs(World $world, string $title, string $verdict): void
{
    foreach ($world->review->fresh()->stages as $stage) {
        $item = $world->publication($title)->items()->where('stage_id', $stage->id)->first();
        if ($item !== null && $item->state->value === 'waiting') {
            $world->decide('anna', $item, $verdict);
            $world->decide('ben', $item->refresh(), $verdict);
        }
    }
}

it('tells what came since a version apart, and every number leads to what it counts', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps'], ['TI' => 'Naps'], ['TI' => 'Noise']]);
    judgedAs($world, 'Lamps', 'include');
    judgedAs($world, 'Naps', 'exclude');
    $before = numbersOf($world);
    expect(LiveNumbers::of($world->review))->not->toHaveKey('new records')
        ->and(LiveNumbers::of($world->review)['records']->label)->toBe('records delivered');
    $url = "/reviews/{$world->review->id}/report/versions-of-review";
    $this->actingAs($world->people['lead'])->post($url, ['name' => 'First'])->assertSessionHasNoErrors();
    $version = ReviewVersion::query()->sole();
    expect([$version->studies, $version->reports, $version->included])->toBe([1, 1, [$world->publication('Lamps')->id]]);

    $this->travel(1)->days();
    // one of them again, one new
    $world->deliver([['TI' => 'Lamps'], ['TI' => 'Windows']], 'Alder Index');
    judgedAs($world, 'Windows', 'include');
    $now = numbersOf($world);
    expect($now['previous-reports'])->toBe(1)
        ->and($now['identified'])->toBe(2)
        ->and($now['duplicates-machine'])->toBe(1)
        ->and($now['screened'])->toBe(1)
        ->and($now['included'])->toBe(1)
        ->and(FlowQuery::diagram($world->review->fresh())->arms)->toHaveKey(Diagram::PREVIOUS)
        ->and(FlowQuery::diagram($world->review->fresh())->contradictions())->toBe([]);
    $live = LiveNumbers::of($world->review->fresh());
    expect($live['new records'])->toEqual(new LiveNumber('records delivered, since First', '2'))
        ->and($live['records'])->toEqual(new LiveNumber('records delivered, all versions together', '5'))
        ->and([$live['new screened']->value, $live['new studies']->value, $live['studies']->value])->toBe(['1', '1', '2']);
    $links = FlowQuery::links($world->review->fresh());
    $this->get($links['included'])->assertOk()->assertSeeText('Windows')->assertDontSeeText('Noise')->assertSeeText('new since First');

    // the older one that waited is decided: it belongs to the version before, and is not counted as new
    judgedAs($world, 'Noise', 'exclude');
    expect(numbersOf($world)['screened'])->toBe(1);

    $this->delete($url)->assertRedirect();
    $all = numbersOf($world);
    expect($all['identified'])->toBe($before['identified'] + 2)->and($all)->not->toHaveKey('previous-reports');
    $this->get("/reviews/{$world->review->id}/report/flow.svg")->assertOk();
});

it('holds nothing fast where nothing is included, and is for the lead', function () {
    $world = new World();
    $world->deliver([['TI' => 'Lamps']]);
    $url = "/reviews/{$world->review->id}/report/versions-of-review";
    $this->actingAs($world->people['lead'])->post($url)->assertSessionHas('problem');
    $this->delete($url)->assertSessionHas('problem');
    $this->actingAs($world->people['anna'])->post($url)->assertForbidden();
});
