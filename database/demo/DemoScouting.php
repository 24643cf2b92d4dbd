<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\Drafting\StartDraft;
use App\Actions\Scouting\AskFurther;
use App\Actions\Scouting\AskPlainly;
use App\Jobs\Drafting\MakeDraft;
use App\Jobs\Scouting\AnswerFurther;
use App\Jobs\Scouting\GatherPapers;
use App\Models\Review;
use App\Models\User;
use Illuminate\Contracts\Bus\Dispatcher;

/** Questions in plain words that the demo's people asked beside their search. */
final readonly class DemoScouting
{
    private const QUESTION = 'Does bright light during the night shift make hospital staff less sleepy?';

    private const FURTHER = 'How many people took part?';

    public function __construct(
        private AskPlainly $ask,
        private AskFurther $further,
        private StartDraft $draft,
        private Dispatcher $bus,
    ) {
    }

    public function make(Review $review, User $by): void
    {
        $scouting = $this->ask->ask($by, $review, self::QUESTION, ['alder', 'tern']);
        $this->bus->dispatchNow(new GatherPapers($this->task($review, 'scouting'), $scouting->id));
        $further = $this->further->ask($by, $scouting, self::FURTHER, null);
        $task = $this->task($review, 'further');
        while ($review->tasks()->findOrFail($task)->state->isUnderWay()) {
            $this->bus->dispatchNow(new AnswerFurther($task, $further->id));
        }
        $draft = $this->draft->execute($by, $scouting, StartDraft::DEPTH, StartDraft::DEPTH_IN_FULL);
        $task = $this->task($review, 'draft');
        while ($review->tasks()->findOrFail($task)->state->isUnderWay()) {
            $this->bus->dispatchNow(new MakeDraft($task, $draft->id));
        }
    }

    private function task(Review $review, string $kind): string
    {
        return (string) $review->tasks()->where('kind', $kind)->latest('id')->value('id');
    }
}
