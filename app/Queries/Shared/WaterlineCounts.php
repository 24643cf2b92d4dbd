<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Models\Review;
use App\Queries\FullTexts\Retrievals;
use WaryHeron\Core\Screening\ItemState;

/** What flows through a review: how many are at each place of its Waterline, and what leaves there. */
final readonly class WaterlineCounts
{
    /**
     * @param  Tallies  $first  of the stage that everything comes to
     * @param  ?Tallies  $full  of that at which texts are read, where there is one
     * @param  int  $givenUp  reports of which no text could be had
     */
    private function __construct(
        private Review $review,
        public int $records,
        public int $publications,
        private Tallies $first,
        public ?Tallies $full,
        private int $givenUp,
    ) {
    }

    /** @param  array<string, Tallies>  $byStage */
    public static function of(Review $review, array $byStage, int $records): self
    {
        $first = $byStage[$review->firstStage()->id];
        $stage = Retrievals::stage($review);
        $full = $stage === null ? null : $byStage[$stage->id];
        $isGivenUp = $full !== null && $full->in(ItemState::Removed) > 0;
        $givenUp = $isGivenUp ? array_sum(Retrievals::givenUp($review)) : 0;

        return new self($review, $records, $first->all(), $first, $full, $givenUp);
    }

    public function left(): int
    {
        return $this->publications - $this->first->in(ItemState::Excluded);
    }

    public function sought(): int
    {
        return $this->full === null ? $this->included() : $this->full->all() + $this->givenUp;
    }

    public function inTheEnd(): int
    {
        return $this->full === null ? $this->included() : $this->full->in(ItemState::Included);
    }

    /** @return list<int> of the stream, from the records to what is pooled */
    public function widths(): array
    {
        $inTheEnd = $this->inTheEnd();

        return [
            $this->records,
            $this->records,
            $this->publications,
            $this->left(),
            $this->included(),
            $inTheEnd,
            $inTheEnd,
        ];
    }

    public function outOfRecords(): ?Outflow
    {
        $removed = $this->first->in(ItemState::Removed);
        $duplicates = $this->records - $this->publications - $removed;
        $words = array_filter([
            $duplicates > 0 ? number_format($duplicates).($duplicates === 1 ? ' duplicate' : ' duplicates') : '',
            $removed > 0 ? number_format($removed).' removed' : '',
        ]);

        return $this->out($words, 'library', $duplicates > 0 ? ['duplicates' => 1] : ['removed' => 1]);
    }

    public function outOfScreening(): ?Outflow
    {
        $excluded = $this->first->in(ItemState::Excluded);
        $words = $excluded > 0 ? [number_format($excluded).' excluded'] : [];

        return $this->out($words, 'library', ['state' => 'excluded']);
    }

    public function outOfFullTexts(): ?Outflow
    {
        $pending = $this->left() - $this->included();
        $words = $pending > 0 && $this->publications > 0 ? [number_format($pending).' pending'] : [];

        return $this->out($words, 'library', ['state' => 'pending']);
    }

    public function outOfCoding(): ?Outflow
    {
        if ($this->full === null) {
            return null;
        }
        $excluded = $this->full->in(ItemState::Excluded);
        $out = $excluded + $this->givenUp;
        $pending = $this->full->all() - $this->inTheEnd() - $excluded;
        $words = array_filter([
            $out > 0 ? number_format($out).' out' : '',
            $pending > 0 ? number_format($pending).' pending' : '',
        ]);

        return $this->out($words, 'full-texts', []);
    }

    private function included(): int
    {
        return $this->first->in(ItemState::Included);
    }

    /**
     * @param  array<string>  $words
     * @param  array<string, mixed>  $filter
     */
    private function out(array $words, string $place, array $filter): ?Outflow
    {
        return $words === []
            ? null
            : new Outflow(implode(', ', $words), route($place, [$this->review, ...$filter]));
    }
}
