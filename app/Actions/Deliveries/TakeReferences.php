<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Jobs\Deliveries\ReadReferenceLists;
use App\Models\FullText;
use App\Models\Review;
use App\Models\Task;
use App\Models\User;
use App\Queries\FullTexts\PaperPages;
use App\Tasks\TaskRun;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\FullText\Reading\ReferenceSection;

/** Delivers the lists of references of papers that the review has: citation searching without typing. */
final readonly class TakeReferences
{
    /** As the report names them, whichever paper each is from. */
    public const SOURCE = 'References of included reports';

    /** Papers at once. */
    public const MOST = 500;

    public function __construct(private WriteLog $log, private StartDelivery $start)
    {
    }

    /**
     * In the background, since there may be many and long ones.
     *
     * @param  non-empty-list<string>  $copies  full texts of the review
     *
     * @throws Refused If lists are being taken already.
     */
    public function later(User $by, Review $review, array $copies): Task
    {
        return DB::transaction(function () use ($by, $review, $copies): Task {
            TaskRun::refuseTwice($review, 'references', 'Lists of references are being taken already.');
            $papers = count($copies) === 1 ? 'a report' : number_format(count($copies)).' reports';
            $task = TaskRun::queue(
                $review,
                $by->id,
                'references',
                "Taking the references of {$papers}",
                route('deliveries.references', $review, false),
                count($copies),
            );
            ($this->log)($review, $by, 'references.asked', "Had the references of {$papers} taken", $task);
            dispatch(new ReadReferenceLists($task->id, $copies));

            return $task;
        });
    }

    /**
     * The list of one paper.
     *
     * @throws Refused If it has none that could be found, or it was delivered before.
     */
    public function execute(User $by, FullText $copy): void
    {
        $list = ReferenceSection::of(PaperPages::of($copy->review_id, $copy->id));
        if ($list === null) {
            throw new Refused('No list of references was found in it.');
        }
        $this->start->ofReferences($by, $copy, self::SOURCE, $list);
    }
}
