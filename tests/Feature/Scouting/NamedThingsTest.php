<?php

namespace Tests\Feature\Scouting;

use App\Models\Scouting;
use App\Models\Strategy;
use Tests\Feature\World;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** Three papers on naps, two of which name a scale, one of them by a short form. */
function namingPapers(): array
{
    $paper = fn (string $title, int $year, string $more): array => [
        'TI' => $title,
        'PY' => $year,
        'AU' => 'Haldor, P',
        'AB' => "METHODS: 120 nurses were randomised to a planned nap or to usual breaks. {$more} RESULTS: Sleepiness was 1.2 points lower with the nap (95% CI 0.7 to 1.7).",
    ];

    return [
        $paper('Planned naps of night nurses', 2016, 'Sleepiness was rated on the Ferring Sleepiness Scale (FSS), a nine-point scale of how hard it is to stay awake.'),
        $paper('Naps at four in the morning', 2019, 'We used the Ferring Sleepiness Scale hourly.'),
        $paper('A nap before the drive home', 2019, 'Sleepiness was rated on a line.'),
    ];
}

/** @return array{World, Scouting, string} with the address of the instruments */
function withNames(): array
{
    $world = new World();
    $world->deliver(namingPapers());
    $scouting = asked($world);

    return [$world, $scouting, "/reviews/{$world->review->id}/scouting/{$scouting->id}/named/instrument"];
}

/** @return array<string, list<string>> terms by concept */
function conceptsOf(Strategy $strategy): array
{
    $concepts = [];
    foreach (Board::of($strategy->refresh()->shown()->strategy())->blocks as $block) {
        $concepts[$block->name] = array_map(fn (StrategyLine $line): string => $line->text, $block->terms);
    }

    return $concepts;
}

it('lists what papers name, by year, with sentences that lead to the papers', function () {
    [$world, $scouting, $address] = withNames();
    $page = $this->actingAs($world->people['anna'])->get($address)->assertOk();

    $page->assertSee('Ferring Sleepiness Scale')
        ->assertSee('2016: 1, 2019: 1')
        ->assertSee('We used the Ferring Sleepiness Scale hourly.')
        ->assertSee('FSS');
    $this->get("{$address}/csv")->assertOk();
    expect($scouting->papers()->where('sentence', '<>', '')->count())->toBe(3);
});

it('takes names into a concept of a strategy, or into a new one, and only of this review', function () {
    [$world, , $address] = withNames();
    $this->actingAs($world->people['specialist'])
        ->post("/reviews/{$world->review->id}/searches", ['name' => 'Naps', 'sources' => ['tern'], 'blocks' => [['name' => 'Outcome', 'terms' => 'sleepiness']]])
        ->assertSessionHasNoErrors();
    $strategy = Strategy::query()->sole();
    $block = Board::of($strategy->shown()->strategy())->blocks[0];
    $take = fn (string $concept, array $names): mixed => $this->post("{$address}/board", ['concept' => $concept, 'names' => $names]);

    $this->get($address)->assertSee('Into the board')->assertSee('a new concept');
    $take("{$strategy->id}/{$block->id}", ['Ferring Sleepiness Scale', 'FSS'])->assertRedirect("/reviews/{$world->review->id}/searches/{$strategy->id}");
    expect(conceptsOf($strategy))->toBe(['Outcome' => ['sleepiness', '"Ferring Sleepiness Scale"', 'FSS']]);
    $take("{$strategy->id}/{$block->id}", ['FSS'])->assertSessionHas('problem');
    $take("{$strategy->id}/", ['Ferring Sleepiness Scale'])->assertSessionHasNoErrors();
    expect(conceptsOf($strategy))->toHaveKey('Instruments')
        ->and(conceptsOf($strategy)['Instruments'])->toBe(['"Ferring Sleepiness Scale"']);
    $take("{$strategy->id}/{$block->id}", [])->assertSessionHasErrors('names');
    $this->actingAs($world->people['observer'])->get($address)->assertOk()->assertDontSee('Into the board');
    $take("{$strategy->id}/{$block->id}", ['Another Scale'])->assertForbidden();
});

it('does not say that a finding leads where no more than half of the papers say it', function () {
    $world = new World();
    $world->deliver(NAPS);
    $scouting = asked($world);
    $page = fn (): string => preg_replace('/\s+/', ' ', strip_tags((string) $this->actingAs($world->people['anna'])->get("/reviews/{$world->review->id}/scouting/{$scouting->id}")->getContent()));

    expect($page())->toContain('1 of 1 trial: less');
    $scouting->papers()->where('sentence', '<>', '')->update(['design' => 'trial']);
    expect($page())->not->toMatch('/1 of \d trials/')
        ->and($page())->toMatch('/\d trials: 1 /');
});
