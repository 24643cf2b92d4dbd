<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

use WaryHeron\Core\Matching\Rule\MatchRule;

/**
 * Says of a comparison what it weighs and what follows. The weight alone never joins two records against a conflict:
 * what contradicts is asked about where the place of publication is the same all the same, and left apart otherwise.
 */
final class Judge
{
    /** @var list<array<int, float>> */
    private array $table;

    private readonly float $prior;

    public function __construct(public readonly Weights $weights, public readonly MatchSettings $settings)
    {
        $this->table = $weights->table();
        foreach (MatchField::cases() as $place => $field) {
            $this->table[$place] = array_map(
                fn (float $bits): float => $bits * $settings->emphasis($field),
                $this->table[$place],
            );
        }
        $this->prior = $weights->prior;
    }

    /**
     * Bits for one publication, the odds before any comparison included.
     *
     * @param  ?float  $rarity  of a title that several publications bear: log2 of how many records there are to one
     *     that bears it; agreeing on it
     *                          weighs no more (Winkler's weights by frequency, 1989)
     */
    public function score(Comparison $comparison, ?float $rarity = null): float
    {
        return $this->prior + array_sum($this->parts($comparison, $rarity));
    }

    /** How likely it is that the two are one publication, by the weights alone. */
    public static function chance(float $score): float
    {
        return 1 / (1 + 2 ** -$score);
    }

    /** @return array<string, float> bits by field, without those that could not be compared */
    public function parts(Comparison $comparison, ?float $rarity = null): array
    {
        $parts = [];
        foreach (MatchField::cases() as $place => $field) {
            $level = $comparison->level($field);
            if ($level !== 0) {
                $parts[$field->value] = $this->table[$place][$level] ?? 0.0;
            }
        }
        if ($rarity !== null && isset($parts[MatchField::Title->value])) {
            $parts[MatchField::Title->value] = min(
                $parts[MatchField::Title->value],
                $rarity * $this->settings->emphasis(MatchField::Title),
            );
        }

        return $parts;
    }

    /**
     * @param  bool  $recurrent  the title is borne by several publications, so that it must be the place that tells
     */
    public function verdict(Comparison $comparison, float $score, bool $recurrent = false): MatchVerdict
    {
        return $this->settled($this->nature($comparison, $recurrent), $score);
    }

    /** The verdict at these thresholds on a pair that may be as much as its nature says. */
    public function settled(MatchVerdict $nature, float $score): MatchVerdict
    {
        return match (true) {
            $score < $this->settings->ask => MatchVerdict::Apart,
            $nature === MatchVerdict::Certain && $score < $this->settings->certain => MatchVerdict::Likely,
            default => $nature,
        };
    }

    /** What a pair can be at most, whatever it weighs. */
    public function nature(Comparison $comparison, bool $recurrent = false): MatchVerdict
    {
        $evidence = new Evidence($comparison, $recurrent);

        foreach (MatchRule::cases() as $rule) {
            $verdict = $rule->verdict($evidence);
            if ($verdict !== null) {
                return $verdict;
            }
        }

        return MatchVerdict::Doubtful;
    }
}
