<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\KeptAnalysis;
use App\Models\Result;
use App\Models\Review;
use App\Models\ReviewOutcome;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Screening\ItemState;

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
        return DB::table('items')
            ->join('stages', 'stages.id', '=', 'items.stage_id')
            ->where('items.review_id', $this->review->id)
            ->where('items.publication_id', $this->row->publication)
            ->where('items.state', ItemState::Included->value)
            ->orderBy('stages.position')
            ->get(['stages.name', 'items.opened_at', 'items.settled', 'items.id']);
    }

    /** @return Collection<int, stdClass> the records that it came as, with source, day and line */
    public function records(): Collection
    {
        return DB::table('records')
            ->join('deliveries', 'deliveries.id', '=', 'records.delivery_id')
            ->leftJoin('runs', 'runs.id', '=', 'deliveries.run_id')
            ->where('records.review_id', $this->review->id)
            ->where('records.publication_id', $this->row->publication)
            ->whereNull('records.withdrawn_at')
            ->orderBy('records.id')
            ->get([
                'deliveries.source_name',
                'deliveries.searched_on',
                'deliveries.id AS delivery_id',
                'records.line',
                'runs.id AS run_id',
                DB::raw("runs.lines -> -1 ->> 'text' AS last_line"),
                DB::raw("runs.lines -> -1 ->> 'number' AS last_number"),
            ]);
    }

    /** @return list<KeptAnalysis> the analyses that have a result of this study */
    public function uses(): array
    {
        $of = DB::table('standing_results')
            ->where('review_id', $this->review->id)
            ->where('publication_id', $this->row->publication)
            ->pluck('outcome_id')
            ->all();
        $all = KeptAnalysis::query()->where('review_id', $this->review->id)->whereNull('retired_at')->orderBy('id')->get();

        return array_values($all->filter(fn (KeptAnalysis $one): bool => in_array($one->asked()->outcome, $of, true))->all());
    }
}
