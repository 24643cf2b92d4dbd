<?php

declare(strict_types=1);

namespace App\Actions\Question;

use App\Actions\Shared\Refused;
use App\Actions\Shared\Shown;
use App\Actions\Shared\WriteLog;
use App\Models\Concept;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;

final readonly class ChangeQuestion
{
    public function __construct(private WriteLog $log)
    {
    }

    /** @throws Refused If it is no longer as it was shown. */
    public function execute(User $by, Review $review, QuestionWording $wording, Shown $shown = new Shown()): void
    {
        DB::transaction(function () use ($by, $review, $wording, $shown): void {
            $review = $review->locked();
            $before = self::told($review);
            $shown->orOvertaken($before, $by, $review, 'question.changed', 'changed the question or its concepts');
            $review->update([
                'title' => $wording->title,
                'question' => $wording->question,
                'frame' => $wording->frame,
                'protocol' => $wording->provenance->protocol,
                'registration' => $wording->provenance->registration,
            ]);
            $this->keep($review, $wording);
            ($this->log)($review, $by, 'question.changed', 'Changed the question or its concepts', $review, [
                'before' => $before,
                'after' => self::told($review),
            ]);
        });
    }

    private function keep(Review $review, QuestionWording $wording): void
    {
        foreach ($wording->texts as $kind => $text) {
            Concept::query()->updateOrCreate(['review_id' => $review->id, 'kind' => $kind], ['text' => $text]);
        }
        $review->concepts()->where('kind', 'like', Concept::OWN.'%')->delete();
        foreach ($wording->own as $i => $own) {
            $place = ['kind' => Concept::OWN.($i + 1), 'position' => $i + 1];
            $review->concepts()->create([...get_object_vars($own), ...$place]);
        }
    }

    /** @return array<string, string|array<array-key, string>|null> all that the form of the question holds */
    public static function told(Review $review): array
    {
        return [
            ...$review->only(['title', 'question', 'protocol', 'registration']),
            'frame' => $review->frame->value,
            'concepts' => $review->concepts()->pluck('text', 'kind')->all(),
            'own' => $review->concepts()->where('label', '<>', '')->orderBy('position')->pluck('label')->all(),
        ];
    }
}
