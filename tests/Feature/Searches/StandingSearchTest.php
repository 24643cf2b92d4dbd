<?php

namespace Tests\Feature\Searches;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Searches\BeginDueRounds;
use App\Actions\Searches\ChangeStrategy;
use App\Actions\Searches\RunStrategy;
use App\Jobs\Searches\RepeatSearch;
use App\Models\SearchRound;
use App\Models\StandingSearch;
use App\Models\Strategy;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Tests\Feature\Standin;
use Tests\Feature\World;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;

// searches repeat by themselves in the morning: that today's is due must not hang on when the tests run
beforeEach(fn () => $this->travelTo(now()->setTime(12, 0)));

/** A search that was fetched once and then widened, so that the next time brings something new. */
function widened(World $world): Strategy
{
    Standin::answers();
    $changes = app(ChangeStrategy::class);
    $by = $world->people['specialist'];
    $lines = fn (int $from): Lines => new Lines([new StrategyLine('l0', "(bright OR blue*) NEAR/2 light* AND year:{$from}-")]);
    $strategy = $changes->create($by, $world->review, 'Lamps', ['tern'], [], $lines(2012));
    app(StartDelivery::class)->ofRun($by, app(RunStrategy::class)->execute($by, $strategy->refresh(), 'tern'));
    $changes->execute($by, $strategy->refresh(), $strategy->head, 'set-line', ['line' => 'l0', 'text' => $lines(2008)->lines[0]->text]);

    return $strategy->refresh();
}

function repeating(World $world, Strategy $strategy, array $more = []): StandingSearch
{
    test()->actingAs($world->people['specialist'])
        ->put("/reviews/{$world->review->id}/searches/{$strategy->id}/standing", [
            'every' => 'month',
            'first' => now()->format('Y-m-d'),
            'joins' => 1,
            ...$more,
        ])
        ->assertSessionHasNoErrors();

    return StandingSearch::query()->sole();
}

it('looks by itself when it is time: only what is new comes in, is matched and shared out, and people are told', function () {
    $world = new World();
    $strategy = widened($world);
    $before = $world->review->publications()->count();
    $standing = repeating($world, $strategy, ['people' => [$world->people['anna']->id, $world->people['ben']->id]]);
    expect(app(BeginDueRounds::class)->execute())->toBe(1)
        ->and(app(BeginDueRounds::class)->execute())->toBe(0);
    $round = SearchRound::query()->sole();
    $new = $world->review->publications()->count() - $before;

    expect([$round->step, $round->trouble])->toBe(['done', ''])
        ->and($round->records)->toBeGreaterThan(0)
        ->and($round->publications)->toBe($new)
        ->and($world->review->matchings()->count())->toBe(1)
        ->and($standing->refresh()->next_at->gt(now()->addDays(26)))->toBeTrue()
        ->and(DB::table('assignments')->where('share_out_id', $round->share_out_id)->count())->toBeGreaterThanOrEqual(2 * $new);
    expect($world->people['lead']->notifications()->where('data->kind', 'found')->sole()->data['text'])->toContain(
        "{$round->records} new records",
    )
        ->and($world->people['anna']->notifications()->where('data->kind', 'share')->exists())->toBeTrue();
    $this->get("/reviews/{$world->review->id}/searches/{$strategy->id}/standing")
        ->assertOk()
        ->assertSeeText('matched and shared out')
        ->assertSeeText('every month');

    // the next time there is nothing new, and nobody is told
    $this->travelTo($standing->next_at->addMinute());
    app(BeginDueRounds::class)->execute();
    expect(SearchRound::query()->orderByDesc('id')->first()->records)->toBe(0)
        ->and(SearchRound::query()->whereNull('ended_at')->count())->toBe(0)
        ->and($world->people['lead']->notifications()->where('data->kind', 'found')->count())->toBe(1);
});

it('says which database did not answer, keeps what the others brought, and tells the lead', function () {
    $world = new World();
    $strategy = widened($world);
    repeating($world, $strategy);
    Standin::answers(fn ($request) => Http::response('', 503));
    app(BeginDueRounds::class)->execute();
    $round = SearchRound::query()->sole();
    expect($round->trouble)->toContain('Tern')->and($round->ended_at)->not->toBeNull();
    expect($world->people['lead']->notifications()->where('data->kind', 'found')->exists())->toBeTrue();
});

it('begins a round once, not while one is under way, and not in a closed review', function () {
    $world = new World();
    $strategy = widened($world);
    $standing = repeating($world, $strategy);
    Queue::fake();
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}/standing";
    $this->post("{$url}/rounds")->assertRedirect();
    $this->post("{$url}/rounds")->assertSessionHas('problem');
    expect(app(BeginDueRounds::class)->execute())->toBe(0);
    Queue::assertPushed(RepeatSearch::class, 1);
    SearchRound::query()->update(['ended_at' => now()]);
    $standing->update(['next_at' => now()->subDay()]);
    $world->review->update(['closed_at' => now()]);
    expect(app(BeginDueRounds::class)->execute())->toBe(0);
    $world->review->update(['closed_at' => null]);
    $this->delete($url)->assertRedirect();
    expect(app(BeginDueRounds::class)->execute())->toBe(0);
    $this->actingAs($world->people['anna'])->put($url, ['every' => 'week', 'first' => now()->format('Y-m-d')])->assertForbidden();
});

it('stops where whoever set it may no longer search', function () {
    $world = new World();
    $strategy = widened($world);
    repeating($world, $strategy);
    DB::table('memberships')->where('user_id', $world->people['specialist']->id)->delete();
    app(BeginDueRounds::class)->execute();
    expect(SearchRound::query()->sole()->trouble)->toContain('may no longer search');
});
