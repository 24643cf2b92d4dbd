<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use App\Models\Matching;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\LazyCollection;
use WaryHeron\Core\Matching\Comparison;
use WaryHeron\Core\Matching\Judge;
use WaryHeron\Core\Matching\MatchSettings;
use WaryHeron\Core\Matching\MatchVerdict;

/** How many pairs weigh how much, told apart by what they can be at most, under settings that are only tried. */
final readonly class ScoreHistogram
{
    public const LOWEST = -2;

    public const HIGHEST = 40;

    /**
     * @param  array<int, array{certain: int, ask: int, apart: int}>  $bins  pairs by whole bits; the outermost hold
     *     what is beyond
     * @param  array<int, float>  $wrong  by bin: pairs expected to be joined wrongly, by the weights' own reckoning
     */
    private function __construct(public array $bins, public array $wrong, public int $records)
    {
    }

    public static function of(Matching $matching, MatchSettings $settings): self
    {
        $certain = $ask = $apart = array_fill_keys(range(self::LOWEST, self::HIGHEST), 0);
        $wrong = array_fill_keys(range(self::LOWEST, self::HIGHEST), 0.0);
        $judge = $matching->judge($settings);
        $isKept = $settings->emphasis == $matching->settings['emphasis'];
        foreach (self::pairs($matching) as $pair) {
            $score = $isKept ? (float) $pair->score : self::score($judge, $pair);
            $bin = max(self::LOWEST, min(self::HIGHEST, (int) floor($score)));
            $nature = MatchVerdict::from($pair->verdict);
            if ($nature === MatchVerdict::Certain) {
                $certain[$bin]++;
            } elseif ($nature->asks()) {
                $ask[$bin]++;
            } else {
                $apart[$bin]++;
            }
            $wrong[$bin] += $nature === MatchVerdict::Certain ? 1 - Judge::chance($score) : 0.0;
        }

        $bins = [];
        foreach (range(self::LOWEST, self::HIGHEST) as $bits) {
            $bins[$bits] = ['certain' => $certain[$bits], 'ask' => $ask[$bits], 'apart' => $apart[$bits]];
        }

        return new self($bins, $wrong, $matching->records);
    }

    /** @return LazyCollection<int, \stdClass> */
    private static function pairs(Matching $matching): LazyCollection
    {
        return DB::table('match_pairs')
            ->where('review_id', $matching->review_id)
            ->where('matching_id', $matching->id)
            ->select('code', 'rarity', 'verdict', 'score')
            ->cursor();
    }

    private static function score(Judge $judge, \stdClass $pair): float
    {
        return $judge->score(new Comparison((int) $pair->code), $pair->rarity === null ? null : (float) $pair->rarity);
    }

    public function counts(MatchSettings $settings): PairCounts
    {
        $alone = $people = $apart = 0;
        $wrong = 0.0;
        foreach ($this->bins as $bits => $pairs) {
            $isAlone = $bits >= $settings->certain;
            $isAsked = $bits >= $settings->ask;
            $alone += $isAlone ? $pairs['certain'] : 0;
            $wrong += $isAlone ? $this->wrong[$bits] : 0.0;
            $people += ($isAlone || ! $isAsked ? 0 : $pairs['certain']) + ($isAsked ? $pairs['ask'] : 0);
            $apart += ($isAsked ? 0 : $pairs['certain'] + $pairs['ask']) + $pairs['apart'];
        }

        return new PairCounts($alone, $people, $apart, $wrong);
    }
}
