<?php

namespace Tests\Feature\Searches;

use App\Actions\Searches\ChangeStrategy;
use Tests\Feature\Standin;
use Tests\Feature\World;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** The board of a strategy as the specialist sees it. */
function boardOf(World $world, Lines $lines): string
{
    $by = $world->people['specialist'];
    $strategy = app(ChangeStrategy::class)->create($by, $world->review, 'Lamps', ['alder'], [], $lines);
    $page = test()->actingAs($by)->get("/reviews/{$world->review->id}/searches/{$strategy->id}")->assertOk();

    return html_entity_decode($page->getContent());
}

it('says what the question leaves open, from its concepts, the thesauri and the counts', function () {
    Standin::answers();
    $world = new World();
    $this->artisan('heron:thesauri');
    $world->review->concepts()->delete();
    $world->review->update(['question' => 'Does light exposure help night work?']);
    $lines = new Lines([
        new StrategyLine('a', 'night* OR light*'),
        new StrategyLine('b', 'any(#1)', 'Everybody'),
        new StrategyLine('c', 'visor*'),
        new StrategyLine('d', 'any(#3)', 'Visors'),
        new StrategyLine('e', '', 'Sleep disorders'),
    ]);
    $page = boardOf($world, $lines);
    [$wide, $narrow] = [number_format(Strategies::countAt('alder', 'night* or light*')), number_format(Strategies::countAt('alder', 'visor*'))];
    expect($page)->toContain(
        'The question names no population (people), no intervention (what is done), no outcome (what is measured).',
    );
    expect(substr_count($page, '>Light exposure</button>'))
        ->toBe(1)
        ->and($page)
        ->toContain(
            "“Everybody” is hardly bounded: {$wide} records in Alder, where the narrowest concept finds {$narrow}.",
        )
        ->toContain('“Sleep disorders” has no term yet.')
        ->toContain('>Sleep disorders</button>')
        ->toContain('Comparison stands open.');
});

it(
    'looks for what a concept asks, not for the label it stands under, and sends a heading to its own concept',
    function () {
        Standin::answers();
        $world = new World();
        $this->artisan('heron:thesauri');
        $world->review->concepts()->delete();
        $world->review
            ->concepts()
            ->createMany([
                ['kind' => 'population', 'text' => 'nurses on nights'],
                ['kind' => 'intervention', 'text' => 'naps'],
                ['kind' => 'outcome', 'text' => 'tired people living at night'],
            ]);
        $lines = new Lines([
            new StrategyLine('a', '', 'Population'),
            new StrategyLine('b', '', 'Intervention: naps'),
            new StrategyLine('c', '', 'Outcome: people living at night'),
        ]);
        $page = boardOf($world, $lines);
        $offered = fn (string $block): array => preg_match_all(
            '/data-label="([^"]+)" data-block="'.$block.'"/',
            html_entity_decode($page),
            $found,
        ) > 0
            ? $found[1]
            : [];
        expect($offered('a'))
            ->toBe(['Nursing staff', 'Night work'])
            ->and($offered('b'))
            ->toBe(['Napping at work'])
            ->and($offered('c'))
            ->not->toContain('Rural population')
            ->not->toContain('Population');
    },
);
