<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Actions\Shared\TellPeople;
use App\Actions\Shared\WriteLog;
use App\Models\Report;
use App\Models\User;
use App\Notices\NoticeKind;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Says something about words of a report, ends what is said, or opens it again. Who spoke before is told. */
final readonly class Remark
{
    public function __construct(private WriteLog $log, private TellPeople $tell)
    {
    }

    /** @param  ?bool  $ends  null where it only says something */
    public function execute(User $by, Report $report, string $thread, string $body, ?bool $ends): void
    {
        DB::transaction(function () use ($by, $report, $thread, $body, $ends): void {
            DB::table('report_remarks')->insert([
                'id' => strtolower((string) Str::ulid()),
                'review_id' => $report->review_id,
                'report_id' => $report->id,
                'thread' => $thread,
                'user_id' => $by->id,
                'body' => $body,
                'ends' => $ends,
                'created_at' => now(),
            ]);
            [$words, $told] = match ($ends) {
                true => ['Ended a remark on the report', 'ended your remark on the report'],
                false => ['Opened a remark on the report again', 'opened your remark on the report again'],
                default => ['Remarked on words of the report', 'answered your remark on the report'],
            };
            ($this->log)($report->review_id, $by, 'text.remark', $words, $report, ['thread' => $thread]);
            $where = route('report.text', $report->review_id, false)."#remark-{$thread}";
            $others = self::others($by, $report, $thread);
            ($this->tell)($others, NoticeKind::Mentioned, $report->review, "{$by->name} {$told}", $where);
        });
    }

    /** @return list<string> who else wrote in the thread */
    private static function others(User $by, Report $report, string $thread): array
    {
        return array_values(DB::table('report_remarks')
            ->where('review_id', $report->review_id)
            ->where('thread', $thread)
            ->where('user_id', '<>', $by->id)
            ->distinct()
            ->pluck('user_id')
            ->all());
    }
}
