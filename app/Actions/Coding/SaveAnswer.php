<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\Lead\LeadRuling;
use WaryHeron\Core\Screening\ItemState;

final readonly class SaveAnswer
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  ?string  $seen  the answer that the page showed, '' for none, null where it does not say
     * @return ?Answer the answer that stands; null where none does
     *
     * @throws Refused If the publication is not included, or somebody has answered meanwhile.
     * @throws \WaryHeron\Core\Coding\InvalidAnswer
     */
    public function execute(
        User $by,
        Publication $publication,
        CodebookItem $code,
        mixed $given,
        string $quote,
        string $place,
        ?string $seen = null,
    ): ?Answer {
        $value = (new Code($code->type, $code->options, $code->unit))->read($given);

        return DB::transaction(function () use ($by, $publication, $code, $value, $quote, $place, $seen): ?Answer {
            $included = Item::query()
                ->where('review_id', $publication->review_id)
                ->where('publication_id', $publication->id)
                ->where('stage_id', Review::query()->findOrFail($publication->review_id)->lastStage()->id)
                ->lockForUpdate()
                ->first();
            if ($included?->state !== ItemState::Included) {
                throw new Refused('This publication is not included, so it is not coded. The answers it has are kept.');
            }
            $current = Answer::query()
                ->where('review_id', $publication->review_id)
                ->where('publication_id', $publication->id)
                ->where('code_id', $code->id)
                ->whereNull('superseded_at')
                ->with('user')
                ->first();
            if ($seen !== null && $seen !== ($current->id ?? '')) {
                throw new Refused(
                    "{$current?->user->name} answered “{$code->label}” meanwhile. That answer is shown now; save again if yours should replace it.",
                );
            }
            if (
                ($current !== null &&
                    $current->value === $value &&
                    $current->quote === $quote &&
                    $current->place === $place) ||
                ($current === null && $value === null && $quote === '')
            ) {
                return $current;
            }
            $current?->update(['superseded_at' => now()]);
            $answer = Answer::query()->create([
                'review_id' => $publication->review_id,
                'publication_id' => $publication->id,
                'code_id' => $code->id,
                'user_id' => $by->id,
                'value' => $value,
                'quote' => $quote,
                'place' => $place,
            ]);
            CodingLead::query()
                ->where('review_id', $publication->review_id)
                ->where('publication_id', $publication->id)
                ->where('code_id', $code->id)
                ->where('ruling', LeadRuling::Waiting)
                ->first()
                ?->ruled($by, $value);
            ($this->log)(
                $publication->review_id,
                $by,
                'answer.saved',
                "Coded “{$code->label}” of “{$publication->title}”",
                $answer,
                ['value' => $value],
            );

            return $answer;
        });
    }
}
