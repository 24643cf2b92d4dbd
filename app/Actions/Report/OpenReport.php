<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Actions\Shared\WriteLog;
use App\Files\Out\ReportReader;
use App\Models\KeptAnalysis;
use App\Models\Report;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Report\Document\Node;
use WaryHeron\Core\Report\Document\Schema;
use WaryHeron\Core\Report\Standard\Template;

/** Begins the report of a review from the template, with the live blocks that belong in it. */
final readonly class OpenReport
{
    public function __construct(private WriteLog $log, private TakeBlock $blocks)
    {
    }

    public function execute(User $by, Review $review): Report
    {
        $analyses = KeptAnalysis::of($review)->pluck('title', 'id')->all();
        $document = Template::document($review->title, $analyses, fn (): string => strtolower((string) Str::ulid()));
        $base = ReportReader::make($document);
        $read = ReportReader::read($base, []);

        return $review->whileLocked(function () use ($by, $review, $base, $read): Report {
            $there = Report::of($review)->first();
            if ($there !== null) {
                return $there;
            }
            $report = new Report(['said' => $read->json]);
            $report->forceFill([
                'review_id' => $review->id,
                'base' => DB::raw("'\\x".bin2hex((string) base64_decode($base, true))."'::bytea"),
            ])->save();
            $this->takeBlocks($by, $report, Schema::node($read->json));
            ($this->log)($review, $by, 'text.begun', 'Began the report', $report);

            return Report::of($review)->sole();
        });
    }

    private function takeBlocks(User $by, Report $report, Node $document): void
    {
        foreach ($document->all() as $node) {
            if ($node->type === Node::LIVE_BLOCK) {
                $this->blocks->execute($by, $report, $node->said('id'), $node->said('kind'), $node->said('source'));
            }
        }
    }
}
