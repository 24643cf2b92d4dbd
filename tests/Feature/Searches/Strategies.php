<?php

namespace Tests\Feature\Searches;

use App\Actions\Searches\ChangeStrategy;
use App\Models\Strategy;
use Tests\Feature\Standin;
use Tests\Feature\World;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** Strategies as tests need them, and what the databases say of a query. */
final class Strategies
{
    /** Two concepts, their words, and limits. */
    public const BOARD = [
        'heading:"Night work"',
        'night* NEAR/2 shift*',
        'any(#1-#2)',
        'lux',
        'title:light*',
        '#4 OR #5',
        '#3 AND #6',
        '#7 AND year:2005-2020',
        '#8 NOT type:"conference abstract"',
    ];

    /** @param  list<string>  $texts  lines of the strategy */
    public static function in(World $world, array $texts, array $sources = ['alder']): Strategy
    {
        $lines = array_map(
            fn (int $i, string $text): StrategyLine => new StrategyLine("l{$i}", $text),
            array_keys($texts),
            $texts,
        );

        return app(ChangeStrategy::class)->create(
            $world->people['specialist'],
            $world->review,
            'Lamps',
            $sources,
            [],
            new Lines($lines),
        );
    }

    public static function countAt(
        string $source,
        string $query,
        array $more = ['version' => '1.2', 'operation' => 'searchRetrieve'],
    ): int {
        $answer = Standin::ask($source, [...$more, 'query' => $query, 'maximumRecords' => '0']);

        return (int) (new \SimpleXMLElement($answer))->numberOfRecords;
    }
}
