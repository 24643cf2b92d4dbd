<?php

declare(strict_types=1);

namespace App\Http\Controllers\Report;

use App\Actions\Report\WordWork;
use App\Files\Out\SvgPicture;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Review;
use App\Queries\Report\FlowQuery;
use App\Queries\Report\WorkSteps;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use WaryHeron\Core\Flow\Definitions;
use WaryHeron\Core\Flow\FlowNumber;
use WaryHeron\Core\Flow\Work\WorkDiagramSvg;

/** How a review is done, drawn from what there is, and what each number of it and of the flow diagram counts. */
final class WorkDiagramController extends Controller
{
    public const COLUMNS = [1, 2, 3, 4];

    public function show(Review $review): View
    {
        $steps = WorkSteps::of($review);

        return view('report.work', [
            'review' => $review,
            'steps' => $steps,
            'svg' => self::drawn($review),
            'columns' => self::COLUMNS,
            'flow' => array_filter(
                FlowQuery::diagram($review)->numbers(),
                fn (FlowNumber $one): bool => Definitions::of($one->line->key) !== '' && ! str_contains($one->line->key, ':'),
            ),
            'links' => FlowQuery::links($review),
        ]);
    }

    public function download(Review $review, string $format): Response
    {
        $name = Str::limit(Str::slug($review->title), 40, '')."-work.{$format}";

        return SvgPicture::download(self::drawn($review), $name, $format);
    }

    public function word(Request $request, Review $review, WordWork $word): RedirectResponse
    {
        $given = $request->validate([
            'columns' => ['required', 'integer', 'in:'.implode(',', self::COLUMNS)],
            'captions' => ['array', 'max:60'],
            'captions.*' => ['nullable', 'string', 'max:120'],
        ]);
        $captions = self::captions($review, $given['captions'] ?? []);
        $word->execute($this->me($request), $review, $captions, (int) $given['columns'], Input::shown($request));

        return redirect()->route('report.work', $review)->with('notice', 'The diagram says so from now on.');
    }

    /**
     * @param  array<?string>  $given  in the form they are numbered, since a key holds a blank
     * @return array<string, string> by step; empty where the usual words stand
     */
    private static function captions(Review $review, array $given): array
    {
        $captions = [];
        foreach (WorkSteps::of((clone $review)->forceFill(['work_captions' => []])) as $i => $step) {
            $caption = trim((string) ($given[$i] ?? ''));
            $captions[$step->key] = $caption === $step->title ? '' : $caption;
        }

        return $captions;
    }

    private static function drawn(Review $review): string
    {
        return WorkDiagramSvg::of(WorkSteps::of($review), $review->title, $review->work_columns);
    }
}
