<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Reading\SentencePart;
use WaryHeron\Core\Scouting\Reading\Signs;

/** Chooses the sentence that answers and reads which way it points, with the next best to bear it out. */
final readonly class AnswerReader
{
    /** How many sentences after the best are heard. */
    private const HEARD = 3;

    private DirectionReader $directions;

    public function __construct(private PlainQuestion $question)
    {
        $this->directions = new DirectionReader($question);
    }

    /** @param  non-empty-list<Candidate>  $candidates  best first */
    public function read(array $candidates): Answer
    {
        $best = $candidates[0];
        if (! $this->question->kind->hasDirection()) {
            return new Answer($best, null, 0);
        }
        $direction = $this->directions->read($best->sentence);
        $agreeing = 0;
        foreach ($this->others($candidates) as $other) {
            $its = $this->directions->read($other->sentence);
            $direction ??= $its;
            $agreeing += $its === null || $other->sentence->has(Signs::OTHERS) ? 0 : ($its === $direction ? 1 : -1);
        }

        return new Answer($best, $direction ?? Direction::Unclear, $agreeing);
    }

    /**
     * @param  non-empty-list<Candidate>  $candidates
     * @return list<Candidate>
     */
    private function others(array $candidates): array
    {
        $others = array_filter(
            array_slice($candidates, 1, self::HEARD),
            fn (Candidate $one): bool => $one->matches->share(ConceptRole::Outcome) >= 0.7 &&
                ! in_array(
                    $one->sentence->part,
                    [SentencePart::Aim, SentencePart::Method, SentencePart::Background],
                    true,
                ) &&
                ! $one->sentence->has(Signs::ASIDE),
        );

        return array_values($others);
    }
}
