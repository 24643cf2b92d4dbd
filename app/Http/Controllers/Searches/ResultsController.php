<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Files\Out\RecordDownload;
use App\Http\Controllers\Controller;
use App\Http\Requests\Searches\DownloadRequest;
use App\Http\Requests\Searches\ResultsRequest;
use App\Models\Review;
use App\Models\Strategy;
use App\Queries\Searches\Compiler;
use App\Queries\Searches\FoundPage;
use App\Sources\Order;
use App\Sources\Page;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;
use WaryHeron\Core\Search\Text\Highlighter;

/** What a line finds in a database: to look at, and to carry away. */
final class ResultsController extends Controller
{
    private const PER_PAGE = 20;

    public function __construct(private readonly Sources $sources)
    {
    }

    public function index(ResultsRequest $request, Review $review, Strategy $strategy, Compiler $compiler): View
    {
        $source = $request->source($strategy);
        $revision = $strategy->shown();
        $lines = $revision->strategy();
        $line = $request->line($lines);

        return view('searches.results', [
            ...compact('review', 'strategy', 'source', 'line'),
            'sources' => $this->sources,
            'lineText' => $request->written() ?? ($lines->line($line)->text ?? ''),
            'query' => $request->written(),
            'order' => $request->order()->value,
            'revision' => $revision->number,
            'blocks' => Board::of($lines)->blocks,
            'perPage' => self::PER_PAGE,
            'most' => DownloadRequest::MOST,
            ...get_object_vars($this->found($request, $compiler, $review, $source, $lines)),
        ]);
    }

    private function found(
        ResultsRequest $request,
        Compiler $compiler,
        Review $review,
        string $source,
        Lines $lines,
    ): FoundPage {
        $written = $request->written();
        $page = $highlighter = null;
        $failure = '';
        try {
            $query = $written === null
                ? $lines->writtenOut($request->line($lines))
                : (new StrategyLine('', $written))->written();
            $highlighter = new Highlighter($query);
            $page = $this->page($compiler, $review, $source, $query, $request->page(), $request->order());
            $failure = $page === null ? 'This line cannot be asked in this database.' : '';
        } catch (SourceFailed|BadStrategy $problem) {
            $failure = $problem->getMessage();
        }

        $pages = $page === null ? 0 : (int) ceil($page->total / self::PER_PAGE);

        return new FoundPage($request->page(), $pages, $page, $failure, $highlighter);
    }

    private function page(
        Compiler $compiler,
        Review $review,
        string $source,
        Node $query,
        int $number,
        Order $order,
    ): ?Page {
        $compiled = $compiler->compile($review, $source, $query);
        $from = 1 + ($number - 1) * self::PER_PAGE;

        return $compiled->isUsable()
            ? $this->sources->get($source)->page($compiled->text, $from, self::PER_PAGE, $order)
            : null;
    }

    /**
     * A range of a line's records as a file, or with the strategy beside it as a zip, for those who go on elsewhere.
     */
    public function download(
        DownloadRequest $request,
        Review $review,
        Strategy $strategy,
        Compiler $compiler,
    ): BinaryFileResponse|RedirectResponse {
        $source = $request->validated('source');
        $lines = $strategy->shown()->strategy();
        $text = $compiler->compile($review, $source, $lines->writtenOut($request->line()))->text;
        try {
            $total = $this->sources->get($source)->count($text);
            $places = $request->places($total);
            if ($places === []) {
                return back()->withInput()->with('problem', $request->beyond($total));
            }

            $records = $this->at($source, $text, $places, $request->order(), $request->validated('fields'));
            $about = $request->boolean('strategy') ? $this->about($strategy, $lines, $source, $text) : [];

            return RecordDownload::make($request->fileName($places), $request->validated('format'), $records, $about);
        } catch (SourceFailed $failed) {
            return back()
                ->withInput()
                ->with('problem', "{$failed->getMessage()} Nothing was downloaded; try again in a moment.");
        }
    }

    /** @return list<list<string>> rows of a name and a text: which strategy, where, when, and line by line */
    private function about(Strategy $strategy, Lines $lines, string $source, string $text): array
    {
        return [
            ['Strategy', $strategy->name],
            ['Database', $this->sources->names()[$source]],
            ['Date', now()->format('j M Y')],
            ['Sent as', $text],
            ...array_map(
                fn (int $i, StrategyLine $line): array => ['#'.($i + 1), trim("{$line->text}  {$line->note}")],
                array_keys($lines->lines),
                $lines->lines,
            ),
        ];
    }

    /**
     * The records at these places of the list, asked for in as few batches as they lie in.
     *
     * @param  non-empty-list<int>  $places  from 1
     * @return \Generator<Reference>
     */
    private function at(string $source, string $text, array $places, Order $order, string $fields): \Generator
    {
        $client = $this->sources->get($source);
        sort($places);
        while ($places !== []) {
            $from = $places[0];
            $here = array_filter($places, fn (int $place): bool => $place < $from + $client->batch());
            $page = $client->page($text, $from, max($from, ...array_values($here)) - $from + 1, $order);
            if ($page->records === []) {
                return;
            }
            // a server may give fewer than it was asked for
            $here = array_filter($here, fn (int $place): bool => $place < $from + count($page->records));
            foreach ($here as $place) {
                $record = $page->records[$place - $from];
                if ($record instanceof Reference) {
                    yield $this->fields($record, $fields);
                }
            }
            $places = array_values(array_diff($places, $here));
        }
    }

    private function fields(Reference $record, string $which): Reference
    {
        return $which === 'complete'
            ? $record
            : Reference::fromArray(
                array_diff_key(
                    $record->toArray(),
                    array_flip([...$which === 'citation' ? ['abstract'] : [], 'keywords', 'extra']),
                ),
            );
    }
}
