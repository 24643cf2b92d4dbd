<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Actions\Shared\WriteLog;
use App\Models\Report;
use App\Models\ReportClaim;
use App\Models\User;
use App\Queries\Report\Composed\ClaimEvidence;
use Illuminate\Support\Facades\DB;

/** Says what a claim of a report rests on, or that it is the authors' own. */
final readonly class SetClaim
{
    public function __construct(private WriteLog $log)
    {
    }

    /** @param  list<array{kind: string, id: string}>  $evidence  what is not there is left out; what stood before stays as it was given */
    public function execute(User $by, Report $report, string $id, array $evidence, bool $own): void
    {
        DB::transaction(function () use ($by, $report, $id, $evidence, $own): void {
            $key = ['review_id' => $report->review_id, 'report_id' => $report->id, 'id' => $id];
            $claim = ReportClaim::query()->where($key)->lockForUpdate()->first();
            $before = collect($claim->evidence ?? [])->keyBy(ClaimEvidence::key(...));
            $now = (new ClaimEvidence($report->review))->now($evidence);
            $kept = [];
            foreach ($evidence as $one) {
                $found = $before->get(ClaimEvidence::key($one)) ?? $now[ClaimEvidence::key($one)] ?? null;
                if ($found !== null) {
                    $kept[] = $found;
                }
            }
            $values = ['evidence' => $kept, 'own' => $own, 'user_id' => $by->id];
            $claim === null
                ? (new ReportClaim())->forceFill([...$key, ...$values])->save()
                : $claim->newQuery()->where($key)->update([...$values, 'evidence' => json_encode($kept), 'updated_at' => now()]);
            ($this->log)($report->review_id, $by, 'claim.set', 'Said what a claim of the report rests on', null, [
                'claim' => $id,
                'own' => $own,
                'pieces' => count($kept),
            ]);
        });
    }
}
