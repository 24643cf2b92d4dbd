<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Models\Report;
use App\Models\User;
use App\Queries\Report\Composed\ReportBase;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * One exchange of an open report: what this page changed goes in, what others changed since goes out, and who is there.
 * Updates are numbered under the lock of the report, so that none is seen before an earlier one.
 */
final class ExchangeUpdates
{
    /** Bytes of one update: a browser keeps no more, and no paste of what a page takes makes more. */
    public const LARGEST = 4_194_304;

    private const HERE = 25;

    /**
     * @param  int  $after  up to which the page has all
     * @param  ?string  $update  base64
     */
    public function execute(User $by, Report $report, int $after, int $client, ?string $update): Exchanged
    {
        if ($update !== null) {
            $this->write($by, $report, $client, $update);
        }
        $of = [$report->review_id, $report->id];
        $now = DB::selectOne('SELECT seq, base_seq FROM reports WHERE review_id = ? AND id = ?', $of);
        $from = max($after, 0);
        $base = null;
        if ($from < $now->base_seq || $after < 0) {
            $base = ReportBase::of($report);
            $from = (int) $now->base_seq;
        }
        $updates = DB::select(
            <<<'SQL'
            SELECT seq, encode(data, 'base64') AS data FROM report_updates
            WHERE review_id = ? AND report_id = ? AND seq > ? AND client <> ? ORDER BY seq
            SQL,
            [$report->review_id, $report->id, $from, $client],
        );

        return new Exchanged(
            (int) $now->seq,
            array_values(array_map(fn (stdClass $one): string => ReportBase::plain($one->data), $updates)),
            $base,
        );
    }

    /** @return list<Presence> where others are */
    public function presence(Report $report, int $client, string $data): array
    {
        DB::statement(
            <<<'SQL'
            INSERT INTO report_presence (review_id, report_id, client, data, at) VALUES (?, ?, ?, ?, now())
            ON CONFLICT (review_id, report_id, client) DO UPDATE SET data = excluded.data, at = now()
            SQL,
            [$report->review_id, $report->id, $client, $data],
        );

        return self::othersAt($report, $client);
    }

    /** @return list<Presence> */
    private static function othersAt(Report $report, int $client): array
    {
        $others = DB::select(
            <<<'SQL'
            SELECT client, data FROM report_presence
            WHERE review_id = ? AND report_id = ? AND client <> ? AND at > now() - make_interval(secs => ?)
            SQL,
            [$report->review_id, $report->id, $client, self::HERE],
        );

        return array_values(array_map(
            fn (stdClass $one): Presence => new Presence((int) $one->client, $one->data),
            $others,
        ));
    }

    /** In one statement: the update stands with its number, or neither does. */
    private function write(User $by, Report $report, int $client, string $update): void
    {
        DB::insert(
            <<<'SQL'
            WITH numbered AS (
                UPDATE reports SET seq = seq + 1, updated_at = now() WHERE review_id = ? AND id = ? RETURNING seq
            )
            INSERT INTO report_updates (review_id, report_id, seq, data, client, user_id, created_at)
            SELECT ?, ?, seq, decode(?, 'base64'), ?, ?, now() FROM numbered
            SQL,
            [$report->review_id, $report->id, $report->review_id, $report->id, $update, $client, $by->id],
        );
    }
}
