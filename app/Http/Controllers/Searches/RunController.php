<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Searches\RunStrategy;
use App\Actions\Shared\Refused;
use App\Files\Out\RecordDownload;
use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Models\Run;
use App\Models\Strategy;
use App\Queries\Searches\Compiler;
use App\Sources\FullTextLocker;
use App\Sources\Order;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;
use WaryHeron\Core\Search\Text\Highlighter;

final class RunController extends Controller
{
    private const PER_PAGE = 20;

    /** The most records that are handed over without a delivery. */
    private const MOST_DOWNLOADED = 2000;

    public function __construct(private readonly Sources $sources)
    {
    }

    public function index(Review $review, Strategy $strategy): View
    {
        return view('searches.runs', [
            'review' => $review,
            'strategy' => $strategy,
            'sources' => $this->sources,
            'runs' => $strategy->runs()->with('runner', 'deliveries')->orderByDesc('ran_at')->get(),
            'fetchedBefore' => $review
                ->deliveries()
                ->whereNotNull('source_key')
                ->where('kept', '>', 0)
                ->distinct()
                ->pluck('source_key')
                ->all(),
        ]);
    }

    public function store(
        Request $request,
        Review $review,
        Strategy $strategy,
        RunStrategy $run,
        StartDelivery $start,
    ): RedirectResponse {
        $given = $request->validate([
            'sources' => ['required', 'array'],
            'sources.*' => ['in:'.implode(',', $strategy->sources)],
            'fetch' => ['in:nothing,all,new'],
        ]);
        $me = $this->me($request);
        $problems = [];
        foreach (array_unique($given['sources']) as $source) {
            try {
                $made = $run->execute($me, $strategy, $source);
                if (($given['fetch'] ?? 'nothing') !== 'nothing' && $made->total > 0 && $me->can('deliver', $review)) {
                    $start->ofRun($me, $made, $given['fetch'] === 'new');
                }
            } catch (SourceFailed|Refused $failure) {
                $problems[] = [
                    'text' => $failure->getMessage(),
                    'url' => route('strategies.show', [$review, $strategy]),
                    'link' => 'To the board',
                ];
            }
        }

        return redirect()
            ->route('strategies.runs', [$review, $strategy])
            ->with('problems', $problems);
    }

    public function show(Review $review, Run $run): View
    {
        return view('searches.run', ['review' => $review, 'run' => $run->load('runner', 'strategy', 'deliveries')]);
    }

    public function fetch(Request $request, Review $review, Run $run, StartDelivery $start): RedirectResponse
    {
        if ($run->total === 0) {
            return back()->with('problem', 'This run found no records, so there is nothing to fetch.');
        }

        return redirect()->route('deliveries.show', [
            $review,
            $start->ofRun($this->me($request), $run, $request->boolean('new')),
        ]);
    }

    /** The records of one line in one database, a page at a time; nothing is fetched into the review. */
    public function results(Request $request, Review $review, Strategy $strategy, Compiler $compiler): View
    {
        $given = $request->validate([
            'source' => ['nullable', 'string'],
            'line' => ['nullable', 'integer', 'min:1'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
            'query' => ['nullable', 'string', 'max:2000'],
            'order' => ['nullable', 'in:newest,oldest,relevance'],
        ]);
        $source = in_array($given['source'] ?? '', $strategy->sources, true)
            ? $given['source']
            : $strategy->sources[0] ?? abort(404);
        $revision = $strategy->shown();
        $lines = $revision->strategy();
        $line = (int) ($given['line'] ?? ($lines->resultNumber() ?? 1));
        $number = (int) ($given['page'] ?? 1);
        $page = $highlighter = null;
        $failure = '';
        try {
            $query = isset($given['query'])
                ? (new StrategyLine('', $given['query']))->written()
                : $lines->writtenOut($line);
            $compiled = $compiler->compile($review, $source, $query);
            $highlighter = new Highlighter($query);
            $page = $compiled->isUsable()
                ? $this->sources
                    ->get($source)
                    ->page(
                        $compiled->text,
                        1 + ($number - 1) * self::PER_PAGE,
                        self::PER_PAGE,
                        Order::from($given['order'] ?? 'newest'),
                    )
                : null;
            $failure = $compiled->isUsable() ? '' : 'This line cannot be asked in this database.';
        } catch (SourceFailed|BadStrategy $problem) {
            $failure = $problem->getMessage();
        }

        return view('searches.results', [
            'review' => $review,
            'strategy' => $strategy,
            'sources' => $this->sources,
            'source' => $source,
            'line' => $line,
            'lineText' => $given['query'] ?? ($lines->line($line)->text ?? ''),
            'query' => $given['query'] ?? null,
            'order' => $given['order'] ?? 'newest',
            'revision' => $revision->number,
            'blocks' => Board::of($lines)->blocks,
            'page' => $page,
            'failure' => $failure,
            'number' => $number,
            'pages' => $page === null ? 0 : (int) ceil($page->total / self::PER_PAGE),
            'perPage' => self::PER_PAGE,
            'highlighter' => $highlighter,
            'most' => self::MOST_DOWNLOADED,
        ]);
    }

    /** The copy that the locker has of a DOI; what comes from outside is never shown as a page of ours. */
    public function fullText(Request $request, Review $review, FullTextLocker $locker): Response|RedirectResponse
    {
        $given = $request->validate(['doi' => ['required', 'string', 'max:250', 'regex:~^10\.\d{4,9}/\S+$~']]);
        try {
            $pdf = $locker->pdf($given['doi']);
        } catch (SourceFailed $failed) {
            return back()->with('problem', $failed->getMessage());
        }

        return new Response($pdf, 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'attachment; filename="'.Str::slug(str_replace(['/', '.'], '-', $given['doi'])).'.pdf"',
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }

    /**
     * A range of a line's records as a file, or with the strategy beside it as a zip, for those who go on elsewhere.
     */
    public function download(
        Request $request,
        Review $review,
        Strategy $strategy,
        Compiler $compiler,
    ): BinaryFileResponse|RedirectResponse {
        $given = $request->validate(
            [
                'source' => ['required', 'in:'.implode(',', $strategy->sources)],
                'line' => ['required', 'integer', 'min:1'],
                'from' => ['required_without:batch', 'nullable', 'integer', 'min:1', 'max:100000000'],
                'to' => ['required_without:batch', 'nullable', 'integer', 'gte:from', 'max:100000000'],
                'batch' => ['nullable', 'integer', 'min:1', 'max:100000000'],
                'format' => ['required', 'in:xlsx,'.implode(',', array_keys(Formats::writers()))],
                'fields' => ['required', 'in:citation,abstract,complete'],
                'strategy' => ['boolean'],
                'picked' => ['nullable', 'string', 'regex:/^\d{1,7}(?:,\d{1,7}){0,1999}$/'],
                'order' => ['nullable', 'in:newest,oldest,relevance'],
            ],
            ['to.gte' => 'The range ends before it begins.'],
        );
        $lines = $strategy->shown()->strategy();
        $text = $compiler->compile($review, $given['source'], $lines->writtenOut((int) $given['line']))->text;
        $from = (int) ($given['batch'] ?? $given['from']);
        $to = min(isset($given['batch']) ? PHP_INT_MAX : (int) $given['to'], $from + self::MOST_DOWNLOADED - 1);
        try {
            $total = $this->sources->get($given['source'])->count($text);
            $wanted =
                isset($given['picked']) && ! isset($given['batch'])
                    ? array_map(intval(...), explode(',', $given['picked']))
                    : ($from > $total
                        ? []
                        : range($from, min($to, $total)));
            $places = array_values(array_filter($wanted, fn (int $place): bool => $place >= 1 && $place <= $total));
            if ($places === []) {
                return back()
                    ->withInput()
                    ->with(
                        'problem',
                        'The list ends with record '.
                            number_format($total).
                            ', so there is nothing from '.
                            number_format($from).
                            ' on.',
                    );
            }
            $references = $this->at(
                $given['source'],
                $text,
                $places,
                Order::from($given['order'] ?? 'newest'),
                $given['fields'],
            );
            $name =
                isset($given['picked']) && ! isset($given['batch'])
                    ? "{$given['source']}-picked"
                    : "{$given['source']}-{$from}-".end($places);

            return RecordDownload::make(
                $name,
                $given['format'],
                $references,
                $request->boolean('strategy') ? $this->about($strategy, $lines, $given['source'], $text) : [],
            );
        } catch (SourceFailed $failed) {
            return back()
                ->withInput()
                ->with('problem', "{$failed->getMessage()} Nothing was downloaded; try again in a moment.");
        }
    }

    /**
     * @return list<array{string, string}> what stands beside the records: which strategy, where, when, and line by line
     */
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
