<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Files\Out\ReportReader;
use App\Models\Report;
use App\Queries\Report\Composed\ReportBase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use stdClass;

/**
 * What a report says now, read from its updates where that has not been done. What was read becomes the base; the
 * updates stay, as the history of who wrote what.
 */
final class ReadReport
{
    public function execute(Report $report): Report
    {
        $report->refresh();
        if ($report->said_seq === $report->seq) {
            return $report;
        }
        $upto = $report->seq;
        $read = ReportReader::read(ReportBase::of($report), self::updates($report, $upto));
        foreach ($read->left as $why) {
            Log::warning('An update of a report cannot be read', ['why' => $why]);
        }
        self::keep($report, json_encode($read->json, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), $read->state, $upto);

        return $report->refresh();
    }

    /** Unless somebody has read it farther meanwhile. */
    private static function keep(Report $report, string $said, string $state, int $upto): void
    {
        DB::update(
            <<<'SQL'
            UPDATE reports SET said = ?, said_seq = ?, base = decode(?, 'base64'), base_seq = ?
            WHERE review_id = ? AND id = ? AND base_seq < ?
            SQL,
            [$said, $upto, $state, $upto, $report->review_id, $report->id, $upto],
        );
    }

    /** @return list<string> since the base, up to one */
    private static function updates(Report $report, int $upto): array
    {
        $updates = DB::select(
            <<<'SQL'
            SELECT encode(u.data, 'base64') AS data FROM report_updates u
            JOIN reports r ON r.review_id = u.review_id AND r.id = u.report_id
            WHERE u.review_id = ? AND u.report_id = ? AND u.seq > r.base_seq AND u.seq <= ? ORDER BY u.seq
            SQL,
            [$report->review_id, $report->id, $upto],
        );

        return array_map(fn (stdClass $one): string => ReportBase::plain($one->data), array_values($updates));
    }
}
