<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/** Finds the records that are one publication among many: blocks, compares, weighs, and forms consistent groups. */
final class Matcher
{
    /** Fewer are a heading such as "Letter to the editor". */
    private const WORDS_OF_A_TITLE = 5;

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
        $compared = [];
        $patterns = [];
        $recurrent = [];
        $shared = [];
        foreach (Blocking::pairs($prints) as [$a, $b]) {
            $comparison = $this->comparator->compare($prints[$a], $prints[$b]);
            if (
                $comparison->level(MatchField::Doi) === 1 &&
                $comparison->level(MatchField::Title) === 7 &&
                ($comparison->level(MatchField::Authors) >= 3 || $comparison->has(Conflict::Pages))
            ) {
                $shared[$prints[$a]->doi] = true;
            }
            if ($comparison->level(MatchField::Title) <= 4 && $comparison->level(MatchField::Title) > 0) {
                $compared[] = [$a, $b, $comparison->code];
                if (self::standApart($comparison)) {
                    $recurrent[$prints[$a]->title->text] = true;
                    $recurrent[$prints[$b]->title->text] = true;
                }
            } else {
                $patterns[$comparison->pattern()] = ($patterns[$comparison->pattern()] ?? 0) + 1;
                if (
                    $comparison->level(MatchField::Doi) === 1 ||
                    $comparison->level(MatchField::Pages) === 1 ||
                    $comparison->level(MatchField::Title) === 5 ||
                    $comparison->level(MatchField::Title) === 6
                ) {
                    $compared[] = [$a, $b, $comparison->code];
                }
            }
        }
        foreach ($prints as $print) {
            // a heading rather than a title: others bear it, whether they are in this review or not
            if (substr_count($print->title->text, ' ') < self::WORDS_OF_A_TITLE - 1) {
                $recurrent[$print->title->text] = true;
            }
        }
        $rarity = $this->rarity($prints, $recurrent);
        foreach ($compared as $i => [$a, $b, $code]) {
            $comparison = new Comparison($code);
            if ($shared !== [] && $comparison->level(MatchField::Doi) === 1 && isset($shared[$prints[$a]->doi])) {
                // the DOI of a whole supplement or book does not tell its parts apart
                $comparison = $comparison->without(MatchField::Doi);
                $compared[$i][2] = $comparison->code;
            }
            if (in_array($comparison->level(MatchField::Title), [1, 2, 3, 4], true)) {
                // what several publications bear must not teach that titles tell little
                $common = isset($rarity[$prints[$a]->title->text]) || isset($rarity[$prints[$b]->title->text]);
                $pattern = ($common ? $comparison->without(MatchField::Title) : $comparison)->pattern();
                $patterns[$pattern] = ($patterns[$pattern] ?? 0) + 1;
            }
        }
        $judge = new Judge($this->weights ?? Estimation::weights($patterns, Weights::starting()), $this->settings);
        $pairs = [];
        foreach ($compared as [$a, $b, $code]) {
            $comparison = new Comparison($code);
            $rare = min($rarity[$prints[$a]->title->text] ?? INF, $rarity[$prints[$b]->title->text] ?? INF);
            $rare = is_finite($rare) ? $rare : null;
            $score = $judge->score($comparison, $rare);
            if ($score >= min($this->floor ?? INF, $this->settings->ask)) {
                $pairs[] = new Pair(
                    $a,
                    $b,
                    $comparison,
                    $score,
                    $judge->verdict($comparison, $score, $rare !== null),
                    $rare,
                );
            }
        }
        usort($pairs, fn (Pair $x, Pair $y): int => $y->score <=> $x->score ?: $x->a <=> $y->a ?: $x->b <=> $y->b);

        return $this->grouped($prints, $pairs, $judge, $same, $different);
    }

    /**
     * @param  list<Fingerprint>  $prints
     * @param  array<string, true>  $recurrent  titles that several publications bear
     * @return array<string, float> log2 of how many records there are to one that bears the title
     */
    private function rarity(array $prints, array $recurrent): array
    {
        $bearing = [];
        foreach ($prints as $print) {
            if (isset($recurrent[$print->title->text])) {
                $bearing[$print->title->text] = ($bearing[$print->title->text] ?? 0) + 1;
            }
        }

        return array_map(fn (int $count): float => log(count($prints) / $count, 2), $bearing);
    }

    /** The same title at two places for certain: several publications bear it. */
    private static function standApart(Comparison $comparison): bool
    {
        if ($comparison->level(MatchField::Title) > 2 || $comparison->level(MatchField::Doi) === 1) {
            return false;
        }
        $apart = 0;
        foreach ([Conflict::Doi, Conflict::Pages, Conflict::Volume] as $conflict) {
            $apart += $comparison->has($conflict) ? 1 : 0;
        }
        $apart +=
            $comparison->level(MatchField::Journal) === 3 ||
            $comparison->level(MatchField::Year) === 3 ||
            $comparison->level(MatchField::Issue) === 2
                ? 1
                : 0;

        return $apart >= 2;
    }

    /**
     * @param  list<Fingerprint>  $prints
     * @param  list<Pair>  $pairs  best first
     * @param  list<array{string, string}>  $same
     * @param  list<array{string, string}>  $different
     */
    private function grouped(array $prints, array $pairs, Judge $judge, array $same, array $different): MatchResult
    {
        $places = [];
        foreach ($prints as $at => $print) {
            $places[$print->key] = $at;
        }
        $ruled = [];
        foreach ($different as [$a, $b]) {
            if (isset($places[$a], $places[$b])) {
                $ruled[min($places[$a], $places[$b])][max($places[$a], $places[$b])] = true;
            }
        }
        $contradict = fn (int $a, int $b): bool => isset($ruled[min($a, $b)][max($a, $b)]) ||
            $this->comparator->compare($prints[$a], $prints[$b])->contradicts();
        $clusters = new Clusters($contradict);
        foreach ($same as [$a, $b]) {
            if (isset($places[$a], $places[$b])) {
                $clusters->join($places[$a], $places[$b], true);
            }
        }
        $asked = [];
        foreach ($pairs as $pair) {
            if ($pair->verdict === Verdict::Certain && ! isset($ruled[$pair->a][$pair->b])) {
                if (! $clusters->join($pair->a, $pair->b)) {
                    $asked[] = $pair;
                }
            } elseif ($pair->verdict->asks() && ! isset($ruled[$pair->a][$pair->b])) {
                $asked[] = $pair;
            }
        }
        $asked = array_values(array_filter($asked, fn (Pair $pair): bool => ! $clusters->together($pair->a, $pair->b)));

        return new MatchResult($prints, $pairs, $clusters, $asked, $judge, $contradict);
    }
}
