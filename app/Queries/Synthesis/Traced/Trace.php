<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Traced;

use App\Models\Publication;
use App\Models\Result;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Queries\Synthesis\PooledRow;
use Illuminate\Support\Collection;
use stdClass;

/** From a study in an analysis back to the words its numbers rest on, why it is in, and which search line found it. */
final readonly class Trace
{
    public function __construct(private Review $review, private PooledRow $row)
    {
    }

    /**
     * @param  array<string, Result>  $results  by id
     * @return list<TracedResult>
     */
    public function numbers(array $results, ReviewOutcome $outcome): array
    {
        return array_map(
            fn (string $id): TracedResult => TracedResult::of($results[$id], $outcome),
            array_values($this->row->chosen->rows),
        );
    }

    /** @return Collection<int, stdClass> the stages at which it was included, with name and day */
    public function inclusions(): Collection
    {
        return $this->provenance()->inclusions($this->row->publication);
    }

    /** @return Collection<int, stdClass> the records that it came as, with source, day and line */
    public function records(): Collection
    {
        return $this->provenance()->records($this->row->publication);
    }

    /** @return list<UsedPlace> where the study is used */
    public function uses(): array
    {
        return WhereUsed::in($this->review)->study(Publication::query()->findOrFail($this->row->publication));
    }

    private function provenance(): Provenance
    {
        return once(fn (): Provenance => Provenance::of($this->review, [$this->row->publication]));
    }
}
