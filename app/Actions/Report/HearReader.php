<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Actions\Shared\Refused;
use App\Actions\Shared\TellPeople;
use App\Actions\Shared\WriteLog;
use App\Models\ReaderComment;
use App\Models\ReadingLink;
use App\Models\ReportVersion;
use App\Models\User;
use App\Notices\NoticeKind;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** Keeps what somebody outside says about the report, and marks it as seen to. The text itself stays as it is. */
final readonly class HearReader
{
    /** By one address: what is said at such length is said better in a letter. */
    public const MOST = 300;

    public function __construct(private WriteLog $log, private TellPeople $tell)
    {
    }

    /** @throws Refused If nothing more can be said by this address. */
    public function execute(ReadingLink $link, ReportVersion $version, string $name, string $about, string $body): void
    {
        DB::transaction(function () use ($link, $version, $name, $about, $body): void {
            ReadingLink::query()->where('review_id', $link->review_id)->whereKey($link->id)->lockForUpdate()->sole();
            if (self::of($link)->count() >= self::MOST) {
                throw new Refused('No more comments fit at this address. Write to whoever gave it to you.');
            }
            $comment = ReaderComment::query()->create([
                'review_id' => $link->review_id,
                'report_version_id' => $version->id,
                'reading_link_id' => $link->id,
                'link_name' => $link->name,
                'name' => $name,
                'about' => $about,
                'body' => $body,
            ]);
            $words = "A reader of “{$link->name}” commented on the report";
            $where = route('report.links', $link->review_id, false).'#comments';
            ($this->log)($link->review, null, 'text.heard', $words, $comment);
            ($this->tell)($link->review->leads(), NoticeKind::Reader, $link->review, $words, $where);
        });
    }

    public function seenTo(User $by, ReaderComment $comment): void
    {
        DB::transaction(function () use ($by, $comment): void {
            $isNow = ReaderComment::query()
                ->where('review_id', $comment->review_id)
                ->whereKey($comment->id)
                ->whereNull('done_at')
                ->update(['done_at' => now(), 'done_by' => $by->id]);
            if ($isNow === 1) {
                ($this->log)($comment->review_id, $by, 'text.seen-to', "Saw to a comment of {$comment->name}", $comment);
            }
        });
    }

    /** @return Builder<ReaderComment> */
    public static function of(ReadingLink $link): Builder
    {
        return ReaderComment::query()->where('review_id', $link->review_id)->where('reading_link_id', $link->id);
    }
}
