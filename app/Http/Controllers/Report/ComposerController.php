<?php

declare(strict_types=1);

namespace App\Http\Controllers\Report;

use App\Actions\Report\ExchangeUpdates;
use App\Actions\Report\OpenReport;
use App\Actions\Report\ReadReport;
use App\Actions\Report\Remark;
use App\Actions\Report\SetClaim;
use App\Actions\Report\TakeBlock;
use App\Files\Out\ReferenceList;
use App\Files\Out\ReportDownload;
use App\Files\Out\TextDownload;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Problems;
use App\Http\Requests\Report\ClaimRequest;
use App\Http\Requests\Report\ExchangeRequest;
use App\Models\Report;
use App\Models\ReportVersion;
use App\Models\Review;
use App\Queries\Report\Claims\ClaimChecks;
use App\Queries\Report\Claims\ClaimEvidence;
use App\Queries\Report\Composed\ComposerStart;
use App\Queries\Report\Composed\FindingsDraft;
use App\Queries\Report\Composed\KeptBlocks;
use App\Queries\Report\Composed\LiveNumbers;
use App\Queries\Report\Composed\MethodsDraft;
use App\Queries\Report\Composed\NumberedWords;
use App\Queries\Report\Composed\Remarks;
use App\View\Report\BlockContent;
use App\View\Report\LiveBlocks;
use App\View\Report\ReportFile;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\Response;
use WaryHeron\Core\Report\Document\Schema;
use WaryHeron\Core\Report\Document\Section;
use WaryHeron\Core\Report\Standard\Coverage;
use WaryHeron\Core\Report\Standard\ReportingItem;

/** The report as it is written: words by people, live blocks by the review. */
final class ComposerController extends Controller
{
    public function show(Request $request, Review $review, ReadReport $read): View
    {
        $report = Report::of($review)->first();
        if ($report === null) {
            return view('report.begin', ['review' => $review]);
        }
        $report = $read->execute($report)->setRelation('review', $review);
        $mayWrite = Gate::allows('write', $review);

        return view('report.compose', [
            'review' => $review,
            'report' => $report,
            'coverage' => Coverage::of(Section::all(Schema::node($report->said))),
            'items' => count(ReportingItem::cases()),
            'versions' => self::versions($review),
            'offered' => LiveBlocks::offered($review),
            'styles' => ReferenceList::styles(),
            'data' => ComposerStart::of($report, $this->me($request), $mayWrite, self::addresses($review)),
        ]);
    }

    /** @return Collection<int, ReportVersion> the last ones */
    private static function versions(Review $review): Collection
    {
        return ReportVersion::query()
            ->where('review_id', $review->id)
            ->with('user')
            ->orderByDesc('id')
            ->limit(30)
            ->get(['id', 'name', 'user_id', 'created_at']);
    }

    /** @return array<string, string> */
    private static function addresses(Review $review): array
    {
        return [
            'exchange' => route('report.exchange', $review, false),
            'standing' => route('report.standing', $review, false),
            'blocks' => route('report.blocks', $review, false),
            'evidence' => route('report.evidence', $review, false),
            'draft' => route('report.draft', $review, false),
            'drafted' => route('drafts.section', [$review, 'DRAFT', 'SECTION'], false),
            'remarks' => route('report.remark', [$review, 'THREAD'], false),
            'claims' => route('report.claims', [$review, 'CLAIM'], false),
        ];
    }

    public function begin(Request $request, Review $review, OpenReport $open): RedirectResponse
    {
        $open->execute($this->me($request), $review);

        return redirect()->route('report.text', $review);
    }

    /** What this page changed in, what others changed out. */
    public function exchange(ExchangeRequest $request, Review $review, ExchangeUpdates $exchange): JsonResponse
    {
        abort_if($request->schema() !== Schema::VERSION, 409, Problems::OLDER_PAGE);
        $report = Report::of($review)->firstOrFail();
        if ($request->update() !== null) {
            Gate::authorize('write', $review);
        }
        $given = $exchange->execute(
            $this->me($request),
            $report,
            $request->heard(),
            $request->client(),
            $request->update(),
        );

        return response()->json([
            ...get_object_vars($given),
            'presence' => $exchange->presence($report, $request->client(), $request->presence()),
        ]);
    }

    /** What live blocks show and what has changed since, what numbers are now, and how claims stand. */
    public function standing(Review $review): JsonResponse
    {
        $report = Report::of($review)->firstOrFail();
        $blocks = KeptBlocks::of($report);
        $changed = $now = [];
        foreach ($blocks as $id => $kept) {
            $is = $now["{$kept->kind} {$kept->source}"] ??= LiveBlocks::of($review, $kept->kind, $kept->source);
            $changed[$id] = BlockContent::fromArray($kept->shown)->changed($is);
        }

        return response()->json([
            'changed' => (object) array_filter($changed),
            'blocks' => (object) KeptBlocks::drawn($blocks),
            'numbers' => (object) LiveNumbers::of($review),
            'claims' => (object) ClaimChecks::of($review, $report),
            'remarks' => (object) Remarks::of($report),
        ]);
    }

    /** A block put in, or refreshed. */
    public function block(Request $request, Review $review, TakeBlock $take): JsonResponse
    {
        $given = $request->validate([
            'id' => ['nullable', 'string', 'regex:/^[0-9a-z]{26}$/'],
            'kind' => ['required', 'string', Rule::in(self::kinds())],
            'source' => ['nullable', 'string', 'max:120'],
        ]);
        $id = $given['id'] ?? strtolower((string) Str::ulid());
        $shown = $take->execute(
            $this->me($request),
            Report::of($review)->firstOrFail(),
            $id,
            $given['kind'],
            $given['source'] ?? '',
        );

        return response()->json([
            'id' => $id,
            'kind' => $given['kind'],
            'source' => $given['source'] ?? '',
            'title' => $shown->title,
            'html' => $shown->html(),
        ]);
    }

    /** @return list<string> of live blocks */
    private static function kinds(): array
    {
        return [...array_keys(LiveBlocks::PLAIN), 'forest', 'funnel', 'map', 'table', 'passages'];
    }

    /** Methods and findings as the review's facts tell them, to be put into the report. */
    public function draft(Review $review): JsonResponse
    {
        $numbers = new NumberedWords(LiveNumbers::of($review));
        $sections = array_merge_recursive(MethodsDraft::of($review, $numbers), FindingsDraft::of($review, $numbers));

        return response()->json(['sections' => (object) $sections]);
    }

    public function evidence(Request $request, Review $review): JsonResponse
    {
        return response()->json(['found' => (new ClaimEvidence($review))->search(Input::text($request, 'q'))]);
    }

    public function claim(ClaimRequest $request, Review $review, string $claim, SetClaim $set): JsonResponse
    {
        $report = Report::of($review)->firstOrFail();
        $set->execute($this->me($request), $report, $claim, $request->adds(), $request->takesOff(), $request->own());

        return response()->json(ClaimChecks::of($review, $report)[$claim]);
    }

    /** Something said about words of the report, or that it is ended, or open again. */
    public function remark(Request $request, Review $review, string $thread, Remark $remark): JsonResponse
    {
        $given = $request->validate([
            'body' => ['required_without:ends', 'nullable', 'string', 'max:4000'],
            'ends' => ['nullable', 'boolean'],
        ]);
        $report = Report::of($review)->firstOrFail();
        $remark->execute(
            $this->me($request),
            $report,
            $thread,
            trim($given['body'] ?? ''),
            isset($given['ends']) ? (bool) $given['ends'] : null,
        );

        return response()->json(Remarks::of($report)[$thread]);
    }

    /** The report as it is now, as one file that is quickly made; others are made in the background. */
    public function download(Request $request, Review $review, string $format, ReadReport $read): Response
    {
        $report = $read->execute(Report::of($review)->firstOrFail());
        $file = ReportFile::of($review, $report, $format === 'html' ? ReportFile::PAGE : ReportFile::DOCUMENT);
        $content = $format === 'html' ? $file->html() : ReportDownload::document($file->html(), 'gfm');

        return TextDownload::made($file->title(), $format, $content);
    }

    public function style(Request $request, Review $review): RedirectResponse
    {
        $given = $request->validate(['style' => ['required', Rule::in(array_keys(ReferenceList::styles()))]]);
        Report::of($review)->update(['style' => $given['style']]);

        return redirect()->route('report.text', $review)->with('notice', 'Files cite in this style from now on.');
    }
}
