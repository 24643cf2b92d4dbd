<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\CodeType;

/**
 * @phpstan-type CodeValues array{label: string, guidance: string, type: CodeType, options: list<string>, unit: string}
 */
final readonly class ChangeCodebook
{
    public function __construct(private WriteLog $log)
    {
    }

    /** @param  CodeValues  $values */
    public function add(User $by, Review $review, array $values): CodebookItem
    {
        return DB::transaction(function () use ($by, $review, $values): CodebookItem {
            Review::query()->whereKey($review->id)->lockForUpdate()->first();
            $code = CodebookItem::query()->create(
                $values + ['review_id' => $review->id, 'position' => 1 + (int) $review->codes()->max('position')],
            );
            ($this->log)($review, $by, 'code.added', "Added “{$code->label}” to the codebook", $code);

            return $code;
        });
    }

    /**
     * @param  CodeValues  $values
     *
     * @throws Refused If answers would no longer be answers to it.
     */
    public function change(User $by, Review $review, CodebookItem $code, array $values): void
    {
        DB::transaction(function () use ($by, $review, $code, $values): void {
            $answers = Answer::query()
                ->where('review_id', $review->id)
                ->where('code_id', $code->id)
                ->whereNull('superseded_at')
                ->whereNotNull('value')
                ->lockForUpdate()
                ->get();
            if ($answers->isNotEmpty() && $values['type'] !== $code->type) {
                throw new Refused(
                    "“{$code->label}” has {$answers->count()} answers, so its type stays. Add a new item for another type.",
                );
            }
            $lost = array_diff(
                $answers->pluck('value')->flatten()->unique()->filter(fn ($v): bool => is_string($v))->all(),
                $values['options'],
            );
            if ($code->type->hasOptions() && $lost !== []) {
                throw new Refused('These options have been chosen and have to stay: '.implode(', ', $lost).'.');
            }
            $before = $code->only('label', 'guidance', 'options', 'unit');
            $code->update($values);
            ($this->log)($review, $by, 'code.changed', "Changed “{$code->label}” in the codebook", $code, [
                'before' => $before,
            ]);
        });
    }

    /** It is no longer asked; its answers stay. */
    public function retire(User $by, Review $review, CodebookItem $code): void
    {
        DB::transaction(function () use ($by, $review, $code): void {
            $code->update(['retired_at' => now()]);
            ($this->log)($review, $by, 'code.retired', "Took “{$code->label}” out of the codebook", $code);
        });
    }
}
