<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Draft;
use App\Models\DraftCriterion;
use App\Models\DraftItem;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Lead\Asked\PlainItem;
use WaryHeron\Core\Drafting\CriterionKind;
use WaryHeron\Core\Screening\CriterionAnswer;

/** What people change in a draft. Only what follows from it is worked out again. */
final readonly class ChangeDraft
{
    private const MOST_CRITERIA = 12;

    private const MOST_ITEMS = 30;

    private const DEEPEST = 1000;

    public function __construct(private WriteLog $log, private RunDraft $run)
    {
    }

    public function addCriterion(User $by, Draft $draft, CriterionKind $kind, string $words): void
    {
        $this->changed($by, $draft, "Added a criterion to the draft: {$words}", function (Draft $draft) use ($by, $kind, $words): void {
            if ($draft->criteria()->count() >= self::MOST_CRITERIA) {
                throw new Refused(
                    'A draft asks no more than '.self::MOST_CRITERIA.' criteria. Reword or switch off one of them.',
                );
            }
            $draft->criteria()->create([
                'review_id' => $draft->review_id,
                'position' => 1 + (int) $draft->criteria()->max('position'),
                'kind' => $kind,
                'words' => $words,
                'changed_by' => $by->id,
            ]);
        });
    }

    /** Reworded, it is answered anew; what people said by the old words goes with them. */
    public function reword(User $by, DraftCriterion $criterion, string $words): void
    {
        if ($criterion->words === $words || ! $criterion->kind->hasWords()) {
            return;
        }
        $told = "Reworded a criterion of the draft: {$criterion->words}, now {$words}";
        $this->changed($by, $criterion->draft, $told, function () use ($by, $criterion, $words): void {
            $criterion->update(['words' => $words, 'changed_by' => $by->id, 'criterion_id' => null]);
            DB::table('draft_answers')
                ->where('review_id', $criterion->review_id)
                ->where('draft_criterion_id', $criterion->id)
                ->delete();
        });
    }

    public function switchCriterion(User $by, DraftCriterion $criterion, bool $isOn): void
    {
        $told = ($isOn ? 'Switched on' : 'Switched off')." a criterion of the draft: {$criterion->asked()->asks()}";
        $this->changed(
            $by,
            $criterion->draft,
            $told,
            fn () => $criterion->update(['is_on' => $isOn, 'changed_by' => $by->id]),
        );
    }

    /** @param  ?CriterionAnswer  $answer  null takes back what a person said */
    public function overrule(User $by, DraftCriterion $criterion, string $paper, ?CriterionAnswer $answer): void
    {
        $told = $answer === null ? 'Took back an answer in the draft' : "Answered in the draft: {$answer->value}. {$criterion->asked()->asks()}";
        $this->changed($by, $criterion->draft, $told, fn (): int => DB::table('draft_answers')
            ->where('review_id', $criterion->review_id)
            ->where('draft_criterion_id', $criterion->id)
            ->where('scouted_paper_id', $paper)
            ->update(['ruling' => $answer?->value, 'ruled_by' => $answer === null ? null : $by->id]));
    }

    /** @param  ?string  $ruling  in or out, whatever the criteria say; null: as the criteria say */
    public function rule(User $by, Draft $draft, string $paper, ?string $ruling): void
    {
        $told = match ($ruling) {
            'in' => 'Put a paper into the draft',
            'out' => 'Took a paper out of the draft',
            default => 'Left a paper of the draft to its criteria',
        };
        $this->changed($by, $draft, $told, fn (): int => $draft->rows('draft_papers')
            ->where('scouted_paper_id', $paper)
            ->update(['ruling' => $ruling, 'ruled_by' => $ruling === null ? null : $by->id]));
    }

    /** @param  int  $more  papers by title and abstract, and as many as in full */
    public function deepen(User $by, Draft $draft, int $more, int $moreInFull): void
    {
        $told = $more > 0 ? "Had {$more} more papers read for the draft" : "Had {$moreInFull} more papers of the draft read in full";
        $this->changed($by, $draft, $told, function (Draft $draft) use ($more, $moreInFull): void {
            $draft->update([
                'depth' => min(self::DEEPEST, $draft->depth + $more),
                'depth_in_full' => min(self::DEEPEST, $draft->depth_in_full + $moreInFull),
            ]);
        });
    }

    public function addItem(User $by, Draft $draft, string $label): void
    {
        $this->changed($by, $draft, "Asked the papers of the draft: {$label}", function (Draft $draft) use ($by, $label): void {
            if ($draft->items()->count() >= self::MOST_ITEMS) {
                throw new Refused(
                    'A draft asks no more than '.self::MOST_ITEMS.' things of each paper. Switch off one of them.',
                );
            }
            $asked = PlainItem::of($label);
            $draft->items()->create([
                'review_id' => $draft->review_id,
                'position' => 1 + (int) $draft->items()->max('position'),
                'name' => mb_substr($asked->id, 0, 120),
                'label' => $asked->label,
                'type' => $asked->type,
                'instructions' => '',
                'changed_by' => $by->id,
            ]);
        });
    }

    public function switchItem(User $by, DraftItem $item, bool $isOn): void
    {
        $told = ($isOn ? 'Asked again' : 'No longer asked').", in the draft: {$item->label}";
        $this->changed($by, $item->draft, $told, fn () => $item->update(['is_on' => $isOn, 'changed_by' => $by->id]));
    }

    /** Reads on: a copy that came since, papers that are new. */
    public function again(User $by, Draft $draft): void
    {
        $this->changed($by, $draft, 'Had the draft made again', fn () => null);
    }

    /** A copy of one of its papers has come: what follows from that is worked out again. */
    public function copyCame(User $by, Draft $draft, string $name): void
    {
        $this->changed($by, $draft, "A draft reads “{$name}”", fn () => null);
    }

    /** @param  \Closure(Draft): mixed  $change */
    private function changed(User $by, Draft $draft, string $told, \Closure $change): void
    {
        DB::transaction(function () use ($by, $draft, $told, $change): void {
            $draft = $draft->locked();
            $change($draft);
            $draft->update(['revision' => $draft->revision + 1]);
            ($this->log)($draft->review_id, $by, 'draft.changed', $told, $draft);
            $this->run->execute($by, $draft);
        });
    }
}
