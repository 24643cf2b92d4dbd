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
use App\Queries\Screening\ShareOut\ShareOutDraft;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\ShareOut\Plan;
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
            self::refuseChanged(count($draft->publications), $expected);
            $stage = $terms['mode'] === 'everyone'
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
                'terms' => [...$terms, 'pool_size' => $draft->pool, 'filters' => $filters->words()],
            ]);
            self::assign($shareOut, $plan, $items);
            $this->tellOf($by, $shareOut, $stage, $plan);

            return $shareOut;
        });
    }

    private static function refuseChanged(int $now, int $expected): void
    {
        if ($now !== $expected) {
            [$holds, $held] = [number_format($now), number_format($expected)];
            throw new Refused(
                "The pool has changed since the preview: it holds {$holds} now, not {$held}. Look at the preview again.",
            );
        }
    }

    /** @param  array<string, SharedItem>  $items  by publication */
    private static function assign(ShareOut $shareOut, Plan $plan, array $items): void
    {
        $columns = ['review_id', 'stage_id', 'item_id', 'user_id', 'share_out_id', 'position', 'waiting'];
        $rows = [];
        foreach ($plan->people as $publication => $people) {
            $item = $items[$publication];
            foreach ($people as $one) {
                $rows[] = [
                    $shareOut->review_id, $shareOut->stage_id, $item->id, $one, $shareOut->id, $item->position, $item->waits,
                ];
            }
        }
        Copy::into('assignments', $columns, $rows);
    }

    private function tellOf(User $by, ShareOut $shareOut, Stage $stage, Plan $plan): void
    {
        $words = "Shared out “{$shareOut->name}”: ".number_format($shareOut->items).' publications';
        $about = ['per_person' => $plan->perPerson(), 'seed' => $shareOut->seed];
        ($this->log)($stage->review_id, $by, 'share-out.made', $words, $shareOut, $about);
        $others = array_values(array_diff(array_map(strval(...), array_keys($plan->perPerson())), [$by->id]));
        $told = "Your share at “{$stage->name}” is ready";
        $where = route('desk', [$stage->review_id, 'stage' => $stage->id], false);
        ($this->tell)($others, NoticeKind::ShareReady, $stage->review, $told, $where);
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
     * @return array<string, SharedItem> by publication; stages of their own get them now
     */
    private function items(Stage $stage, array $publications): array
    {
        $items = self::there($stage, $publications);
        $now = now()->toIso8601String();
        $rows = array_map(
            fn (string $id): array => [strtolower((string) Str::ulid()), $stage->review_id, $id, $stage->id, $now, $now],
            array_values(array_diff($publications, array_keys($items))),
        );
        Copy::into('items', ['id', 'review_id', 'publication_id', 'stage_id', 'created_at', 'updated_at'], $rows);

        return $rows === [] ? $items : self::there($stage, $publications);
    }

    /**
     * @param  list<string>  $publications
     * @return array<string, SharedItem> by publication
     */
    private static function there(Stage $stage, array $publications): array
    {
        $rows = DB::select(
            <<<'SQL'
            SELECT publication_id, id, position, state FROM items
            WHERE review_id = ? AND stage_id = ? AND publication_id = ANY (?::bpchar[])
            SQL,
            [$stage->review_id, $stage->id, '{'.implode(',', $publications).'}'],
        );
        $found = [];
        foreach ($rows as $row) {
            $waits = $row->state === ItemState::Waiting->value;
            $found[$row->publication_id] = new SharedItem($row->id, $row->position, $waits);
        }

        return $found;
    }
}
