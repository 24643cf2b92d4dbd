<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Stage;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use stdClass;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

/**
 * Takes what a calibration set ended with into the stage that it prepared: the decisions of the same people and what
 * was settled, on publications of which nobody has judged anything there. Nobody judges them twice.
 */
final readonly class CarryCalibration
{
    private const COPIED = ['user_id', 'verdict', 'criterion_id', 'note'];

    public function __construct(private ChangeStage $stages, private WriteLog $log)
    {
    }

    /** How many publications could be carried now. */
    public static function count(Stage $calibration): int
    {
        return $calibration->purpose === StagePurpose::Calibration
            ? self::ready($calibration, $calibration->review->firstStage())->count()
            : 0;
    }

    /** @return int how many publications were carried */
    public function execute(User $by, Stage $calibration): int
    {
        return DB::transaction(function () use ($by, $calibration): int {
            if ($calibration->purpose !== StagePurpose::Calibration) {
                throw new Refused('Only a calibration set is carried into a stage.');
            }
            $stage = $this->stages->alone($calibration->review->firstStage());
            $items = self::toCarry($calibration, $stage);
            $this->copied('decisions', $calibration, $stage, $items, ['answers']);
            $this->copied('settlements', $calibration, $stage, $items, ['how']);
            $this->stages->recount($stage);
            $n = number_format(count($items));
            $words = "Took {$n} publications of “{$calibration->name}” into “{$stage->name}”, as they ended";
            $about = ['items' => count($items)];
            ($this->log)($stage->review_id, $by, 'calibration.carried', $words, $calibration, $about);

            return count($items);
        });
    }

    /** @return array<string, string> items at the stage, by the item of the calibration */
    private static function toCarry(Stage $calibration, Stage $stage): array
    {
        $items = self::ready($calibration, $stage)
            ->select(['here.id AS here', 'there.id AS there'])
            ->pluck('there', 'here')
            ->all();

        return $items !== [] ? $items : throw new Refused(
            'Nothing is left to carry: what has ended here was judged at the stage already, or nothing has ended yet.',
        );
    }

    private static function ready(Stage $calibration, Stage $stage): Builder
    {
        return DB::table('items AS here')
            ->join(
                'items AS there',
                fn ($join) => $join
                    ->on('there.review_id', '=', 'here.review_id')
                    ->on('there.publication_id', '=', 'here.publication_id'),
            )
            ->where('here.review_id', $stage->review_id)
            ->where('here.stage_id', $calibration->id)
            ->whereIn('here.state', [ItemState::Included->value, ItemState::Excluded->value])
            ->where('there.stage_id', $stage->id)
            ->where('there.state', ItemState::Waiting->value)
            ->whereNotExists(
                fn (Builder $judged) => $judged
                    ->selectRaw('1')
                    ->from('decisions')
                    ->whereColumn('decisions.review_id', 'there.review_id')
                    ->whereColumn('decisions.item_id', 'there.id')
                    ->whereNull('decisions.superseded_at')
                    ->whereNotNull('decisions.verdict'),
            );
    }

    /**
     * @param  list<string>  $items
     * @return Collection<int, stdClass>
     */
    private static function standing(string $table, Stage $from, array $items): Collection
    {
        return DB::table($table)
            ->where('review_id', $from->review_id)
            ->where('stage_id', $from->id)
            ->whereIn('item_id', $items)
            ->whereNull('superseded_at')
            ->whereNotNull('verdict')
            ->get();
    }

    /**
     * @param  array<string, string>  $items
     * @param  list<string>  $more  columns besides
     */
    private function copied(string $table, Stage $from, Stage $to, array $items, array $more): void
    {
        $rows = [];
        $at = ['review_id' => $to->review_id, 'stage_id' => $to->id, 'created_at' => now()];
        foreach (self::standing($table, $from, array_keys($items)) as $one) {
            $own = ['id' => strtolower((string) Str::ulid()), 'item_id' => $items[$one->item_id]];
            $rows[] = $own + $at + array_intersect_key((array) $one, array_flip([...self::COPIED, ...$more]));
        }
        foreach (array_chunk($rows, 1000) as $part) {
            DB::table($table)->insert($part);
        }
    }
}
