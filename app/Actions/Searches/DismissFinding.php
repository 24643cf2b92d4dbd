<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\WriteLog;
use App\Models\DismissedFinding;
use App\Models\Strategy;
use App\Models\User;
use Illuminate\Support\Facades\DB;

final readonly class DismissFinding
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, Strategy $strategy, string $finding, string $reason): void
    {
        DB::transaction(function () use ($by, $strategy, $finding, $reason): void {
            DismissedFinding::query()->firstOrCreate(
                ['strategy_id' => $strategy->id, 'finding' => $finding],
                [
                    'review_id' => $strategy->review_id,
                    'reason' => $reason,
                    'dismissed_by' => $by->id,
                    'dismissed_at' => now(),
                ],
            );
            ($this->log)(
                $strategy->review_id,
                $by,
                'finding.dismissed',
                "Dismissed a finding on “{$strategy->name}”: {$reason}",
                $strategy,
                ['finding' => $finding],
            );
        });
    }

    public function takeBack(User $by, Strategy $strategy, string $finding): void
    {
        DB::transaction(function () use ($by, $strategy, $finding): void {
            DismissedFinding::query()->where('strategy_id', $strategy->id)->where('finding', $finding)->delete();
            ($this->log)(
                $strategy->review_id,
                $by,
                'finding.brought-back',
                "Brought a finding on “{$strategy->name}” back",
                $strategy,
                ['finding' => $finding],
            );
        });
    }
}
