<?php

declare(strict_types=1);

namespace App\Actions\Synthesis;

use App\Actions\Shared\Refused;
use App\Actions\Shared\Shown;
use App\Actions\Shared\WriteLog;
use App\Models\JudgedCertainty;
use App\Models\KeptAnalysis;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Synthesis\Certainty\Certainty;
use WaryHeron\Core\Synthesis\Certainty\CertaintyDomain;

/** Keeps how sure people are of what an analysis finds; what was said before stays as history. */
final readonly class JudgeCertainty
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  ?int  $baseline  of a thousand people without the intervention, how many have the event
     *
     * @throws Refused If a step has no reason, or somebody judged it since it was shown.
     */
    public function execute(
        User $by,
        KeptAnalysis $analysis,
        Certainty $certainty,
        ?int $baseline,
        Shown $shown = new Shown(),
    ): void {
        foreach ($certainty->reasons as $domain => ['why' => $why]) {
            if ($why === '') {
                throw new Refused('Say why for '.CertaintyDomain::from($domain)->label().'. A step without a reason cannot be followed.');
            }
        }
        DB::transaction(function () use ($by, $analysis, $certainty, $baseline, $shown): void {
            KeptAnalysis::query()->where('review_id', $analysis->review_id)->lockForUpdate()->findOrFail($analysis->id);
            $this->refuseUnseen($by, $analysis, $shown);
            $judged = JudgedCertainty::query()->create([
                'review_id' => $analysis->review_id,
                'analysis_id' => $analysis->id,
                'judged' => $certainty->toArray(),
                'baseline' => $baseline,
                'user_id' => $by->id,
            ]);
            ($this->log)(
                $analysis->review_id,
                $by,
                'certainty.judged',
                "Judged the certainty of “{$analysis->title}” {$certainty->level()->label()}",
                $judged,
                $certainty->toArray(),
            );
        });
    }

    private function refuseUnseen(User $by, KeptAnalysis $analysis, Shown $shown): void
    {
        $stands = JudgedCertainty::query()
            ->where('review_id', $analysis->review_id)
            ->where('analysis_id', $analysis->id)
            ->latest('created_at')
            ->latest('id')
            ->first();
        $shown->orOvertaken([$stands?->id], $by, $stands ?? $analysis, 'certainty.judged', 'judged this certainty');
    }
}
