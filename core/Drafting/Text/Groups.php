<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting\Text;

use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Reading\ConceptMatch;
use WaryHeron\Core\Scouting\Reading\RecordSentence;
use WaryHeron\Core\Scouting\Reading\SentencePart;

/** The papers that answer, by outcome and by what they say of it. */
final readonly class Groups
{
    /** A sentence speaks of an outcome from here on. */
    private const NAMED = 0.5;

    /**
     * @param  array<string, array<string, list<DraftPaper>>>  $all  by outcome, then direction ('' where a question has none)
     * @param  list<DraftPaper>  $silent  that meet the criteria and answer nothing
     */
    private function __construct(public array $all, public array $silent)
    {
    }

    public static function of(DraftFacts $facts): self
    {
        $outcomes = $facts->question->of(ConceptRole::Outcome);
        $all = array_fill_keys(array_map(fn (AskedConcept $one): string => $one->text, $outcomes), []);
        $silent = [];
        foreach ($facts->papers as $paper) {
            if ($paper->sentence === '') {
                $silent[] = $paper;

                continue;
            }
            $says = $facts->question->kind->hasDirection() ? ($paper->direction ?? Direction::Unclear)->value : '';
            foreach (self::named($outcomes, $paper->sentence) as $outcome) {
                $all[$outcome][$says][] = $paper;
            }
        }

        return new self(array_map(self::ordered(...), array_filter($all)), $silent);
    }

    /** @return array<string, list<DraftPaper>> of all outcomes together, each paper once */
    public function bySaying(): array
    {
        $together = [];
        foreach ($this->all as $groups) {
            foreach ($groups as $says => $papers) {
                foreach ($papers as $paper) {
                    $together[$says][$paper->id] = $paper;
                }
            }
        }

        return self::ordered(array_map(array_values(...), $together));
    }

    /**
     * @param  list<AskedConcept>  $outcomes
     * @return list<string> of which a sentence speaks; the first where it names none in their words
     */
    private static function named(array $outcomes, string $sentence): array
    {
        $read = new RecordSentence($sentence, SentencePart::Untold, 0.5);
        $named = array_filter(
            $outcomes,
            fn (AskedConcept $one): bool => ConceptMatch::of($one, $read)->share >= self::NAMED,
        );

        return array_values(array_unique(array_map(
            fn (AskedConcept $one): string => $one->text,
            $named === [] ? array_slice($outcomes, 0, 1) : $named,
        )));
    }

    /**
     * @param  array<string, list<DraftPaper>>  $groups
     * @return array<string, list<DraftPaper>> what most say first, the unclear last
     */
    private static function ordered(array $groups): array
    {
        uksort($groups, fn (string $a, string $b): int => [$a === Direction::Unclear->value, count($groups[$b]), $a]
            <=> [$b === Direction::Unclear->value, count($groups[$a]), $b]);

        return $groups;
    }
}
