<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Actions\Searches\ChangeStrategy;
use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Models\Strategy;
use App\Models\StrategyVersion;
use App\Queries\Searches\StrategyNumbers;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyComparison;

final class VersionController extends Controller
{
    private const SECONDS = 3.0;

    private static function lines(Strategy $strategy, int $revision): Lines
    {
        return $strategy->revisions()->where('number', $revision)->firstOrFail()->strategy();
    }

    public function show(
        Request $request,
        Review $review,
        Strategy $strategy,
        StrategyNumbers $numbers,
        Sources $sources,
    ): View {
        $given = $request->validate(['from' => ['nullable', 'integer'], 'to' => ['nullable', 'integer']]);
        $versions = $strategy->versions()->with('freezer')->orderByDesc('number')->get();
        $revisions = $strategy->revisions()->with('maker')->orderByDesc('number')->limit(60)->get();
        $to = (int) ($given['to'] ?? $strategy->head);
        $earlier = $versions->first(fn (StrategyVersion $one): bool => $one->revision !== $to);
        $from = (int) ($given['from'] ?? $earlier->revision ?? $to);
        [$before, $after] = [self::lines($strategy, $from), self::lines($strategy, $to)];
        $keys = array_values(array_filter($strategy->sources, $sources->has(...)));
        $counts = fn ($lines): array => $from === $to
            ? []
            : $numbers->of($review, $lines, $keys, self::SECONDS)->numbers;

        return view('searches.versions', [
            ...compact('review', 'strategy', 'versions', 'revisions', 'from', 'to', 'sources', 'keys'),
            'rows' => $from === $to ? [] : StrategyComparison::of($before, $after),
            'before' => $counts($before),
            'after' => $counts($after),
            'lines' => [$before, $after],
        ]);
    }

    public function store(
        Request $request,
        Review $review,
        Strategy $strategy,
        ChangeStrategy $change,
    ): RedirectResponse {
        $given = $request->validate(['note' => ['nullable', 'string', 'max:200']]);
        $version = $change->freeze($this->me($request), $strategy, (string) ($given['note'] ?? ''));

        return redirect()
            ->route('strategies.versions', [$review, $strategy])
            ->with('notice', "This is version {$version->number}.");
    }

    public function back(Request $request, Review $review, Strategy $strategy, ChangeStrategy $change): RedirectResponse
    {
        $given = $request->validate(['revision' => ['required', 'integer'], 'base' => ['required', 'integer']]);
        $change->backTo($this->me($request), $strategy, (int) $given['base'], (int) $given['revision']);

        return redirect()
            ->route('strategies.show', [$review, $strategy])
            ->with('notice', 'The earlier state is the newest now. What came between is kept in the history.');
    }
}
