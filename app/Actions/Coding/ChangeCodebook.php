<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\Shown;
use App\Actions\Shared\WriteLog;
use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Pass;

final readonly class ChangeCodebook
{
    public function __construct(private WriteLog $log)
    {
    }

    public function add(User $by, Review $review, Entry $entry): CodebookItem
    {
        return $review->whileLocked(function () use ($by, $review, $entry): CodebookItem {
            $code = CodebookItem::query()->create([
                ...self::values($review, $entry, null),
                'review_id' => $review->id,
                'position' => 1 + (int) $review->codes()->max('position'),
            ]);
            ($this->log)($review, $by, 'code.added', "Added “{$code->label}” to the codebook", $code);

            return $code;
        });
    }

    /**
     * A codebook from elsewhere, after what there is.
     *
     * @param  list<Entry>  $entries  conditions among them name each other by their ids
     */
    public function addAll(User $by, Review $review, array $entries): void
    {
        DB::transaction(function () use ($by, $review, $entries): void {
            $ids = [];
            foreach ($entries as $entry) {
                $here = $entry->when === null ? $entry : $entry->askedWhen($ids[$entry->when->item] ?? '');
                $ids[$entry->id] = $this->add($by, $review, $here)->id;
            }
        });
    }

    /**
     * The options that would be gone, with how many answers have chosen each.
     *
     * @return array<string, int>
     */
    public function touched(Review $review, CodebookItem $code, Entry $entry): array
    {
        $chosen = self::answers($review, $code)->pluck('value')->flatten()->filter(fn ($one): bool => is_string($one));

        return $code->type->hasOptions() && $entry->code->type === $code->type
            ? array_diff_key($chosen->countBy()->all(), array_flip($entry->code->choosable()))
            : [];
    }

    /**
     * @param  array<string, string>  $becomes  what becomes of options that answers have chosen: another option
     *
     * @throws Refused If answers would no longer be answers to it, or it is no longer as it was shown.
     */
    public function change(
        User $by,
        Review $review,
        CodebookItem $code,
        Entry $entry,
        array $becomes = [],
        Shown $shown = new Shown(),
    ): void {
        $review->whileLocked(function () use ($by, $review, $code, $entry, $becomes, $shown): void {
            $shown->orOvertaken($code->refresh(), $by, $code, 'code.changed', "changed “{$code->label}”");
            $answers = self::answers($review, $code);
            $this->refuseToLose($review, $code, $entry, $answers->count(), $becomes);
            $before = $code->only('label', 'guidance', 'options', 'unit', 'section', 'pass', 'per', 'minimum', 'maximum');
            $code->update(self::values($review, $entry, $code));
            $this->carry($by, $code, $answers, $becomes);
            ($this->log)($review, $by, 'code.changed', "Changed “{$code->label}” in the codebook", $code, [
                'before' => $before,
                'becomes' => $becomes,
            ]);
        });
    }

    /** @param  array<string, string>  $becomes */
    private function refuseToLose(Review $review, CodebookItem $code, Entry $entry, int $answers, array $becomes): void
    {
        if ($answers > 0 && $entry->code->type !== $code->type) {
            throw new Refused(
                "“{$code->label}” has {$answers} answers, so its type stays. Add a new item for another type.",
            );
        }
        $lost = array_diff_key($this->touched($review, $code, $entry), $becomes);
        if ($lost !== [] || array_diff($becomes, $entry->code->choosable()) !== []) {
            throw new Refused('Say what becomes of the answers that chose: '.implode(', ', array_keys($lost)).'.');
        }
    }

    /** It is no longer asked; its answers stay. */
    public function retire(User $by, Review $review, CodebookItem $code): void
    {
        DB::transaction(function () use ($by, $review, $code): void {
            $code->update(['retired_at' => now()]);
            ($this->log)($review, $by, 'code.retired', "Took “{$code->label}” out of the codebook", $code);
        });
    }

    /** One place up, before the item that stood there. */
    public function moveUp(User $by, Review $review, CodebookItem $code): void
    {
        $review->whileLocked(function () use ($by, $review, $code): void {
            $above = CodebookItem::query()
                ->where('review_id', $review->id)
                ->whereNull('retired_at')
                ->where('position', '<', $code->position)
                ->orderByDesc('position')
                ->first();
            if ($above === null) {
                return;
            }
            [$here, $there] = [$code->position, $above->position];
            $above->update(['position' => $here]);
            $code->update(['position' => $there]);
            ($this->log)($review, $by, 'code.moved', "Moved “{$code->label}” up in the codebook", $code);
        });
    }

    /** @return Collection<int, Answer> that say something, coders' own among them */
    private static function answers(Review $review, CodebookItem $code): Collection
    {
        return Answer::query()
            ->where('review_id', $review->id)
            ->where('code_id', $code->id)
            ->whereNull('superseded_at')
            ->whereNotNull('value')
            ->get();
    }

    /**
     * Answers that chose what is gone choose what becomes of it, as answers of the same person.
     *
     * @param  Collection<int, Answer>  $answers
     * @param  array<string, string>  $becomes
     */
    private function carry(User $by, CodebookItem $code, Collection $answers, array $becomes): void
    {
        foreach ($answers as $answer) {
            $chosen = array_map(
                fn (mixed $one): mixed => is_string($one) ? $becomes[$one] ?? $one : $one,
                (array) $answer->value,
            );
            $value = $code->code()->read(is_array($answer->value) ? $chosen : $chosen[0]);
            if ($value === $answer->value) {
                continue;
            }
            $answer->update(['superseded_at' => now()]);
            $answer->replicate(['created_at', 'superseded_at'])->fill(['value' => $value])->save();
        }
    }

    /** @return array<string, string|int|float|bool|CodeType|Pass|list<string>|null> */
    private static function values(Review $review, Entry $entry, ?CodebookItem $self): array
    {
        $when = $entry->when;
        if ($when !== null && ! self::mayDependOn($review, $when->item, $self)) {
            throw new Refused('The condition has to name an item that stands before this one.');
        }

        return [
            'label' => $entry->label,
            'guidance' => $entry->guidance,
            'examples' => $entry->examples,
            'synonyms' => $entry->synonyms,
            'section' => $entry->section,
            'pass' => $entry->pass,
            'required' => $entry->isRequired,
            'per' => $entry->per,
            'type' => $entry->code->type,
            'options' => $entry->code->options,
            'unit' => $entry->code->unit,
            'minimum' => $entry->code->minimum,
            'maximum' => $entry->code->maximum,
            'when_code_id' => $when?->item,
            'when_answers' => $when->answers ?? [],
        ];
    }

    private static function mayDependOn(Review $review, string $item, ?CodebookItem $self): bool
    {
        return $review
            ->codes()
            ->whereKey($item)
            ->whereNull('retired_at')
            ->when($self !== null, fn ($codes) => $codes->where('position', '<', $self?->position))
            ->exists();
    }
}
