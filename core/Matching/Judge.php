<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

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
    public function verdict(Comparison $comparison, float $score, bool $recurrent = false): Verdict
    {
        return $this->settled($this->nature($comparison, $recurrent), $score);
    }

    /** The verdict at these thresholds on a pair that may be as much as its nature says. */
    public function settled(Verdict $nature, float $score): Verdict
    {
        return match (true) {
            $score < $this->settings->ask => Verdict::Apart,
            $nature === Verdict::Certain && $score < $this->settings->certain => Verdict::Likely,
            default => $nature,
        };
    }

    /** What a pair can be at most, whatever it weighs: what contradicts is no question of weight. */
    public function nature(Comparison $comparison, bool $recurrent = false): Verdict
    {
        $level = $comparison->level(...);
        $doi = $level(MatchField::Doi) === 1;
        $title = $level(MatchField::Title);
        $page = $level(MatchField::Pages) === 1;
        $volume = in_array($level(MatchField::Volume), [1, 2], true);
        $journal = in_array($level(MatchField::Journal), [1, 2], true);
        $samePlace = $page && $volume && $level(MatchField::Journal) !== 3;
        $like =
            $title !== 0 &&
            $title <= 4 &&
            (! $recurrent || $level(MatchField::Authors) <= 2 || ($doi && ($page || $volume)));

        if ($comparison->has(Conflict::Kind) || $comparison->has(Conflict::Part)) {
            return ($doi || $samePlace) &&
                ! $comparison->has(Conflict::Pages) &&
                ! $comparison->has(Conflict::Doi) &&
                $like &&
                ! $comparison->has(Conflict::Part)
                ? Verdict::Doubtful
                : Verdict::Apart;
        }
        if ($comparison->has(Conflict::Words)) {
            return ($doi && ! $comparison->has(Conflict::Pages)) || ($samePlace && ! $comparison->has(Conflict::Doi))
                ? Verdict::Doubtful
                : Verdict::Apart;
        }
        // one number alone against all the rest is looked at
        $apart = self::hasOneSlip($comparison, $recurrent) ? Verdict::Doubtful : Verdict::Apart;
        if ($comparison->has(Conflict::Doi)) {
            return $samePlace && $like && $level(MatchField::Year) !== 3 ? Verdict::Likely : $apart;
        }
        if ($comparison->has(Conflict::Pages) || $comparison->has(Conflict::Year)) {
            return $doi && $like && ! $recurrent ? Verdict::Likely : $apart;
        }
        if (
            $comparison->has(Conflict::Volume) &&
            ! $doi &&
            ! ($page && $like && $level(MatchField::Volume) === 3 && $level(MatchField::Year) <= 1)
        ) {
            return $apart;
        }
        $confirmed = $doi || $samePlace || ($page && $journal && $like);
        if (($comparison->has(Conflict::Mark) || $comparison->has(Conflict::Genre)) && ! $confirmed) {
            return Verdict::Apart;
        }
        if ($recurrent && ! $confirmed) {
            $sameIssue =
                $volume &&
                $level(MatchField::Issue) === 1 &&
                $level(MatchField::Journal) === 1 &&
                $level(MatchField::Authors) === 1 &&
                $level(MatchField::Year) === 1 &&
                $title <= 2;

            return $sameIssue ? Verdict::Certain : Verdict::Apart;
        }
        if ($title === 7 && ! ($doi && $samePlace && $level(MatchField::Authors) === 1)) {
            return Verdict::Apart; // abstracts of one meeting share a page, and parts of one book a DOI
        }
        if ($level(MatchField::Authors) === 4 && ! $doi && ! $samePlace) {
            return Verdict::Apart;
        }
        $known = $like || ($title === 0 && $samePlace && $doi);
        if ($known && ($confirmed || ($title <= 2 && $level(MatchField::Issue) !== 2))) {
            return Verdict::Certain;
        }

        return $known || ($confirmed && $title !== 7) ? Verdict::Likely : Verdict::Doubtful;
    }

    /**
     * Whether one number alone stands against all the rest: a second DOI, a page or a volume mistyped. People have to
     * see it; it is as often two papers of one series.
     */
    private static function hasOneSlip(Comparison $comparison, bool $recurrent): bool
    {
        $level = $comparison->level(...);
        $conflicts = Conflict::in($comparison->conflicts());
        if (
            $recurrent ||
            count($conflicts) !== 1 ||
            $level(MatchField::Title) !== 1 ||
            $level(MatchField::Authors) !== 1 ||
            $level(MatchField::Journal) === 3 ||
            $level(MatchField::Issue) === 2
        ) {
            return false;
        }
        $samePage = in_array($level(MatchField::Pages), [1, 2], true);
        $sameVolume = $level(MatchField::Volume) === 1;

        return match ($conflicts[0]) {
            Conflict::Doi => $level(MatchField::Year) === 1 &&
                ($samePage || ($sameVolume && $level(MatchField::Issue) === 1)),
            Conflict::Pages => $level(MatchField::Year) === 1 && $sameVolume,
            Conflict::Volume => $level(MatchField::Year) <= 2 &&
                ($samePage || ($level(MatchField::Volume) === 3 && $level(MatchField::Issue) === 1)),
            default => false,
        };
    }
}
