<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Shared\Refused;
use App\Actions\Shared\TellPeople;
use App\Actions\Shared\WriteLog;
use App\Database\Copy;
use App\Database\Locks;
use App\Models\Review;
use App\Models\ShareOut;
use App\Models\Stage;
use App\Models\User;
use App\Notices\NoticeKind;
use App\Queries\Library\LibraryFilters;
use App\Queries\Screening\ShareOutDraft;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

/** Gives people their shares, all at once or not at all. */
final readonly class MakeShareOut
{
    public function __construct(private ChangeStage $stages, private WriteLog $log, private TellPeople $tell)
    {
    }

    /**
     * @param  array{pool: string, sample: ?int, percent: ?float, decisions: int, quotas: array<string, ?int>,
     *     weights?: array<string, float>, mode: string, seed: int}  $terms
     * @param  int  $expected  how many items the preview said
     *
     * @throws Refused If it cannot be shared so, or the pool is no longer what was seen.
     */
    public function execute(
        User $by,
        Stage $stage,
        LibraryFilters $filters,
        array $terms,
        string $name,
        int $expected,
    ): ShareOut {
        return DB::transaction(function () use ($by, $stage, $filters, $terms, $name, $expected): ShareOut {
            Locks::shareOutsOf($stage->review_id);
            $stage = Stage::query()->with('review')->findOrFail($stage->id);
            if ($stage->closed_at !== null) {
                throw new Refused('This stage is closed; nobody judges here any more.');
            }
            $draft = ShareOutDraft::of($stage, $filters, $terms);
            $plan = $draft->plan ?? throw new Refused($draft->problem);
            if (count($draft->publications) !== $expected) {
                throw new Refused(
                    'The pool has changed since the preview: it holds '.
                        number_format(count($draft->publications)).
                        ' now, not '.
                        number_format($expected).
                        '. Look at the preview again.',
                );
            }
            $stage =
                $terms['mode'] === 'everyone'
                    ? $this->calibration($by, $stage, count($terms['quotas']))
                    : $this->shared($by, $stage);
            $items = $this->items($stage, $draft->publications);
            $shareOut = ShareOut::query()->create([
                'review_id' => $stage->review_id,
                'stage_id' => $stage->id,
                'name' => $name,
                'seed' => $terms['seed'],
                'items' => count($items),
                'created_by' => $by->id,
                'terms' => [
                    ...$terms,
                    'pool_size' => $draft->pool,
                    'filters' => $filters->words(),
                ],
            ]);
            $rows = [];
            foreach ($plan->people as $publication => $people) {
                foreach ($people as $person) {
                    $rows[] = [
                        $stage->review_id,
                        $stage->id,
                        $items[$publication][0],
                        $person,
                        $shareOut->id,
                        $items[$publication][1],
                        $items[$publication][2],
                    ];
                }
            }
            Copy::into(
                'assignments',
                ['review_id', 'stage_id', 'item_id', 'user_id', 'share_out_id', 'position', 'waiting'],
                $rows,
            );
            ($this->log)(
                $stage->review_id,
                $by,
                'share-out.made',
                "Shared out “{$name}”: ".number_format(count($items)).' publications',
                $shareOut,
                ['per_person' => $plan->perPerson(), 'seed' => $terms['seed']],
            );
            ($this->tell)(
                array_values(array_diff(array_map(strval(...), array_keys($plan->perPerson())), [$by->id])),
                NoticeKind::ShareReady,
                $stage->review,
                "Your share at “{$stage->name}” is ready",
                route('desk', [$stage->review_id, 'stage' => $stage->id], false),
            );

            return $shareOut;
        });
    }

    /** Where everybody judged anything, each has their share from now on. */
    private function shared(User $by, Stage $stage): Stage
    {
        if ($stage->work !== 'shares') {
            $this->stages->change($by, $stage, ['work' => 'shares']);
        }

        return $stage->refresh();
    }

    private function calibration(User $by, Stage $stage, int $people): Stage
    {
        $number =
            1 +
            Stage::query()->where('review_id', $stage->review_id)->where('purpose', StagePurpose::Calibration)->count();

        return $this->stages->add(
            $by,
            Review::query()->findOrFail($stage->review_id),
            "Calibration {$number}",
            StagePurpose::Calibration,
            [
                'required_decisions' => $people,
                'work' => 'shares',
                'criteria' => $stage->criteria,
                'reason_required' => $stage->reason_required,
            ],
        );
    }

    /**
     * @param  list<string>  $publications
     * @return array<string, array{string, int, bool}> item, its position and whether it can be judged, by publication;
     *     stages of their own get them now
     */
    private function items(Stage $stage, array $publications): array
    {
        $in = '{'.implode(',', $publications).'}';
        $there = function () use ($stage, $in): array {
            $found = [];
            foreach (
                DB::select(
                    'SELECT publication_id, id, position, state FROM items WHERE review_id = ? AND stage_id = ? AND publication_id = ANY (?::bpchar[])',
                    [$stage->review_id, $stage->id, $in],
                ) as $row
            ) {
                $found[$row->publication_id] = [$row->id, $row->position, $row->state === ItemState::Waiting->value];
            }

            return $found;
        };
        $items = $there();
        $now = now()->toIso8601String();
        $rows = array_map(
            fn (string $id): array => [strtolower((string) Str::ulid()), $stage->review_id, $id, $stage->id, $now, $now],
            array_values(array_diff($publications, array_keys($items))),
        );
        Copy::into('items', ['id', 'review_id', 'publication_id', 'stage_id', 'created_at', 'updated_at'], $rows);

        return $rows === [] ? $items : $there();
    }
}
