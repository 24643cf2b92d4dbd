<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Records\StartDelivery;
use App\Actions\Searches\SaveSearch;
use App\Models\Review;
use App\Models\Search;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Search\Dialect\Compiled;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Query\ParsedQuery;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Query\Problem;
use WaryHeron\Core\Search\Text\Highlighter;

final class SearchController extends Controller
{
    private const PER_PAGE = 20;

    public function __construct(private readonly Sources $sources)
    {
    }

    public function index(Review $review): View
    {
        return view('searches.index', ['review' => $review, 'searches' => $review->searches()->with('creator', 'deliveries')->orderByDesc('created_at')->get(), 'sources' => $this->sources->names()]);
    }

    public function create(Review $review): View
    {
        return view('searches.edit', ['review' => $review, 'search' => null, 'sources' => $this->sources->names()]);
    }

    public function store(Request $request, Review $review, SaveSearch $save): RedirectResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:120'], 'source' => ['required', 'in:'.implode(',', array_keys($this->sources->names()))], 'query' => $this->queryRules()]);

        return redirect()->route('searches.show', [$review, $save->create($this->me($request), $review, $given['name'], $given['source'], $given['query'])]);
    }

    public function update(Request $request, Review $review, Search $search, SaveSearch $save): RedirectResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:120'], 'query' => $this->queryRules()]);
        $save->change($this->me($request), $search, $given['name'], $given['query']);

        return redirect()->route('searches.show', [$review, $search]);
    }

    /** What the text means, as it is typed: its mistakes with their columns, the compiled query, the count if asked for. */
    public function read(Request $request, Review $review): JsonResponse
    {
        $given = $request->validate(['query' => ['present', 'nullable', 'string', 'max:'.Parser::LONGEST], 'source' => ['required', 'in:'.implode(',', array_keys($this->sources->names()))], 'count' => ['boolean']]);
        $parsed = Parser::parse($given['query'] ?? '');
        if (! $parsed->isComplete()) {
            return response()->json(['problems' => array_map(fn (Problem $p): array => $p->toArray(), $parsed->problems), 'compiled' => '', 'notes' => [], 'usable' => false]);
        }
        $compiled = $this->compiled($parsed, $given['source']);
        $answer = ['problems' => [], 'compiled' => $compiled->text, 'notes' => array_map(fn (TranslationNote $n): string => $n->message(), $compiled->notes), 'usable' => $compiled->isUsable()];
        if ($compiled->isUsable() && $request->boolean('count')) {
            try {
                $answer['count'] = $this->sources->get($given['source'])->count($compiled->text);
            } catch (SourceFailed $failed) {
                $answer['failure'] = $failed->getMessage();
            }
        }

        return response()->json($answer);
    }

    public function show(Request $request, Review $review, Search $search): View
    {
        $parsed = Parser::parse($search->query);
        $compiled = $this->compiled($parsed, $search->source);
        $number = max(1, $request->integer('page', 1));
        $page = null;
        $failure = '';
        if ($compiled->isUsable()) {
            try {
                $page = $this->sources->get($search->source)->page($compiled->text, 1 + ($number - 1) * self::PER_PAGE, self::PER_PAGE);
                if ($search->count !== $page->total || $search->counted_at === null) {
                    $search->update(['count' => $page->total, 'counted_at' => now()]);
                }
            } catch (SourceFailed $failed) {
                $failure = $failed->getMessage();
            }
        }

        return view('searches.show', [
            'review' => $review, 'search' => $search, 'sources' => $this->sources->names(), 'compiled' => $compiled, 'page' => $page, 'failure' => $failure,
            'number' => $number, 'pages' => $page === null ? 0 : (int) ceil($page->total / self::PER_PAGE), 'perPage' => self::PER_PAGE,
            'highlighter' => new Highlighter($parsed->root), 'deliveries' => $search->deliveries()->orderByDesc('created_at')->get(),
        ]);
    }

    public function fetch(Request $request, Review $review, Search $search, StartDelivery $start): RedirectResponse
    {
        $compiled = $this->compiled(Parser::parse($search->query), $search->source);
        try {
            $count = $this->sources->get($search->source)->count($compiled->text);
        } catch (SourceFailed $failed) {
            return redirect()->route('searches.show', [$review, $search])->with('problem', "{$failed->getMessage()} Nothing was fetched.");
        }
        if ($count === 0) {
            return redirect()->route('searches.show', [$review, $search])->with('problem', 'This search finds no records, so there is nothing to fetch.');
        }
        $delivery = $start->ofSearch($this->me($request), $review, $search, $compiled->text, $count);

        return redirect()->route('deliveries.show', [$review, $delivery]);
    }

    private function compiled(ParsedQuery $parsed, string $source): Compiled
    {
        $dialect = Dialects::named(config("heron.sources.{$source}.dialect")) ?? throw new \LogicException("The source {$source} has no dialect.");

        return Printer::print($parsed->root, $dialect);
    }

    /** @return list<mixed> */
    private function queryRules(): array
    {
        return ['required', 'string', 'max:'.Parser::LONGEST, function (string $attribute, string $value, \Closure $fail): void {
            $parsed = Parser::parse($value);
            if (! $parsed->isComplete()) {
                $fail($parsed->problems[0]->message());
            }
        }];
    }
}
