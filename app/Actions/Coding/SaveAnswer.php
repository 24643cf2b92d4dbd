<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Answer;
use App\Models\CodingLead;
use App\Models\StudyPart;
use App\Models\User;
use App\Queries\Coding\AnswerSlot;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\GivenAnswer;
use WaryHeron\Core\Coding\Lead\LeadRuling;

final readonly class SaveAnswer
{
    public function __construct(
        private WriteLog $log,
        private PlaceEvidence $evidence,
        private CountAgreed $agreed,
    ) {
    }

    /**
     * @param  ?string  $seen  the answer that the page showed, '' for none, null where it does not say
     * @return ?Answer the answer that stands in the person's hand; null where none does
     *
     * @throws Refused If the publication is not included, the part is taken out, or somebody has answered meanwhile.
     * @throws \WaryHeron\Core\Coding\InvalidAnswer
     */
    public function execute(User $by, AnswerSlot $slot, GivenAnswer $given, ?string $seen = null): ?Answer
    {
        $placed = $given->resting($this->evidence->execute($slot->publication->review_id, $given->evidence));
        $values = $placed->read($slot->code->code());

        return DB::transaction(function () use ($by, $slot, $values, $seen): ?Answer {
            $review = CodedPublications::carrying($slot->publication);
            self::refuseTakenOut($slot);
            $hand = $review->handOf($by);
            $current = $slot->answers()->where('hand', $hand)->with('user')->first();
            self::refuseUnseen($by, $current, $slot, $seen);
            if (self::isSame($current, $values)) {
                return $current;
            }
            $current?->update(['superseded_at' => now()]);
            $answer = Answer::query()->create([...$slot->values(), 'user_id' => $by->id, 'hand' => $hand, ...$values]);
            $this->ruleOnLead($by, $answer);
            if ($answer->says()) {
                WholeGivesWay::to($slot, $hand);
            }
            $this->agreed->execute($by, $review, $slot);
            $this->write($by, $slot, $answer);

            return $answer;
        });
    }

    /** @throws Refused If what stands is not what the page showed. */
    private static function refuseUnseen(User $by, ?Answer $current, AnswerSlot $slot, ?string $seen): void
    {
        if ($seen !== null && $seen !== ($current->id ?? '')) {
            throw Refused::overtaken($by, $current?->user, "answered “{$slot->code->label}”", 'That answer is shown now.');
        }
    }

    /** @throws Refused If the part was taken out meanwhile. */
    private static function refuseTakenOut(AnswerSlot $slot): void
    {
        $part = $slot->part;
        if ($part !== null && StudyPart::of($slot->publication)->whereKey($part->id)->sharedLock()->value('retired_at') !== null) {
            throw new Refused("“{$part->name}” was taken out of this study meanwhile. What it was answered is kept.");
        }
    }

    /**
     * Whether nothing changes; nothing given is the same as no answer.
     *
     * @param  array<string, mixed>  $values
     */
    private static function isSame(?Answer $current, array $values): bool
    {
        $kept = $current?->only(array_keys($values)) ?? (new Answer())->only(array_keys($values));

        return $kept == $values && $kept['value'] === $values['value'];
    }

    private function ruleOnLead(User $by, Answer $answer): void
    {
        if (! $answer->says()) {
            return;
        }
        CodingLead::query()
            ->where('review_id', $answer->review_id)
            ->where('publication_id', $answer->publication_id)
            ->where('code_id', $answer->code_id)
            ->where('part_id', $answer->part_id)
            ->where('ruling', LeadRuling::Waiting)
            ->first()
            ?->ruled($by, $answer);
    }

    private function write(User $by, AnswerSlot $slot, Answer $answer): void
    {
        ($this->log)(
            $slot->publication->review_id,
            $by,
            'answer.saved',
            "Coded {$slot->words()}",
            $answer,
            $answer->hand === '' ? ['value' => $answer->value, 'kind' => $answer->kind->value] : [],
        );
    }
}
