<?php

namespace Tests\Feature\Screening;

use App\Actions\Library\RemovePublications;
use App\Actions\Matching\JoinPublications;
use App\Actions\Screening\ChangeStage;
use App\Models\Item;
use App\Models\Join;
use App\Models\Publication;
use App\Models\Stage;
use App\Queries\Report\FlowQuery;
use App\Queries\Shared\Tallies;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;
use WaryHeron\Core\Screening\ItemState;

/** Titles apart, judged by one person. */
function titlesFirst(string ...$titles): World
{
    $world = (new World())->withCriteria();
    $world->deliver(
        array_map(
            fn (string $title): array => ['TI' => $title, 'AB' => 'Lamps were lit.'],
            $titles ?: ['One', 'Two', 'Three'],
        ),
    );
    test()->actingAs($world->people['lead']);
    foreach (['full-text' => 'Full text', 'titles' => 'Title'] as $purpose => $name) {
        test()
            ->post("/reviews/{$world->review->id}/screening/stages", ['name' => $name, 'purpose' => $purpose])
            ->assertSessionHas('notice');
    }
    $world->review->refresh();
    app(ChangeStage::class)->change($world->people['lead'], $world->review->titleStage(), ['required_decisions' => 1]);

    return $world;
}

function itemAt(?Stage $stage, string $title): Item
{
    return Item::query()->where('stage_id', $stage?->id)->whereRelation('publication', 'title', $title)->firstOrFail();
}

/** How everything stands at title and abstract, by title. */
function byAbstract(World $world): array
{
    return Item::query()
        ->where('stage_id', $world->review->firstStage()->id)
        ->join('publications', 'publications.id', '=', 'items.publication_id')
        ->orderBy('title')
        ->pluck('items.state', 'title')
        ->map(fn (ItemState $state): string => $state->value)
        ->all();
}

it('lets publications come to title and abstract by their titles, and counts them once', function () {
    $world = titlesFirst();
    $titles = $world->review->titleStage();
    expect($world->review->stages->pluck('name')->all())
        ->toBe(['Title', 'Title and abstract', 'Full text'])
        ->and(byAbstract($world))
        ->toBe(['One' => 'awaited', 'Three' => 'awaited', 'Two' => 'awaited']);

    $world->decide('anna', itemAt($titles, 'One'), 'include');
    $world->decide('anna', itemAt($titles, 'Two'), 'exclude');
    $world->decide('anna', itemAt($titles, 'Three'), 'unsure');
    expect(byAbstract($world))
        ->toBe(['One' => 'waiting', 'Three' => 'waiting', 'Two' => 'excluded'])
        ->and(itemAt($world->review->firstStage(), 'Two')->criterion_id)
        ->toBe($world->review->criteria()->first()->id);

    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, itemAt($world->review->firstStage(), 'One'), 'include');
    }
    $facts = FlowQuery::of($world->review);
    expect([$facts->toScreen(), $facts->facts->excluded, $facts->facts->included, $facts->pending()])
        ->toBe([3, 1, 1, 1])
        ->and(
            Item::query()
                ->where('stage_id', $world->review->lastStage()->id)
                ->count(),
        )
        ->toBe(1)
        ->and(Tallies::of($world->review)->in(ItemState::Excluded))
        ->toBe(1);
});

it('shows the title alone, and hands out nothing whose title has not passed', function () {
    $world = titlesFirst('One', 'Two');
    $titles = $world->review->titleStage();
    $desk = $this->actingAs($world->people['anna'])
        ->getJson("/reviews/{$world->review->id}/screening/desk/ahead?stage={$titles->id}&many=9")
        ->assertOk();
    expect($desk->json('items.*.abstract'))
        ->toBe([[], []])
        ->and($desk->content())
        ->not->toContain('Lamps were lit');
    $abstracts = $world->review->firstStage();
    $this->getJson("/reviews/{$world->review->id}/screening/desk/ahead?stage={$abstracts->id}&many=9")->assertJsonPath(
        'items',
        [],
    );
    $decide = fn (string $title) => $this->postJson(
        "/reviews/{$world->review->id}/screening/items/".itemAt($abstracts, $title)->id.'/decision',
        ['verdict' => 'include', 'seen' => ''],
    );
    $decide('One')
        ->assertStatus(409)
        ->assertJsonPath('message', 'This is judged by its title first. It comes here once its title is included.');
    $world->decide('anna', itemAt($titles, 'One'), 'exclude');
    $decide('One')
        ->assertStatus(409)
        ->assertJsonPath('message', 'This was excluded by its title, and is no longer judged here.');
    $world->decide('anna', itemAt($titles, 'Two'), 'include');
    $decide('Two')->assertOk();
});

it('leaves what was judged by its abstract before, and takes newcomers in by their titles', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Judged'], ['TI' => 'Not judged']]);
    $world->decide('anna', itemAt($world->review->firstStage(), 'Judged'), 'include');
    $this->actingAs($world->people['lead'])->post("/reviews/{$world->review->id}/screening/stages", [
        'name' => 'Title',
        'purpose' => 'titles',
    ]);
    $world->review->refresh();
    expect(byAbstract($world))->toBe(['Judged' => 'waiting', 'Not judged' => 'awaited']);
    $world->deliver([['TI' => 'Came later']]);
    expect(byAbstract($world))
        ->toBe(['Came later' => 'awaited', 'Judged' => 'waiting', 'Not judged' => 'awaited'])
        ->and(Tallies::of($world->review, $world->review->titleStage())->in(ItemState::Waiting))
        ->toBe(2);
    $this->post("/reviews/{$world->review->id}/screening/stages", ['name' => 'Titles again', 'purpose' => 'titles']);
    expect(Stage::query()->where('review_id', $world->review->id)->where('purpose', 'titles')->count())->toBe(1);
});

it('goes with its stage as long as nobody judged there', function () {
    $world = titlesFirst('One', 'Two');
    $titles = $world->review->titleStage();
    $this->delete("/reviews/{$world->review->id}/screening/stages/{$titles->id}")->assertSessionHas(
        'notice',
        'The stage is gone.',
    );
    expect(byAbstract($world))->toBe(['One' => 'waiting', 'Two' => 'waiting']);
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, itemAt($world->review->firstStage(), 'One'), 'include');
    }
    expect(itemAt($world->review->firstStage(), 'One')->state)->toBe(ItemState::Included);
});

it('takes the stage of reading in full away with what waits there', function () {
    $world = World::readingInFull();
    $world->deliver([['TI' => 'One']]);
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, itemAt($world->review->firstStage(), 'One'), 'include');
    }
    $full = $world->review->lastStage();
    expect(itemAt($full, 'One')->state)->toBe(ItemState::Awaited);
    $this->actingAs($world->people['lead'])
        ->delete("/reviews/{$world->review->id}/screening/stages/{$full->id}")
        ->assertSessionHas('notice', 'The stage is gone.');
    expect(Item::query()->where('stage_id', $full->id)->exists())->toBeFalse()
        ->and(Stage::query()->whereKey($full->id)->exists())->toBeFalse()
        ->and(itemAt($world->review->firstStage(), 'One')->state)->toBe(ItemState::Included);
});

it(
    'follows its title when that is settled, changed by rule, taken back, removed, brought back, joined and taken apart',
    function () {
        $world = titlesFirst('One', 'Two', 'Three');
        $titles = $world->review->titleStage();
        $rules = app(ChangeStage::class);
        $world->decide('anna', itemAt($titles, 'One'), 'unsure');
        expect(byAbstract($world)['One'])->toBe('waiting');
        $rules->change($world->people['lead'], $titles, ['unsure_includes' => false]);
        expect(byAbstract($world)['One'])->toBe('awaited');
        $rules->change($world->people['lead'], $titles, ['unsure_includes' => true]);
        foreach (['anna', 'ben'] as $who) {
            $world->decide($who, itemAt($world->review->firstStage(), 'One'), 'include');
        }
        // a rule of the later stage moves nothing that waits for its title
        $world->decide('ben', itemAt($titles, 'Two'), 'exclude');
        expect($rules->effect($world->review->firstStage(), ['required_decisions' => 3]))
            ->toBe(['included → waiting' => 1])
            ->and($rules->effect($world->review->firstStage(), ['closed_at' => now()]))
            ->toBe([]);
        // an exclusion by title takes what was included after it out of the full texts, and keeps its decisions
        $rules->change($world->people['lead'], $titles, ['unsure_includes' => false]);
        expect(byAbstract($world))
            ->toBe(['One' => 'awaited', 'Three' => 'awaited', 'Two' => 'excluded'])
            ->and(
                Item::query()
                    ->where('stage_id', $world->review->lastStage()->id)
                    ->count(),
            )
            ->toBe(0)
            ->and(
                DB::table('decisions')
                    ->where('stage_id', $world->review->firstStage()->id)
                    ->whereNull('superseded_at')
                    ->count(),
            )
            ->toBe(2);

        $remove = app(RemovePublications::class);
        $all = fn () => DB::table('publications')->where('review_id', $world->review->id);
        $remove->execute($world->people['lead'], $world->review, $all(), 'a preprint');
        expect(array_unique(array_values(byAbstract($world))))->toBe(['removed']);
        $remove->undo($world->people['lead'], $world->review, $all());
        expect(byAbstract($world))->toBe(['One' => 'awaited', 'Three' => 'awaited', 'Two' => 'excluded']);

        [$two, $three] = [$world->publication('Two')->id, $world->publication('Three')->id];
        $joins = app(JoinPublications::class);
        $joins->execute($world->people['lead'], $world->review->id, [$two, $three], 'a');
        expect(Publication::query()->whereKey($three)->exists())
            ->toBeFalse()
            ->and(array_values(byAbstract($world)))
            ->toBe(['awaited', 'excluded']);
        $joins->undo($world->people['lead'], Join::query()->where('review_id', $world->review->id)->firstOrFail());
        expect(byAbstract($world))
            ->toBe(['One' => 'awaited', 'Three' => 'awaited', 'Two' => 'excluded'])
            ->and(itemAt($titles, 'Three')->state)
            ->toBe(ItemState::Waiting);
    },
);

it('keeps every figure a count of its rows', function () {
    $world = titlesFirst('One', 'Two', 'Three', 'Four');
    foreach (['One' => 'include', 'Two' => 'exclude', 'Three' => 'unsure'] as $title => $verdict) {
        $world->decide('anna', itemAt($world->review->titleStage(), $title), $verdict);
    }
    foreach ($world->review->stages as $stage) {
        foreach (ItemState::cases() as $state) {
            expect(Tallies::of($world->review, $stage)->in($state))->toBe(
                Item::query()->where('stage_id', $stage->id)->where('state', $state)->count(),
            );
        }
    }
    $this->actingAs($world->people['anna'])
        ->get("/reviews/{$world->review->id}/screening")
        ->assertOk()
        ->assertSee('Title not included yet');
    $this->get(
        "/reviews/{$world->review->id}/records?state=undecided&stage={$world->review->firstStage()->id}",
    )->assertSee('with decisions missing');
    $this->get("/reviews/{$world->review->id}/screening/stages")
        ->assertOk()
        ->assertDontSee('titles first:');
});
