<?php

declare(strict_types=1);

namespace App\Http\Controllers\Report;

use App\Actions\Report\CloseVersion;
use App\Actions\Report\WordFlow;
use App\Files\Out\SvgPicture;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Report\FlowWordsRequest;
use App\Models\Review;
use App\Models\ReviewVersion;
use App\Queries\Report\FlowQuery;
use App\Queries\Report\MadeFiles;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use WaryHeron\Core\Bibliography\Format\Csv\CsvLine;
use WaryHeron\Core\Flow\Diagram;
use WaryHeron\Core\Flow\DiagramSvg;
use WaryHeron\Core\Flow\FlowNumber;

final class ReportController extends Controller
{
    public function show(Request $request, Review $review): View
    {
        return view('report.show', [
            'review' => $review,
            'flow' => FlowQuery::of($review),
            'reasons' => FlowQuery::reasons($review),
            'fullReasons' => FlowQuery::reasons($review, $review->lastStage()),
            'sources' => FlowQuery::sources($review),
            'diagram' => FlowQuery::diagram($review),
            'captions' => FlowQuery::captionKeys($review),
            'versions' => ReviewVersion::query()->where('review_id', $review->id)->with('closer')->orderByDesc('number')->get(),
            'made' => MadeFiles::of($review, $this->me($request)),
        ]);
    }

    /** Words of one's own, and what an earlier version included; numbers are never typed. */
    public function word(FlowWordsRequest $request, Review $review, WordFlow $word): RedirectResponse
    {
        $captions = self::captions($review, $request->captions());
        $word->execute($this->me($request), $review, $captions, $request->previous(), Input::shown($request));

        return redirect()
            ->to(route('report', $review).'#diagram')
            ->with('notice', 'The diagram says so from now on.');
    }

    /**
     * @param  array<array-key, ?string>  $given  by place; in the form they have names of their own, as keys hold what people wrote
     * @return array<string, string>
     */
    private static function captions(Review $review, array $given): array
    {
        $keys = FlowQuery::captionKeys($review);
        $captions = [];
        foreach ($given as $i => $caption) {
            if (isset($keys[$i])) {
                $captions[$keys[$i]->key] =
                    trim((string) $caption) === $keys[$i]->usual ? '' : trim((string) $caption);
            }
        }

        return $captions;
    }

    /** What has been come to is held fast: what comes later is an update. */
    public function closeVersion(Request $request, Review $review, CloseVersion $close): RedirectResponse
    {
        $given = $request->validate(['name' => ['nullable', 'string', 'max:120']]);
        $version = $close->execute($this->me($request), $review, trim($given['name'] ?? ''));

        return redirect()
            ->to(route('report', $review).'#diagram')
            ->with('notice', "“{$version->name}” is held fast. The diagram tells what comes from now on apart.");
    }

    public function takeBackVersion(Request $request, Review $review, CloseVersion $close): RedirectResponse
    {
        $close->takeBack($this->me($request), $review);

        return redirect()->to(route('report', $review).'#diagram')->with('notice', 'The diagram tells all of it together again.');
    }

    public function flow(Review $review, string $format): Response
    {
        $diagram = FlowQuery::diagram($review);
        $name = Str::limit(Str::slug($review->title), 40, '')."-flow.{$format}";
        if ($format !== 'csv') {
            $svg = DiagramSvg::of($diagram, $review->title, FlowQuery::links($review));

            return SvgPicture::download($svg, $name, $format);
        }

        return response(self::table($diagram), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
    }

    private static function table(Diagram $diagram): string
    {
        $rows = array_map(
            fn (FlowNumber $one): array => [$one->arm, $one->phase, $one->line->label, $one->line->n],
            $diagram->numbers(),
        );

        return CsvLine::BEGINNING.implode('', array_map(CsvLine::of(...), [['arm', 'phase', 'box', 'n'], ...$rows]));
    }
}
