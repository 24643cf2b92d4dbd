<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting;

use WaryHeron\Core\Scouting\Answer\AnswerFinder;
use WaryHeron\Core\Scouting\Answer\Candidate;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Reading\Evidence;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\Weights;

/** A record with its sentences in the order in which they answer a question, and how likely it does. */
final readonly class Weighed
{
    /** A letter about a paper that answers says so much less on the question. */
    private const REMARK = 0.6;

    /**
     * @param  list<Candidate>  $candidates  best first
     * @param  bool  $isRemark  it speaks of the question through another paper
     */
    private function __construct(
        public ReadRecord $record,
        public array $candidates,
        public Evidence $evidence,
        public float $score,
        public bool $isRemark = false,
    ) {
    }

    public static function of(PlainQuestion $question, ReadRecord $record): self
    {
        $candidates = (new AnswerFinder($question))->candidates($record);
        $evidence = Evidence::of($question, $record, $candidates);

        return new self($record, $candidates, $evidence, $candidates === [] ? 0.0 : Weights::score($evidence));
    }

    /**
     * Letters and corrections speak of the question through the paper that they are about, whose words they need not
     * repeat.
     *
     * @param  list<self>  $all
     * @param  float  $likely  from which score a paper is taken to answer
     * @return list<self>
     */
    public static function withRemarks(array $all, float $likely): array
    {
        $answering = array_filter($all, fn (self $one): bool => $one->score >= $likely);
        $remarks = Criticism::remarks(array_map(fn (self $one): ReadRecord => $one->record, $all));
        $isRemark = array_fill_keys(array_map(fn (ReadRecord $one): string => $one->id, $remarks), true);

        return array_map(
            fn (self $one): self => isset($isRemark[$one->record->id]) ? $one->liftedBy($answering) : $one,
            $all,
        );
    }

    /** @param  array<self>  $answering */
    private function liftedBy(array $answering): self
    {
        $score = $this->score;
        foreach ($answering as $other) {
            $isOther = $other->record->id !== $this->record->id && self::REMARK * $other->score > $score;
            if ($isOther && Criticism::isAbout($this->record, $other->record)) {
                $score = self::REMARK * $other->score;
            }
        }

        return new self($this->record, $this->candidates, $this->evidence, $score, $score > $this->score);
    }
}
