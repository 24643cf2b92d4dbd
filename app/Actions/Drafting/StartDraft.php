<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use App\Actions\Scouting\AskPlainly;
use App\Actions\Shared\WriteLog;
use App\Models\Draft;
use App\Models\Scouting;
use App\Models\User;

/** Begins the draft of a review from what a plain question brought. While papers still come, it waits for them. */
final readonly class StartDraft
{
    /** Papers read by title and abstract, and of those that fit in full. */
    public const DEPTHS = [20, 50, 100, 200, 300];

    public const IN_FULL = [5, 10, 20, 40];

    public const DEPTH = 100;

    public const DEPTH_IN_FULL = 20;

    public function __construct(private WriteLog $log, private RunDraft $run)
    {
    }

    public function execute(User $by, Scouting $scouting, int $depth, int $inFull): Draft
    {
        return $scouting->whileLocked(function () use ($by, $scouting, $depth, $inFull): Draft {
            $there = Draft::query()->where('review_id', $scouting->review_id)->where('scouting_id', $scouting->id)->first();
            if ($there !== null) {
                return $there;
            }
            $draft = Draft::query()->create([
                'review_id' => $scouting->review_id,
                'scouting_id' => $scouting->id,
                'depth' => $depth,
                'depth_in_full' => $inFull,
                'asked_by' => $by->id,
            ]);
            $words = "Had a review drafted by machine: {$scouting->question}";
            $how = ['depth' => $depth, 'in_full' => $inFull];
            ($this->log)($scouting->review_id, $by, 'draft.begun', $words, $draft, $how);
            if (! AskPlainly::isUnderWay($scouting)) {
                $this->run->execute($by, $draft);
            }

            return $draft;
        });
    }

    /** Once the papers are there: goes on with a draft that waits for them, or takes in what is new. */
    public function afterPapers(Scouting $scouting): void
    {
        $draft = Draft::query()->where('review_id', $scouting->review_id)->where('scouting_id', $scouting->id)->first();
        if ($draft !== null) {
            $draft->update(['revision' => $draft->revision + 1]);
            $this->run->execute($draft->asker, $draft);
        }
    }
}
