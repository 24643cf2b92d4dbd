<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Traced;

use App\Models\Publication;
use App\Models\Result;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Queries\Synthesis\PooledRow;
use App\Queries\Synthesis\Reckoned;
use Illuminate\Support\Collection;
use stdClass;
use WaryHeron\Core\Coding\Evidence;

/** From a study in an analysis back to the words its numbers rest on, why it is in, and which search line found it. */
final readonly class Trace
{
    public function __construct(private Review $review, private PooledRow $row)
    {
    }

    /**
     * @param  array<string, Result>  $results  by id
     * @return list<array{result: Result, numbers: list<array{label: string, given: string, evidence: list<Evidence>}>,
     *     reckoned: array<string, mixed>}>
     */
    public function numbers(array $results, ReviewOutcome $outcome): array
    {
        $numbers = [];
        foreach ($this->row->chosen->rows as $id) {
            $result = $results[$id];
            $reckoned = new Reckoned($result, $outcome);
            $pieces = $result->pieces();
            $told = [];
            foreach ($reckoned->fields() as $field) {
                if (($result->given[$field->key] ?? '') !== '') {
                    $group = ['', 'intervention', 'comparator'][$field->arm];
                    $told[] = [
                        'label' => trim("{$field->label}".($group === '' ? '' : ", {$group}")),
                        'given' => $result->given[$field->key],
                        'evidence' => $pieces[$field->key] ?? [],
                    ];
                }
            }
            $numbers[] = ['result' => $result, 'numbers' => $told, 'reckoned' => $reckoned->toArray()];
        }

        return $numbers;
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
