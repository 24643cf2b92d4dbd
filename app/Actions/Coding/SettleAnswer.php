<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Answer;
use App\Models\User;
use App\Queries\Coding\AnswerSlot;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\GivenAnswer;

/** Says what counts where two coders differ: the answer of one of them, or a third. Both keep their own. */
final readonly class SettleAnswer
{
    public const SETTLED = 'settled';

    public function __construct(private WriteLog $log)
    {
    }

    /** @throws Refused If it has not opened, or that answer is there no more. */
    public function take(User $by, AnswerSlot $slot, string $answerId): Answer
    {
        return $this->settle($by, $slot, function (Collection $own) use ($answerId): array {
            $taken = $own->firstWhere('id', $answerId);
            if ($taken === null) {
                throw new Refused('That answer was changed meanwhile. It is shown now as it is.');
            }

            return $taken->only('value', 'kind', 'note', 'evidence', 'from_whole');
        });
    }

    /**
     * A third answer rests on what both had marked.
     *
     * @throws Refused If it has not opened.
     * @throws \WaryHeron\Core\Coding\InvalidAnswer
     */
    public function otherwise(User $by, AnswerSlot $slot, AnswerKind $kind, mixed $value): Answer
    {
        return $this->settle(
            $by,
            $slot,
            fn (Collection $own): array => [
                ...(new GivenAnswer($value, $kind))->read($slot->code->code()),
                'evidence' => CountAgreed::each($own->flatMap(fn (Answer $one): array => $one->evidence)),
            ],
        );
    }

    /** @param  \Closure(Collection<int, Answer>): array<string, mixed>  $values  from the answers of both */
    private function settle(User $by, AnswerSlot $slot, \Closure $values): Answer
    {
        return DB::transaction(function () use ($by, $slot, $values): Answer {
            $current = $slot->answers()->orderBy('created_at')->lockForUpdate()->get();
            $own = $current->filter(fn (Answer $one): bool => $one->hand !== '' && $one->says());
            if ($own->count() < 2) {
                throw new Refused('Both have to answer before it opens.');
            }
            $made = $values($own);
            $current->firstWhere('hand', '')?->update(['superseded_at' => now()]);
            WholeGivesWay::to($slot, '');
            $settled = ['user_id' => $by->id, 'hand' => '', 'how' => self::SETTLED];
            $answer = Answer::query()->create([...$slot->values(), ...$settled, ...$made]);
            $words = "Settled {$slot->words()}: {$answer->shown($slot->code->code())}";
            ($this->log)($slot->publication->review_id, $by, 'answer.settled', $words, $answer);

            return $answer;
        });
    }
}
