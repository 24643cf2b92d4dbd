<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Shared\Refused;
use App\Actions\Shared\Shown;
use App\Actions\Shared\WriteLog;
use App\Database\Locks;
use App\Models\Review;
use App\Models\Stage;
use App\Models\User;
use App\Queries\Screening\Ballots;
use App\Queries\Shared\StageItems;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

/** Sets up the stages of screening. What a change of rule does to the items is said before it is made. */
final readonly class ChangeStage
{
    /** Who judges what, and who settles, makes no item stand otherwise. */
    private const WITHOUT_EFFECT = ['name', 'work', 'settled_by', 'names_hidden', 'reason_required', 'target'];

    private const PART = 5000;

    public function __construct(private WriteLog $log)
    {
    }

    /** @param  array<string, mixed>  $rules  keys of Stage::RULES */
    public function add(User $by, Review $review, string $name, StagePurpose $purpose, array $rules): Stage
    {
        return $review->whileLocked(function () use ($by, $review, $name, $purpose, $rules): Stage {
            if ($purpose->isOnTheLine() && $review->stages()->where('purpose', $purpose)->exists()) {
                throw new Refused('This review has such a stage already. Change its rules instead.');
            }
            $position =
                $purpose === StagePurpose::Titles ? $this->room($review) : 1 + (int) $review->stages()->max('position');
            $stage = $review
                ->stages()
                ->create(['position' => $position, 'name' => $name, 'purpose' => $purpose, ...$rules])
                ->refresh();
            ($this->log)($review, $by, 'stage.added', "Added the stage “{$name}”", $stage, [
                'purpose' => $purpose->value,
                ...$rules,
            ]);
            $review->unsetRelation('stages');
            $purpose === StagePurpose::Titles
                ? TitlesFirst::begin($this->alone($review->firstStage()), $stage)
                : NextStage::follow($review->firstStage(), null);

            return $stage;
        });
    }

    /** @return int the first place, from which the others have moved on */
    private function room(Review $review): int
    {
        foreach (Stage::query()->where('review_id', $review->id)->orderByDesc('position')->get() as $stage) {
            $stage->update(['position' => $stage->position + 1]);
        }

        return 1;
    }

    /**
     * What the items would become under other rules.
     *
     * @param  array<string, mixed>  $rules  keys of Stage::RULES and closed_at
     * @return array<string, int> number of items by "before → after", only those that change
     */
    public function effect(Stage $stage, array $rules): array
    {
        return $this->counted($this->changes($stage, $this->changed($stage, $rules)));
    }

    /**
     * @param  array<string, mixed>  $rules  keys of Stage::RULES, name and target
     *
     * @throws Refused If the rules are no longer as they were shown.
     */
    public function change(User $by, Stage $stage, array $rules, Shown $shown = new Shown()): void
    {
        DB::transaction(function () use ($by, $stage, $rules, $shown): void {
            $stage = $this->alone($stage);
            $did = "changed the rules of “{$stage->name}”";
            $shown->orOvertaken($stage->ruled(), $by, $stage, 'stage.changed', $did);
            $before = $stage->only(array_keys($rules));
            $isPlain = array_diff(array_keys($rules), self::WITHOUT_EFFECT) === [];
            $effect = $isPlain ? [] : $this->apply($stage, $rules);
            $isPlain && $stage->update($rules);
            $about = ['before' => $before, 'after' => $rules, 'items' => $effect];
            ($this->log)($stage->review_id, $by, 'stage.changed', ucfirst($did), $stage, $about);
        });
    }

    /** Ends the judging: what lacks decisions opens as it is, to be settled. */
    public function close(User $by, Stage $stage): void
    {
        DB::transaction(function () use ($by, $stage): void {
            $stage = $this->alone($stage);
            if ($stage->closed_at !== null) {
                throw new Refused('This stage has been closed.');
            }
            $effect = $this->apply($stage, ['closed_at' => now(), 'closed_by' => $by->id]);
            ($this->log)(
                $stage->review_id,
                $by,
                'stage.closed',
                "Closed the stage “{$stage->name}”, which opened what was left",
                $stage,
                ['items' => $effect],
            );
        });
    }

    /** @throws Refused If anything was decided at it. */
    public function remove(User $by, Stage $stage): void
    {
        DB::transaction(function () use ($by, $stage): void {
            $stage = $this->alone($stage);
            $of = fn (string $table): Builder => DB::table($table)
                ->where('review_id', $stage->review_id)
                ->where('stage_id', $stage->id);
            $judged = fn (string $table): bool => $of($table)->exists();
            if ($stage->purpose === StagePurpose::TitleAbstract || $judged('decisions') || $judged('settlements')) {
                throw new Refused('A stage at which people have judged stays, and so does the first.');
            }
            foreach (['assignments', 'share_outs', 'item_claims', 'items', 'tallies'] as $table) {
                $of($table)->delete();
            }
            if ($stage->purpose === StagePurpose::Titles) {
                TitlesFirst::end($this->alone($stage->review->firstStage()));
            }
            $words = "Removed the stage “{$stage->name}”, at which nobody had judged";
            ($this->log)($stage->review_id, $by, 'stage.removed', $words, $stage);
            $stage->delete();
        });
    }

    /** Lets every item stand as its decisions and settlements say. */
    public function recount(Stage $stage): void
    {
        $this->apply($stage, []);
    }

    /** Nobody decides at the stage meanwhile. */
    public function alone(Stage $stage): Stage
    {
        Locks::stage($stage->id);

        return $stage->locked();
    }

    /** @param  array<string, mixed>  $rules */
    private function changed(Stage $stage, array $rules): Stage
    {
        $changed = $stage->replicate()->fill($rules);
        $changed->id = $stage->id;
        $changed->setRelation('review', $stage->review);

        return $changed;
    }

    /**
     * @param  array<string, mixed>  $rules
     * @return array<string, int>
     */
    private function apply(Stage $stage, array $rules): array
    {
        $changes = iterator_to_array($this->changes($stage, $this->changed($stage, $rules)));
        $stage->update($rules);
        $rows = array_map(
            fn (string $id, ChangedItem $change): array => ['id' => $id, ...$change->now, 'open' => $change->isOpen],
            array_keys($changes),
            $changes,
        );
        foreach (array_chunk($rows, self::PART) as $part) {
            self::write($stage, $part);
        }
        // decisions on what was found to be another publication are read when that one is
        DB::update(
            <<<'SQL'
            UPDATE items folded SET opened_at = kept.opened_at FROM publications, items kept
            WHERE folded.review_id = ? AND folded.stage_id = ? AND folded.state = ? AND publications.id = folded.publication_id
                AND kept.publication_id = publications.merged_into AND kept.stage_id = folded.stage_id AND folded.opened_at IS DISTINCT FROM kept.opened_at
            SQL
            ,
            [$stage->review_id, $stage->id, ItemState::Folded->value],
        );
        NextStage::follow($stage, null);

        return $this->counted($changes);
    }

    /** @param  list<array<string, mixed>>  $items  as each stands now */
    private static function write(Stage $stage, array $items): void
    {
        DB::update(
            <<<'SQL'
            UPDATE items SET state = c.state, kind = c.kind, settled = c.settled, criterion_id = c.criterion_id, opened_at = CASE WHEN c.open THEN coalesce(items.opened_at, now()) END, updated_at = now()
            FROM jsonb_to_recordset(?::jsonb) AS c (id text, state text, kind text, settled boolean, criterion_id text, open boolean) WHERE items.review_id = ? AND items.id = c.id
            SQL
            ,
            [json_encode($items, JSON_THROW_ON_ERROR), $stage->review_id],
        );
    }

    /**
     * @param  iterable<string, ChangedItem>  $changes
     * @return array<string, int> number of items by "before → after", only where the state changes
     */
    private function counted(iterable $changes): array
    {
        $effect = [];
        foreach ($changes as $change) {
            if ($change->before !== $change->now['state']) {
                $way = "{$change->before} → {$change->now['state']}";
                $effect[$way] = ($effect[$way] ?? 0) + 1;
            }
        }
        ksort($effect);

        return $effect;
    }

    /** @return \Generator<string, ChangedItem> the items that another rule changes */
    private function changes(Stage $stage, Stage $changed): \Generator
    {
        $criteria = array_flip($changed->places());
        $after = '';
        do {
            $items = self::judged($stage, $after);
            $ballots = Ballots::of($changed, array_column($items, 'id'));
            foreach ($items as $item) {
                /** @var stdClass $item */
                $change = ChangedItem::of($item, $ballots[$item->id]->outcome(), $criteria);
                if ($change !== null) {
                    yield $item->id => $change;
                }
                $after = $item->id;
            }
        } while (count($items) === self::PART);
    }

    /** @return list<stdClass> the next ones of those that decisions may make stand otherwise */
    private static function judged(Stage $stage, string $after): array
    {
        return array_values(StageItems::of($stage)
            ->whereNotIn('state', [ItemState::Folded->value, ItemState::Removed->value, ItemState::Awaited->value])
            ->when($stage->after_titles, fn (Builder $some): Builder => TitlesFirst::withoutExcluded($some))
            ->where('id', '>', $after)
            ->orderBy('id')
            ->limit(self::PART)
            ->get(['id', 'state', 'kind', 'settled', 'criterion_id'])
            ->all());
    }
}
