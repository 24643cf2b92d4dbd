<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Actions\Searches\ChangeStrategy;
use App\Actions\Shared\Refused;
use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Models\Strategy;
use App\Models\StrategyRevision;
use App\Models\User;
use App\Queries\Question\ConceptRow;
use App\Queries\Question\Concepts;
use App\Queries\Question\QuestionHelp;
use App\Queries\Searches\Headings;
use App\Queries\Searches\StrategyNumbers;
use App\Queries\Searches\StrategySheet;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\StrategyImport;

final class StrategyController extends Controller
{
    private const COUNTING_SECONDS = 1.5;

    private const CHANGE = [
        'revision' => ['required', 'integer'],
        'change' => ['required', 'string', 'max:40'],
        'with' => ['array'],
    ];

    public function __construct(
        private readonly Sources $sources,
        private readonly ChangeStrategy $change,
        private readonly StrategySheet $sheet,
    ) {
    }

    public function index(Review $review): View
    {
        return view('searches.index', [
            'review' => $review,
            'sources' => $this->sources,
            'strategies' => $review
                ->strategies()
                ->with('creator', 'versions')
                ->orderByRaw('archived_at IS NOT NULL')
                ->orderByDesc('created_at')
                ->get(),
            'runs' => $review
                ->runs()
                ->with('deliveries')
                ->orderByDesc('ran_at')
                ->limit(50)
                ->get()
                ->groupBy('strategy_id'),
        ]);
    }

    public function create(Review $review): View
    {
        return view('searches.new', [
            'review' => $review,
            'sources' => $this->sources->names(),
            'concepts' => array_map(
                fn (ConceptRow $row): string => $row->heading(),
                Concepts::of($review)->forSearch(),
            ),
        ]);
    }

    public function store(Request $request, Review $review): RedirectResponse
    {
        $given = $request->validate($this->rules());
        try {
            $strategy = $this->begun($this->me($request), $review, $given);
        } catch (BadStrategy $problem) {
            return back()
                ->withInput()
                ->withErrors(['text' => $problem->getMessage()]);
        }

        return redirect()->route('strategies.show', [$review, $strategy]);
    }

    /** @param  array<string, mixed>  $given */
    private function begun(User $me, Review $review, array $given): Strategy
    {
        $content = isset($given['text']) ? StrategyImport::lines($given['text'], $given['dialect'] ?? 'heron') : null;
        $sources = array_values(array_unique($given['sources'] ?? []));
        $strategy = $this->change->create($me, $review, $given['name'], $sources, [], $content);
        if ($content === null) {
            $this->change->execute($me, $strategy, 1, 'fill', ['blocks' => self::blocks($given['blocks'] ?? [])]);
        }

        return $strategy;
    }

    /**
     * @param  array<array-key, array<string, ?string>>  $given
     * @return list<array<string, string|list<string>>>
     */
    private static function blocks(array $given): array
    {
        return array_map(
            fn (array $block): array => [
                'name' => (string) ($block['name'] ?? ''),
                'terms' => StrategyImport::synonyms((string) ($block['terms'] ?? '')),
            ],
            array_values($given),
        );
    }

    /** @return array<string, list<string|object>> of blocks of words, or of lines */
    private function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:120'],
            ...$this->sourceRules(),
            'blocks' => ['array', 'max:12'],
            'blocks.*.name' => ['nullable', 'string', 'max:200'],
            'blocks.*.terms' => ['nullable', 'string', 'max:4000'],
            'text' => ['nullable', 'string', 'max:'.Parser::LONGEST],
            'dialect' => ['nullable', 'in:heron,cql,ccl'],
        ];
    }

    public function archive(Request $request, Review $review, Strategy $strategy): RedirectResponse
    {
        $away = $request->validate(['away' => ['required', 'boolean']])['away'];
        $this->change->archive($this->me($request), $strategy, (bool) $away);

        return redirect()
            ->route('searches', $review)
            ->with(
                'notice',
                $away
                    ? "“{$strategy->name}” is put away. It can be brought back here."
                    : "“{$strategy->name}” is back.",
            );
    }

    public function update(Request $request, Review $review, Strategy $strategy): RedirectResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:120'], ...$this->sourceRules()]);
        $this->change->settings(
            $this->me($request),
            $strategy,
            $given['name'],
            array_values(array_unique($given['sources'] ?? [])),
        );

        return back();
    }

    public function board(Review $review, Strategy $strategy, QuestionHelp $help): View
    {
        return $this->page('searches.board', $review, $strategy)->with([
            'schemes' => Headings::schemes($review),
            'help' => $help->of($review, $strategy, $strategy->shown()->strategy()),
        ]);
    }

    public function lines(Review $review, Strategy $strategy): View
    {
        return $this->page('searches.lines', $review, $strategy);
    }

    /** What one does to a strategy; the answer is the strategy as it then stands. */
    public function change(Request $request, Review $review, Strategy $strategy): JsonResponse
    {
        $given = $request->validate(self::CHANGE);
        try {
            $revision = $this->changed($this->me($request), $strategy, $given);
        } catch (BadStrategy $problem) {
            return response()->json(['message' => $problem->getMessage()], 422);
        } catch (Refused $refused) {
            $sheet = $this->sheet->of($review, $strategy->refresh(), $strategy->shown());

            return response()->json(['message' => $refused->getMessage(), 'sheet' => $sheet], 409);
        }

        return response()->json($this->sheet->of($review, $strategy->refresh(), $revision));
    }

    /**
     * @param  array<string, mixed>  $given
     *
     * @throws BadStrategy|Refused
     */
    private function changed(User $me, Strategy $strategy, array $given): StrategyRevision
    {
        return match ($given['change']) {
            'undo' => $this->change->undo($strategy, $given['revision']),
            'redo' => $this->change->redo($strategy, $given['revision']),
            default => $this->change->execute(
                $me,
                $strategy,
                $given['revision'],
                $given['change'],
                $given['with'] ?? [],
            ),
        };
    }

    public function numbers(
        Request $request,
        Review $review,
        Strategy $strategy,
        StrategyNumbers $numbers,
    ): JsonResponse {
        return response()->json(
            $numbers->of(
                $review,
                $strategy->shown()->strategy(),
                $this->sheet->chosen($strategy),
                self::COUNTING_SECONDS,
            ),
        );
    }

    private function page(string $view, Review $review, Strategy $strategy): View
    {
        return view($view, [
            'review' => $review,
            'strategy' => $strategy,
            'sources' => $this->sources->names(),
            'sheet' => $this->sheet->of($review, $strategy, $strategy->shown()),
        ]);
    }

    /**
     * At least one database, where there is any to be asked.
     *
     * @return array<string, list<string>>
     */
    private function sourceRules(): array
    {
        $names = array_keys($this->sources->names());

        return $names === []
            ? ['sources' => ['array', 'max:0']]
            : ['sources' => ['required', 'array', 'min:1'], 'sources.*' => ['in:'.implode(',', $names)]];
    }
}
