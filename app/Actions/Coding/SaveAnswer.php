<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use App\Models\Publication;
use App\Models\User;
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
     * @throws Refused If the publication is not included, or somebody has answered meanwhile.
     * @throws \WaryHeron\Core\Coding\InvalidAnswer
     */
    public function execute(
        User $by,
        Publication $publication,
        CodebookItem $code,
        GivenAnswer $given,
        ?string $seen = null,
    ): ?Answer {
        $placed = $given->resting($this->evidence->execute($publication->review_id, $given->evidence));
        $values = $placed->read($code->code());

        return DB::transaction(function () use ($by, $publication, $code, $values, $seen): ?Answer {
            $review = CodedPublications::carrying($publication);
            $hand = $review->handOf($by);
            $current = CurrentAnswers::of($publication, $code)->where('hand', $hand)->with('user')->first();
            self::refuseUnseen($current, $code, $seen);
            if (self::isSame($current, $values)) {
                return $current;
            }
            $current?->update(['superseded_at' => now()]);
            $answer = Answer::query()->create([
                'review_id' => $publication->review_id,
                'publication_id' => $publication->id,
                'code_id' => $code->id,
                'user_id' => $by->id,
                'hand' => $hand,
                ...$values,
            ]);
            $this->ruleOnLead($by, $answer);
            $this->agreed->execute($by, $review, $publication, $code);
            $this->write($by, $publication, $code, $answer);

            return $answer;
        });
    }

    /** @throws Refused If what stands is not what the page showed. */
    private static function refuseUnseen(?Answer $current, CodebookItem $code, ?string $seen): void
    {
        if ($seen !== null && $seen !== ($current->id ?? '')) {
            throw new Refused(
                "{$current?->user->name} answered “{$code->label}” meanwhile. That answer is shown now; save again if yours should replace it.",
            );
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
            ->where('ruling', LeadRuling::Waiting)
            ->first()
            ?->ruled($by, $answer);
    }

    private function write(User $by, Publication $publication, CodebookItem $code, Answer $answer): void
    {
        ($this->log)(
            $publication->review_id,
            $by,
            'answer.saved',
            "Coded “{$code->label}” of “{$publication->title}”",
            $answer,
            $answer->hand === '' ? ['value' => $answer->value, 'kind' => $answer->kind->value] : [],
        );
    }
}
