<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Result;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\AskedWhen;

/** How a review is coded: by one or by two apart, and which studies the in-depth pass goes to. */
final readonly class SetCodingTerms
{
    public function __construct(private WriteLog $log, private ChangeSubset $subset)
    {
    }

    /** @throws Refused If coders' own answers would be left hanging. */
    public function by(User $by, Review $review, int $coders): void
    {
        DB::transaction(function () use ($by, $review, $coders): void {
            $review = $review->locked();
            $own = Answer::query()->where('review_id', $review->id)->where('hand', '<>', '')->whereNull('superseded_at');
            $results = Result::query()->where('review_id', $review->id)->where('hand', '<>', '')->whereNull('superseded_at');
            if ($coders === 1 && $review->coded_by === 2 && ($own->exists() || $results->exists())) {
                throw new Refused(
                    'Two have begun to code apart. What they answered would count for nobody, so it stays that way.',
                );
            }
            $review->update(['coded_by' => $coders]);
            $words = $coders === 2 ? 'two people, apart' : 'one person';
            ($this->log)($review, $by, 'coding.by', "Each study is coded by {$words}", $review);
        });
    }

    /**
     * By the answers of one item, which new studies follow as they are coded.
     *
     * @param  list<string>  $answers  none for all studies
     */
    public function depth(User $by, Review $review, ?CodebookItem $code, array $answers): void
    {
        $chosen = $code === null ? [] : array_values(array_intersect($code->code()->choosable(), $answers));
        $rule = $chosen === [] || $code === null ? null : [new AskedWhen($code->id, $chosen)];
        $this->subset->define($by, $review, $rule, follows: true);
    }
}
