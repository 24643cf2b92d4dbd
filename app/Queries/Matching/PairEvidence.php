<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use App\Models\Matching;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Matching\Comparison;
use WaryHeron\Core\Matching\Conflict;
use WaryHeron\Core\Matching\Evidence;
use WaryHeron\Core\Matching\Judge;
use WaryHeron\Core\Matching\MatchField;
use WaryHeron\Core\Matching\Rule\MatchRule;

/** What speaks for and against two publications being one: the best of the pairs of their records. */
final readonly class PairEvidence
{
    /**
     * @param  string  $letters  of the two, as "A and B"
     * @param  float  $score  bits
     * @param  list<PairPart>  $parts  what each field weighs
     * @param  list<string>  $against  what contradicts, in words
     * @param  string  $rule  why a person is asked, or why it is not joined, in a sentence
     */
    private function __construct(
        public string $letters,
        public float $score,
        public array $parts,
        public array $against,
        public string $rule,
    ) {
    }

    /**
     * @param  array<string, string>  $letterOf  the letter of its publication, by record
     * @return list<self> one for each two publications, in the order of their letters
     */
    public static function among(Matching $matching, array $letterOf): array
    {
        $judge = $matching->judge($matching->review->matchSettings());
        $best = [];
        foreach (self::pairs($matching, array_keys($letterOf)) as $pair) {
            $letters = [$letterOf[$pair->record_a], $letterOf[$pair->record_b]];
            sort($letters);
            if ($letters[0] !== $letters[1]) {
                $best[implode(' and ', $letters)] ??= $pair;
            }
        }
        ksort($best);

        return array_map(
            fn (string $letters, stdClass $pair): self => self::of($judge, $letters, $pair),
            array_keys($best),
            $best,
        );
    }

    /** How sure the weights are. */
    public function surety(): string
    {
        return self::percent($this->score).' likely the same, by the weights';
    }

    /** Bits as a chance, as the page about thresholds tells them. */
    public static function percent(float $bits): string
    {
        $percent = 100 * Judge::chance($bits);

        return match (true) {
            $percent > 99.9 => 'above 99.9 %',
            $percent < 0.1 => 'below 0.1 %',
            default => number_format($percent, $percent > 99 || $percent < 1 ? 1 : 0).' %',
        };
    }

    private static function of(Judge $judge, string $letters, stdClass $pair): self
    {
        $comparison = new Comparison((int) $pair->code);
        $rarity = $pair->rarity === null ? null : (float) $pair->rarity;
        $rule = MatchRule::deciding(new Evidence($comparison, $rarity !== null));

        return new self(
            $letters,
            round((float) $pair->score, 1),
            self::partsOf($judge, $comparison, $rarity),
            self::against($comparison, $rarity !== null),
            $rule->sentence(),
        );
    }

    /** @return list<PairPart> */
    private static function partsOf(Judge $judge, Comparison $comparison, ?float $rarity): array
    {
        $parts = [];
        foreach ($judge->parts($comparison, $rarity) as $name => $bits) {
            $field = MatchField::from($name);
            $level = $field->levels()[$comparison->level($field)][0];
            $parts[] = new PairPart($name, $level, round($bits, 1));
        }

        return $parts;
    }

    /** @return list<string> */
    private static function against(Comparison $comparison, bool $isCommonTitle): array
    {
        $against = array_map(
            fn (Conflict $conflict): string => $conflict->words(),
            Conflict::in($comparison->conflicts()),
        );

        return $isCommonTitle
            ? [...$against, 'Several publications of this review bear this title, so it tells little.']
            : $against;
    }

    /**
     * @param  list<string>  $records
     * @return iterable<stdClass> best first
     */
    private static function pairs(Matching $matching, array $records): iterable
    {
        return DB::table('match_pairs')
            ->where('review_id', $matching->review_id)
            ->where('matching_id', $matching->id)
            ->whereIn('record_a', $records)
            ->whereIn('record_b', $records)
            ->orderByDesc('score')
            ->get();
    }
}
