<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Shared\Refused;
use App\Actions\Shared\Shown;
use App\Actions\Shared\WriteLog;
use App\Models\MarkList;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Search\Query\Parser;

/** Keeps the lists of words that are marked while reading. */
final readonly class ChangeMarkLists
{
    /** Each word is looked for in each text that is read. */
    public const MOST_LINES = 200;

    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  array<string, ?string>  $values  name, stance, words and criterion_id
     *
     * @throws Refused If a line cannot be read, or the list is no longer as it was shown.
     */
    public function save(
        User $by,
        Review $review,
        array $values,
        ?MarkList $list = null,
        Shown $shown = new Shown(),
    ): MarkList {
        self::refuseUnreadable(new MarkList($values));

        return DB::transaction(function () use ($by, $review, $values, $list, $shown): MarkList {
            if ($list !== null) {
                $list = MarkList::query()->where('review_id', $review->id)->lockForUpdate()->findOrFail($list->id);
                $shown->orOvertaken($list, $by, $list, 'mark-list.changed', "changed “{$list->name}”");
            }
            $list ??= new MarkList(['review_id' => $review->id, 'user_id' => $by->id]);
            $is = $list->exists ? 'changed' : 'added';
            $list->fill($values)->save();
            $words = ucfirst($is)." the marked words “{$list->name}”";
            ($this->log)($review, $by, "mark-list.{$is}", $words, $list, $values);

            return $list;
        });
    }

    private static function refuseUnreadable(MarkList $checked): void
    {
        if (count($checked->lines()) > self::MOST_LINES) {
            throw new Refused('A list may have '.self::MOST_LINES.' lines.');
        }
        foreach ($checked->lines() as $i => $line) {
            $query = Parser::parse($line);
            if (! $query->isComplete()) {
                $number = $i + 1;
                $why = $query->problems[0]->message();
                throw new Refused("Line {$number} (“{$line}”) cannot be read: {$why} Nothing was changed.");
            }
        }
    }

    public function remove(User $by, MarkList $list): void
    {
        DB::transaction(function () use ($by, $list): void {
            ($this->log)(
                $list->review_id,
                $by,
                'mark-list.removed',
                "Removed the marked words “{$list->name}”",
                $list,
                ['words' => $list->words],
            );
            $list->delete();
        });
    }
}
