<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/** Finds the records that are one publication among many: blocks, compares, weighs, and forms consistent groups. */
final class Matcher
{
    private readonly Comparator $comparator;

    /** @param  ?float  $floor  bits from which pairs are told, if fewer than those people are asked about */
    public function __construct(
        private readonly MatchSettings $settings = new MatchSettings(),
        private readonly ?Weights $weights = null,
        private readonly ?float $floor = null,
    ) {
        $this->comparator = new Comparator();
    }

    /**
     * @param  list<Fingerprint>  $prints  with keys of their own
     * @param  list<array{string, string}>  $same  pairs of keys that people ruled to be one publication
     * @param  list<array{string, string}>  $different  pairs of keys that people ruled to be two
     */
    public function match(array $prints, array $same = [], array $different = []): MatchResult
    {
        usort($prints, fn (Fingerprint $a, Fingerprint $b): int => strcmp($a->key, $b->key));
        $compared = new ComparedPairs($prints);
        foreach (Blocking::pairs($prints) as [$a, $b]) {
            $compared->add($a, $b, $this->comparator->compare($prints[$a], $prints[$b]));
        }
        $compared->close();
        $weights = $this->weights ?? Estimation::weights($compared->patterns(), Weights::starting());
        $judge = new Judge($weights, $this->settings);

        return $this->grouped($prints, $this->judged($compared, $judge), $judge, $same, $different);
    }

    /** @return list<Pair> best first, down to the floor */
    private function judged(ComparedPairs $compared, Judge $judge): array
    {
        $floor = min($this->floor ?? INF, $this->settings->ask);
        $pairs = [];
        foreach ($compared->pairs() as [$a, $b, $comparison]) {
            $rarity = $compared->rarity($a, $b);
            $score = $judge->score($comparison, $rarity);
            if ($score >= $floor) {
                $verdict = $judge->verdict($comparison, $score, $rarity !== null);
                $pairs[] = new Pair($a, $b, $comparison, $score, $verdict, $rarity);
            }
        }
        usort($pairs, fn (Pair $x, Pair $y): int => $y->score <=> $x->score ?: $x->a <=> $y->a ?: $x->b <=> $y->b);

        return $pairs;
    }

    /**
     * @param  list<Fingerprint>  $prints
     * @param  list<Pair>  $pairs  best first
     * @param  list<array{string, string}>  $same
     * @param  list<array{string, string}>  $different
     */
    private function grouped(array $prints, array $pairs, Judge $judge, array $same, array $different): MatchResult
    {
        $places = array_flip(array_map(fn (Fingerprint $print): string => $print->key, $prints));
        $ruled = self::ruled($different, $places);
        $areRuled = fn (int $a, int $b): bool => isset($ruled[min($a, $b)][max($a, $b)]);
        $contradict = fn (int $a, int $b): bool => $areRuled($a, $b) ||
            $this->comparator->compare($prints[$a], $prints[$b])->contradicts();
        $clusters = new Clusters($contradict);
        foreach ($same as [$a, $b]) {
            if (isset($places[$a], $places[$b])) {
                $clusters->join($places[$a], $places[$b], true);
            }
        }
        $asked = [];
        foreach ($pairs as $pair) {
            $isOpen = ! isset($ruled[$pair->a][$pair->b]);
            $isJoined = $isOpen && $pair->verdict === MatchVerdict::Certain && $clusters->join($pair->a, $pair->b);
            if ($isOpen && ! $isJoined && $pair->verdict !== MatchVerdict::Apart) {
                $asked[] = $pair;
            }
        }
        $asked = array_values(array_filter($asked, fn (Pair $pair): bool => ! $clusters->together($pair->a, $pair->b)));

        return new MatchResult($prints, $pairs, $clusters, $asked, $judge, $areRuled);
    }

    /**
     * @param  list<array{string, string}>  $different
     * @param  array<string, int>  $places
     * @return array<int, array<int, true>> pairs that people ruled to be two, the smaller place first
     */
    private static function ruled(array $different, array $places): array
    {
        $ruled = [];
        foreach ($different as [$a, $b]) {
            if (isset($places[$a], $places[$b])) {
                $ruled[min($places[$a], $places[$b])][max($places[$a], $places[$b])] = true;
            }
        }

        return $ruled;
    }
}
