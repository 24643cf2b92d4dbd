<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use App\Actions\Shared\TellPeople;
use App\Models\Draft;
use App\Notices\NoticeKind;
use App\Queries\Drafting\DraftRecords;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Ends a run of a draft: says what it changed, and the first time that it is there. */
final readonly class EndDraft
{
    public function __construct(private TellPeople $tell)
    {
    }

    /**
     * @param  int  $revision  of which it worked
     * @param  list<string>  $before  papers that met the criteria
     * @param  list<string>  $sections  that say something else now
     * @return bool whether the draft is as it was when the run began; else there is more to do
     */
    public function execute(Draft $draft, int $revision, array $before, array $sections, float $seconds): bool
    {
        $now = DraftRecords::in($draft);
        $isFirst = $draft->ran_at === null;
        [$new, $gone] = [count(array_diff($now, $before)), count(array_diff($before, $now))];
        $changes = $isFirst ? [] : self::changes($new, $gone, $sections);
        $isOver = DB::transaction(function () use ($draft, $revision, $changes, $seconds): bool {
            $here = $draft->locked();
            if ($here->revision !== $revision) {
                return false;
            }
            $told = $here->told_at ?? now();

            return $here->update(['ran_at' => now(), 'seconds' => $seconds, 'changes' => $changes, 'told_at' => $told]);
        });
        if ($isOver && $isFirst) {
            $text = 'The draft of a review is there: '.Str::limit($draft->scouting->question, 120);
            ($this->tell)([$draft->asked_by], NoticeKind::Draft, $draft->review, $text, RunDraft::url($draft));
        }

        return $isOver;
    }

    /**
     * @param  list<string>  $sections
     * @return list<string>
     */
    private static function changes(int $in, int $out, array $sections): array
    {
        return array_values(array_filter([
            $in === 0 ? '' : number_format($in).' more '.Str::plural('paper', $in).' '.($in === 1 ? 'meets' : 'meet').' the criteria',
            $out === 0 ? '' : number_format($out).' '.Str::plural('paper', $out).' no longer '.($out === 1 ? 'does' : 'do'),
            $sections === [] ? 'the text says the same as before' : 'written anew: '.mb_strtolower(
                implode(', ', $sections),
            ),
        ]));
    }
}
