<?php

declare(strict_types=1);

namespace App\Actions\Scouting;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Jobs\Scouting\AnswerFurther;
use App\Models\CodebookItem;
use App\Models\FurtherQuestion;
use App\Models\Scouting;
use App\Models\User;
use App\Tasks\TaskRun;
use Illuminate\Support\Facades\DB;

/** Asks something more of every paper that a question brought. */
final readonly class AskFurther
{
    private const MOST = 12;

    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  ?CodebookItem  $code  where it is an item of the codebook
     * @param  ?list<string>  $only  papers of which it is asked; null: of all that answer
     *
     * @throws Refused If it was asked before, or there are too many.
     */
    public function ask(User $by, Scouting $scouting, string $label, ?CodebookItem $code, ?array $only = null): FurtherQuestion
    {
        return $scouting->whileLocked(function () use ($by, $scouting, $label, $code, $only): FurtherQuestion {
            $asked = $scouting->furtherQuestions()->get();
            if ($asked->contains(fn (FurtherQuestion $one): bool => mb_strtolower($one->label) === mb_strtolower($label))) {
                throw new Refused('This was asked already.');
            }
            if ($asked->count() >= self::MOST) {
                throw new Refused('No more than '.self::MOST.' further questions fit beside one. Take one back first.');
            }
            $question = FurtherQuestion::query()->create([
                'review_id' => $scouting->review_id,
                'scouting_id' => $scouting->id,
                'label' => $label,
                'code_id' => $code?->id,
                'only_of' => $only,
                'asked_by' => $by->id,
            ]);
            ($this->log)($scouting->review_id, $by, 'scouting.further', "Asked further: {$label}", $scouting);
            $this->read($by, $question);

            return $question;
        });
    }

    /** Asks it of the papers that were left out at first. */
    public function ofAll(User $by, FurtherQuestion $question): void
    {
        DB::transaction(function () use ($by, $question): void {
            $isPart = FurtherQuestion::query()->whereKey($question->id)->whereNotNull('only_of')->update(['only_of' => null]);
            if ($isPart > 0) {
                $words = "Asked of all: {$question->label}";
                ($this->log)($question->review_id, $by, 'scouting.further', $words, $question->scouting);
                $this->read($by, $question);
            }
        });
    }

    private function read(User $by, FurtherQuestion $question): void
    {
        $task = TaskRun::queue(
            $question->scouting->review,
            $by->id,
            'further',
            'Reading papers for “'.mb_strimwidth($question->label, 0, 60, '…').'”',
            route('scouting.show', [$question->review_id, $question->scouting_id], false),
        );
        AnswerFurther::dispatch($task->id, $question->id)->afterCommit();
    }

    public function takeBack(User $by, FurtherQuestion $question): void
    {
        DB::transaction(function () use ($by, $question): void {
            $question->delete();
            ($this->log)(
                $question->review_id,
                $by,
                'scouting.further',
                "No longer asked: {$question->label}",
                $question->scouting,
            );
        });
    }
}
