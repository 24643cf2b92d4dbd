<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Jobs\Coding\FindLeads;
use App\Models\CodebookItem;
use App\Models\Publication;
use App\Models\Review;
use App\Models\Task;
use App\Models\User;
use App\Queries\Coding\CodedReports;
use App\Tasks\TaskRun;
use WaryHeron\Core\Coding\Lead\LeadPass;

/** Has the included papers read for answers to the codebook, in the background. */
final readonly class StartLeads
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  ?CodebookItem  $code  the only one to be looked for; null for all
     * @param  ?Publication  $study  the only one to be read; null for all
     *
     * @throws Refused If there is nothing to read or to ask, or they are being read already.
     */
    public function execute(
        User $by,
        Review $review,
        ?CodebookItem $code = null,
        LeadPass $pass = LeadPass::Deep,
        ?Publication $study = null,
    ): Task {
        return $review->whileLocked(function () use ($by, $review, $code, $pass, $study): Task {
            $included = self::papers($review, $study);
            $task = TaskRun::queue(
                $review,
                $by->id,
                'leads',
                self::title($included, $code, $pass, $study),
                route($study === null ? 'coding' : 'coding.show', array_filter([$review, $study]), false),
                count($included),
            );
            $what = $code === null ? 'the codebook' : "“{$code->label}”";
            ($this->log)($review, $by, 'lead.sought', "Had {$task->total} papers read for answers to {$what}", $review);
            FindLeads::dispatch($task->id, $included, $code?->id, $pass)->afterCommit();

            return $task;
        });
    }

    /** @return non-empty-list<string> those that are to be read */
    private static function papers(Review $review, ?Publication $study): array
    {
        if ($review->isAtWork('leads')) {
            throw new Refused('The papers are being read already.');
        }
        if ($review->codes()->whereNull('retired_at')->doesntExist()) {
            throw new Refused('The codebook is empty. Say first what is to be found out.');
        }
        $included = CodedReports::ids($review);
        $included = $study === null ? $included : array_values(array_intersect($included, [$study->id]));
        if ($included === []) {
            throw new Refused('Nothing is included yet, so there is no paper to read.');
        }

        return $included;
    }

    /** @param  list<string>  $included */
    private static function title(array $included, ?CodebookItem $code, LeadPass $pass, ?Publication $study): string
    {
        $papers = $study?->called() ?? number_format(count($included)).' papers';
        $beginnings = $pass === LeadPass::Fast ? ', the beginnings,' : '';

        return "Reading {$papers}{$beginnings} for ".($code === null ? 'answers' : "“{$code->label}”");
    }
}
