<?php

declare(strict_types=1);

namespace App\Actions\Scouting;

use App\Actions\Shared\WriteLog;
use App\Models\ScoutedPaper;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Throws a paper out of what a question brought, and brings it back. */
final readonly class ThrowOut
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, ScoutedPaper $paper, bool $isOut): void
    {
        DB::transaction(function () use ($by, $paper, $isOut): void {
            $paper = $paper->locked();
            if (($paper->thrown_out_at !== null) === $isOut) {
                return;
            }
            $paper->update(['thrown_out_at' => $isOut ? now() : null, 'thrown_out_by' => $isOut ? $by->id : null]);
            ($this->log)(
                $paper->review_id,
                $by,
                $isOut ? 'scouting.out' : 'scouting.back',
                ($isOut ? 'Threw out of a question’s papers: ' : 'Brought back to a question’s papers: ').
                    $paper->reference()->suppliedTitle(),
                $paper->scouting,
            );
        });
    }
}
