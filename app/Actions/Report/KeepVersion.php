<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Actions\Shared\WriteLog;
use App\Models\Report;
use App\Models\ReportVersion;
use App\Models\User;
use App\Queries\Report\Claims\ClaimChecks;
use App\Queries\Report\Composed\KeptBlocks;
use Illuminate\Support\Facades\DB;

/** Keeps a report as it is now under a name, with its blocks and what its claims rest on. */
final readonly class KeepVersion
{
    public function __construct(private WriteLog $log, private ReadReport $read)
    {
    }

    public function execute(User $by, Report $report, string $name): ReportVersion
    {
        $report = $this->read->execute($report);

        return DB::transaction(function () use ($by, $report, $name): ReportVersion {
            $version = ReportVersion::query()->create([
                'review_id' => $report->review_id,
                'report_id' => $report->id,
                'name' => $name,
                'seq' => $report->said_seq,
                'said' => $report->said,
                'kept' => ['blocks' => KeptBlocks::of($report), 'claims' => ClaimChecks::of($report->review, $report)],
                'user_id' => $by->id,
            ]);
            ($this->log)($report->review_id, $by, 'text.version', "Kept the report as “{$name}”", $version);

            return $version;
        });
    }
}
