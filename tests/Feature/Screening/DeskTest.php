<?php

namespace Tests\Feature\Screening;

use App\Jobs\Screening\RankItems;
use App\Models\CheckSample;
use App\Models\Item;
use App\Models\Ranking;
use App\Models\Stage;
use App\Models\Task;
use App\Queries\Screening\Desk;
use App\Queries\Screening\Reading\DeskItem;
use App\Queries\Screening\Reading\StatedLead;
use App\Queries\Screening\ReadingProgress;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\Feature\World;
use WaryHeron\Core\Search\Text\Segment;

/** Publications of two kinds, of which the first are judged by both: those with lamps are included. */
function halfRead(int $publications = 40, int $judged = 20): World
{
    $world = (new World())->withCriteria();
    $world->deliver(
        array_map(
            fn (int $i): array => [
                'TI' => ($i % 4 === 0 ? 'Bright lamps for nurses at night' : 'Hens in barns and their eggs').
                    ", report {$i}",
                'AB' => $i % 4 === 0 ? 'Lamps were lit on wards.' : 'Eggs were counted.',
                'SP' => (string) (100 + $i),
            ],
            range(0, $publications - 1),
        ),
    );
    foreach (range(0, $judged - 1) as $i) {
        foreach (['anna', 'ben'] as $who) {
            $world->decide($who, $world->item($i), $i % 4 === 0 ? 'include' : 'exclude');
        }
    }

    return $world;
}

function ordered(World $world, string $order, int $percent = 0): Stage
{
    Queue::fake([RankItems::class]);
    test()
        ->actingAs($world->people['lead'])
        ->post("/reviews/{$world->review->id}/screening/stages/{$world->review->firstStage()->id}/order", [
            'reading_order' => $order,
            'random_percent' => $percent,
        ])
        ->assertSessionHasNoErrors()
        ->assertSessionHas('notice');
    foreach (Queue::pushed(RankItems::class) as $job) {
        $job->handle();
    }
    $world->review->unsetRelation('stages');

    return $world->review->firstStage();
}

it('reads the likeliest first, says why when asked, and leaves nothing out', function () {
    $world = halfRead();
    $stage = ordered($world, 'likely');
    expect(Task::query()->where('kind', 'ranking')->sole()->message)
        ->toContain('20 publications')
        ->and(Ranking::query()->sole()->only('judged', 'included', 'ranked'))
        ->toBe(['judged' => 20, 'included' => 5, 'ranked' => 20]);
    $world->deliver([['TI' => 'A late lamp']]);
    $desk = new Desk($stage->fresh()->setRelation('review', $world->review), $world->people['anna']);
    $ahead = $desk->ahead(0, 40);
    expect($ahead)
        ->toHaveCount(21)
        ->and(array_map(fn (DeskItem $one): bool => str_contains($one->title, 'lamps'), array_slice($ahead, 0, 6)))
        ->toBe([true, true, true, true, true, false])
        ->and(end($ahead)->title)
        ->toBe('A late lamp');
    // page after page it is the same list
    $paged = [];
    for ($after = 0; ($part = $desk->ahead($after, 7)) !== []; $after = end($part)->position) {
        $paged = [...$paged, ...array_column($part, 'id')];
    }
    expect($paged)->toBe(array_column($ahead, 'id'));
    $why = $this->actingAs($world->people['anna'])
        ->getJson("/reviews/{$world->review->id}/screening/items/{$ahead[0]->id}/why")
        ->assertOk()
        ->json('why');
    expect($why['score'])
        ->toBeGreaterThan(0.6)
        ->and($why['drawn'])
        ->toBeFalse()
        ->and(array_column($why['words'], 'word'))
        ->toContain('lamps');
    $this->getJson("/reviews/{$world->review->id}/screening/items/".end($ahead)->id.'/why')->assertJsonPath(
        'why',
        null,
    );
    $this->get("/reviews/{$world->review->id}/screening/order")
        ->assertOk()
        ->assertSeeText('learned from 20 that have opened')
        ->assertSeeText('lamps');
    $this->post("/reviews/{$world->review->id}/screening/stages/{$stage->id}/order", [
        'reading_order' => 'likely',
        'random_percent' => 5,
    ])->assertForbidden();
    // back to the order of delivery
    expect(ordered($world, 'delivery')->ranked)
        ->toBeFalse()
        ->and(DB::table('item_ranks')->count())
        ->toBe(0);
});

it('learns nothing from what has not opened, and anew when more has', function () {
    $world = halfRead(60);
    $order = fn (): array => DB::table('item_ranks')->orderBy('rank')->pluck('item_id')->all();
    ordered($world, 'likely', 20);
    $before = $order();
    $words = Ranking::query()->sole()->model;
    // one person's blinded decisions, all the other way round: neither the order nor what was learned moves
    foreach (range(20, 34) as $i) {
        $world->decide('anna', $world->item($i), $i % 4 === 0 ? 'exclude' : 'include');
    }
    ordered($world, 'likely', 20);
    expect($order())
        ->toBe($before)
        ->and(Ranking::query()->orderByDesc('id')->first()->model)
        ->toBe($words)
        ->and(Ranking::query()->whereNotNull('model')->count())
        ->toBe(1);
    expect(DB::table('item_ranks')->where('drawn', true)->count())->toBe(8);
    // enough opens for it to be learned anew by itself
    Queue::fake([RankItems::class]);
    foreach (range(20, 34) as $i) {
        $world->decide('ben', $world->item($i), $i % 4 === 0 ? 'exclude' : 'include');
    }
    Queue::assertNothingPushed();
    foreach (range(35, 40) as $i) {
        foreach (['anna', 'ben'] as $who) {
            $world->decide($who, $world->item($i), 'exclude');
        }
    }
    Queue::assertPushed(RankItems::class, 1);
});

it('says what is missing where there is too little to learn from', function () {
    $world = halfRead(12, 8);
    expect(ordered($world, 'uncertain')->ranked)
        ->toBeFalse()
        ->and(Task::query()->where('kind', 'ranking')->sole()->message)
        ->toContain('too little to learn from');
    expect(
        array_column((new Desk($world->review->firstStage(), $world->people['anna']))->ahead(0, 9), 'title'),
    )->toHaveCount(4);
    expect(ordered($world, 'random')->ranked)->toBeTrue();
});

it('estimates recall from a check sample, once all of it is decided', function () {
    $world = halfRead(60, 20);
    $stage = $world->review->firstStage();
    $url = "/reviews/{$world->review->id}/screening/stages/{$stage->id}/checks";
    $this->actingAs($world->people['lead'])
        ->post($url, ['size' => '10', 'seed' => '4'])
        ->assertSessionHas('notice');
    $check = CheckSample::query()->sole();
    expect($check->unread)->toBe(40)->and($check->found_before)->toBe(5)->and($check->items)->toHaveCount(10);
    $this->post($url, ['size' => '10'])->assertSessionHas(
        'problem',
        'The last check sample has not been read to its end.',
    );
    // it is read before everything else, also by those who pull from a queue
    $stage = $stage->fresh()->setRelation('review', $world->review);
    expect(array_column((new Desk($stage, $world->people['anna']))->ahead(0, 10), 'id'))->toBe($check->items);
    $items = Item::query()->with('publication')->whereIn('id', $check->items)->get();
    foreach ($items as $i => $item) {
        foreach (['anna', 'ben'] as $who) {
            expect(ReadingProgress::check($check)->estimate)->toBeNull();
            $world->decide($who, $item, str_contains($item->publication->title, 'lamps') ? 'include' : 'exclude');
        }
    }
    $found = ReadingProgress::check($check);
    $hits = $items->filter(fn (Item $one): bool => str_contains($one->publication->title, 'lamps'))->count();
    expect($found->hits)
        ->toBe($hits)
        ->and($found->estimate->recall)
        ->toEqualWithDelta((5 + $hits) / (5 + 4 * $hits), 1e-9)
        ->and($found->estimate->atLeast)
        ->toBeLessThan($found->estimate->recall);
    $this->actingAs($world->people['observer'])
        ->get("/reviews/{$world->review->id}/screening/order")
        ->assertOk()
        ->assertSeeText('recall, at least')
        ->assertSeeText('hypergeometric')
        ->assertSeeText('not a promise');
    // what is found by reading on lifts the bound
    foreach (range(20, 59) as $i) {
        $item = $world->item($i);
        if ($item->state->value === 'waiting') {
            foreach (['anna', 'ben'] as $who) {
                $world->decide($who, $item, $i % 4 === 0 ? 'include' : 'exclude');
            }
        }
    }
    expect(ReadingProgress::check($check)->estimate->atLeast)->toBeGreaterThan($found->estimate->atLeast);
    $curve = ReadingProgress::curve($stage);
    expect([$curve->read, $curve->found])
        ->toBe([60, 15])
        ->and(substr_count($curve->path, 'L'))
        ->toBe(60);
});

it('marks the team’s words, points at what the text states, and takes tags and Talk', function () {
    $world = halfRead(4, 2);
    $review = "/reviews/{$world->review->id}";
    $criterion = $world->review->criteria()->first();
    $lists = fn (array $with, string $who = 'anna') => $this->actingAs($world->people[$who])->post(
        "{$review}/screening/marked-words",
        [
            'name' => 'Animals',
            'stance' => 'against',
            'words' => "hens\n\"their eggs\"",
            'criterion' => $criterion->id,
            ...$with,
        ],
    );
    $lists([])->assertSessionHas('notice');
    $lists(['words' => "hens\n(eggs"])->assertSessionHas(
        'problem',
        fn (string $said): bool => str_starts_with($said, 'Line 2 (“(eggs”) cannot be read'),
    );
    $lists(['stance' => 'sideways'])->assertSessionHasErrors('stance');
    $lists([], 'observer')->assertForbidden();
    $list = $world->review->markLists()->sole();
    $item = (new Desk($world->review->firstStage(), $world->people['anna']))->item($world->item(2)->id);
    $marked = array_values(array_filter($item->titleParts, fn (Segment $part): bool => $part->lists === [$list->id]));
    expect(array_column($marked, 'text'))->toBe(['Hens', 'their eggs']);
    expect(
        array_values(array_filter($item->leads, fn (StatedLead $lead): bool => $lead->criterion === $criterion->id))[0],
    )->toMatchArray([
        'about' => 'Animals',
        'sentence' => 'Hens in barns and their eggs, report 2',
        'because' => '2 of its words stand there.',
    ]);
    $this->actingAs($world->people['ben'])
        ->put("{$review}/screening/marked-words/{$list->id}", ['name' => 'Birds', 'stance' => 'for', 'words' => 'eggs'])
        ->assertSessionHas('notice');
    expect((new Desk($world->review->firstStage(), $world->people['anna']))->marks()[0])->toMatchArray([
        'name' => 'Birds',
        'kind' => 'for',
        'criterion' => null,
    ]);
    $tag = fn (array $with) => $this->actingAs($world->people['anna'])->postJson(
        "{$review}/screening/items/{$world->item(2)->id}/tags",
        $with,
    );
    $tag(['tag' => ' ask the author ', 'on' => true])
        ->assertOk()
        ->assertJson(['tags' => ['ask the author']]);
    $tag(['tag' => 'ask the author', 'on' => false])->assertJson(['tags' => []]);
    $tag(['tag' => '', 'on' => true])->assertUnprocessable();
    // Talk begins when the item opens
    $talk = fn (int $i, string $who = 'anna') => $this->actingAs($world->people[$who])->postJson(
        "{$review}/screening/items/{$world->item($i)->id}/talk",
        ['body' => 'Lamps, surely?'],
    );
    $talk(2)->assertConflict();
    $talk(0)->assertOk()->assertJsonPath('talk.0.body', 'Lamps, surely?')->assertJsonPath('talk.0.by', 'Anna Kolbe');
    $talk(0, 'observer')->assertForbidden();
    $this->actingAs($world->people['ben'])
        ->getJson("{$review}/screening/items/{$world->item(0)->id}")
        ->assertJsonPath('item.talk.0.body', 'Lamps, surely?');
    $this->getJson("{$review}/screening/items/{$world->item(2)->id}")->assertJsonPath('item.talk', []);
    $this->delete("{$review}/screening/marked-words/{$list->id}")->assertSessionHas('notice');
    expect($world->review->markLists()->count())->toBe(0);
});
