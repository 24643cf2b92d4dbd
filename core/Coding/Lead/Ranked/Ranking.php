<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Ranked;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Traps;

/**
 * Passages by how much they speak of an item (BM25; Robertson & Zaragoza 2009, Found Trends Inf Retr 3:333), its name
 * and its other words counting more than its guidance, and with what people took and turned down before.
 */
final readonly class Ranking
{
    private const K = 1.2;

    private const B = 0.6;

    /** @param  list<RankedPassage>  $ranked  best first, scores between 0 and 1 */
    private function __construct(private array $ranked)
    {
    }

    public static function of(AskedItem $item, Passages $paper): self
    {
        $asked = self::asked($item);
        $passages = $paper->told();
        $words = array_map(fn (Passage $one): array => array_count_values(Stems::of($one->text)), $passages);
        $length = max(1.0, array_sum(array_map(array_sum(...), $words)) / max(1, count($words)));
        $weights = self::weights($asked, $words);
        $ranked = [];
        $most = 0.0;
        foreach ($words as $i => $counts) {
            $score = self::score($weights, $counts, $length) * (1 + 0.4 * Traps::trust($passages[$i]->section));
            if ($score > 0) {
                $ranked[] = [$passages[$i], $score];
                $most = max($most, $score);
            }
        }
        usort($ranked, fn (array $a, array $b): int => $b[1] <=> $a[1]);

        return new self(
            array_map(fn (array $one): RankedPassage => new RankedPassage($one[0], $one[1] / $most), $ranked),
        );
    }

    /**
     * What each word that is asked for weighs: the more, the fewer passages hold it.
     *
     * @param  array<array-key, float>  $asked
     * @param  array<int, array<array-key, int>>  $words  counts by passage
     * @return array<array-key, float>
     */
    private static function weights(array $asked, array $words): array
    {
        $holding = array_fill_keys(array_keys($asked), 0);
        foreach ($words as $counts) {
            foreach (array_keys(array_intersect_key($counts, $asked)) as $word) {
                $holding[$word]++;
            }
        }
        $weights = [];
        foreach ($asked as $word => $weight) {
            $weights[$word] = $weight * log(1 + (count($words) - $holding[$word] + 0.5) / ($holding[$word] + 0.5));
        }

        return $weights;
    }

    /**
     * BM25 of one passage.
     *
     * @param  array<array-key, float>  $weights
     * @param  array<array-key, int>  $counts
     */
    private static function score(array $weights, array $counts, float $length): float
    {
        $score = 0.0;
        $norm = self::K * (1 - self::B + (self::B * array_sum($counts)) / $length);
        foreach ($weights as $word => $weight) {
            $n = $counts[$word] ?? 0;
            $score += $n === 0 ? 0.0 : ($weight * $n * (self::K + 1)) / ($n + $norm);
        }

        return $score;
    }

    /** @return list<RankedPassage> */
    public function best(int $most): array
    {
        return array_slice($this->ranked, 0, $most);
    }

    /** @return array<array-key, float> weights by stem */
    private static function asked(AskedItem $item): array
    {
        $asked = array_fill_keys(Stems::of($item->briefing->guidance), 0.25);
        foreach ([...$item->names, ...$item->briefing->synonyms] as $text) {
            $asked = array_fill_keys(Stems::of($text), 1.0) + $asked;
        }
        foreach ($item->briefing->learned as $stem => $weight) {
            $asked[$stem] = ($asked[$stem] ?? 0.0) + $weight;
        }

        return $asked;
    }
}
