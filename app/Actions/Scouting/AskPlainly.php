<?php

declare(strict_types=1);

namespace App\Actions\Scouting;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Jobs\Scouting\GatherPapers;
use App\Models\Review;
use App\Models\Scouting;
use App\Models\User;
use App\Sources\Sources;
use App\Tasks\TaskRun;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Scouting\Scout;

/** Asks a question in plain words of the databases and of the library, in the background. */
final readonly class AskPlainly
{
    /** Candidates from each at first, at each step further, and at most. */
    public const DEPTH = 100;

    private const DEEPEST = 1000;

    public function __construct(private WriteLog $log, private Sources $sources)
    {
    }

    /**
     * @param  list<string>  $sources
     *
     * @throws Refused If there is nothing to look for in the question.
     */
    public function ask(User $by, Review $review, string $question, array $sources): Scouting
    {
        if ((new Scout())->question($question)->concepts === []) {
            throw new Refused(
                'The question names nothing to look for. Say what is done or met with, and what may come of it.',
            );
        }

        return DB::transaction(function () use ($by, $review, $question, $sources): Scouting {
            $scouting = Scouting::query()->create([
                'review_id' => $review->id,
                'question' => $question,
                'sources' => array_values(array_filter($sources, $this->sources->has(...))),
                'depth' => self::DEPTH,
                'asked_by' => $by->id,
            ]);
            ($this->log)($review, $by, 'scouting.asked', "Asked the literature: {$question}", $scouting);
            $this->gather($by, $scouting);

            return $scouting;
        });
    }

    /**
     * Asks again, with more candidates or for what is new.
     *
     * @throws Refused If it is being asked already, or as deep as it goes.
     */
    public function again(User $by, Scouting $scouting, bool $deeper): void
    {
        DB::transaction(function () use ($by, $scouting, $deeper): void {
            $scouting = $scouting->locked();
            if (self::isUnderWay($scouting)) {
                throw new Refused('This question is being asked already.');
            }
            if ($deeper && $scouting->depth >= self::DEEPEST) {
                $most = number_format(self::DEEPEST);
                throw new Refused("No more than {$most} records of each are read for one question. Ask it more sharply.");
            }
            $depth = $scouting->depth + ($deeper ? self::DEPTH : 0);
            $scouting->update(['depth' => $depth, 'new_since' => $scouting->ran_at]);
            $words = "Asked the literature again: {$scouting->question}";
            ($this->log)($scouting->review_id, $by, 'scouting.again', $words, $scouting, ['depth' => $depth]);
            $this->gather($by, $scouting);
        });
    }

    public static function isUnderWay(Scouting $scouting): bool
    {
        return $scouting->review->isAtWork('scouting', self::url($scouting));
    }

    private function gather(User $by, Scouting $scouting): void
    {
        $task = TaskRun::queue(
            $scouting->review,
            $by->id,
            'scouting',
            'Reading papers for a question',
            self::url($scouting),
        );
        GatherPapers::dispatch($task->id, $scouting->id)->afterCommit();
    }

    private static function url(Scouting $scouting): string
    {
        return route('scouting.show', [$scouting->review_id, $scouting->id], false);
    }
}
