<?php

declare(strict_types=1);

namespace App\Actions\Asking;

use App\Jobs\Asking\HearOutside;
use App\Models\AskedQuestion;
use App\Models\Review;
use App\Models\User;
use App\Queries\Asking\AskedPieces;
use App\Queries\Asking\BearingNumbers;
use App\Queries\Scouting\ReviewFamilies;
use App\Sources\OutsideLeads;
use App\Tasks\TaskRun;
use WaryHeron\Core\Asking\PieceRanking;
use WaryHeron\Core\Asking\PlainAsk;
use WaryHeron\Core\Asking\RankedPiece;
use WaryHeron\Core\Coding\Lead\LeadFinder;

/** Asks what a review holds in plain words, and keeps what it answered for whoever asked, and for nobody else. */
final readonly class AskReview
{
    private const MOST = 30;

    /** So many questions of one person are kept. */
    private const KEPT = 200;

    public function __construct(private LeadFinder $finder)
    {
    }

    /**
     * @param  list<string>  $scopes  of AskedPieces::SCOPES
     * @param  ?AskedQuestion  $after  the question that it follows
     * @param  bool  $isNarrow  whether only studies of what was found before are asked
     */
    public function execute(User $by, Review $review, string $question, array $scopes, ?AskedQuestion $after, bool $isNarrow): AskedQuestion
    {
        $ask = PlainAsk::read($question, ReviewFamilies::of($review, $question));
        $only = $isNarrow ? $after?->studies() : null;
        $pieces = new AskedPieces($review, $ask, $only);
        $looked = $ask->isEmpty() ? [] : $pieces->in($scopes);
        $ranking = new PieceRanking($ask, $looked);
        $ranked = $ranking->ranked(self::MOST);
        $numbers = new BearingNumbers($review, $ask);
        $asked = AskedQuestion::query()->create([
            'review_id' => $review->id,
            'user_id' => $by->id,
            'after_id' => $isNarrow ? $after?->id : null,
            'question' => $question,
            'scope' => $scopes,
            'only_of' => $only,
            'found' => [
                'numbers' => $numbers->named(),
                'counted' => $numbers->counted(),
                'pieces' => array_map(fn (RankedPiece $one): array => [
                    ...get_object_vars($pieces->shown($one->piece)),
                    'confidence' => $one->confidence->value,
                    'reason' => $one->reason,
                ], $ranked),
                'looked' => $pieces->looked(),
                'nowhere' => $ask->asked($ranking->nowhere()),
            ],
        ]);
        $this->forgetOldest($by, $review);
        $this->askOutside($by, $review, $asked);

        return $asked;
    }

    private function askOutside(User $by, Review $review, AskedQuestion $asked): void
    {
        if (! $this->finder instanceof OutsideLeads || ! AskOutside::concerns($asked)) {
            return;
        }
        $task = TaskRun::queue(
            $review,
            $by->id,
            'ask',
            "Asking {$this->finder->name} too",
            route('ask.show', [$review, $asked->id], false),
        );
        HearOutside::dispatch($task->id, $asked->id)->afterCommit();
    }

    private function forgetOldest(User $by, Review $review): void
    {
        $oldest = AskedQuestion::query()
            ->where('review_id', $review->id)
            ->where('user_id', $by->id)
            ->orderByDesc('id')
            ->skip(self::KEPT)
            ->limit(1000)
            ->pluck('id');
        AskedQuestion::query()->where('review_id', $review->id)->whereIn('id', $oldest)->delete();
    }
}
