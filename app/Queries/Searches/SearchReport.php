<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Delivery;
use App\Models\Review;
use App\Models\Run;
use App\Queries\Report\FlowQuery;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Flow\Flow;

/**
 * Everything that a report of a literature search has to say: from what was done, and from what people say of what no
 * machine sees.
 *
 * Source: Rethlefsen et al., PRISMA-S, Syst Rev 2021 (items 1 to 16). All numbers are those of the flow diagram.
 */
final readonly class SearchReport
{
    /** What can only be typed, by key, with the item it answers and how it is asked. */
    public const TYPED = [
        'coverage' => [
            2,
            'Platforms',
            'What each database covers and through which platform it was searched, where that is not plain from the table',
        ],
        'browsing' => [
            4,
            'Online resources and browsing',
            'Tables of contents, conference programmes, websites that were looked through',
        ],
        'citations' => [5, 'Citation searching', 'Whose references and citing works were looked at, and by what'],
        'contacts' => [6, 'Contacts', 'Authors, experts or makers who were asked'],
        'other' => [7, 'Other methods', 'Any further way in which studies were looked for'],
        'limit_reasons' => [9, 'Reasons for limits', 'Why the limits below are justified'],
        'filters' => [
            10,
            'Search filters',
            'Published filters that were used, as they are or changed, with their source',
        ],
        'prior' => [11, 'Prior work', 'Strategies of other reviews that were taken over or adapted'],
        'updates' => [12, 'Updates', 'How the searches were or will be kept up to date'],
        'peer_review' => [14, 'Peer review', 'Who reviewed the strategies, when, and by what method'],
    ];

    /**
     * @param  Collection<int, Run>  $runs  the first search of each database
     * @param  Collection<int, Run>  $updates  later searches of the same databases
     * @param  Collection<int, Delivery>  $files
     * @param  Collection<int, Delivery>  $withdrawn
     * @param  array<string, int>  $kept  records that are in the review, by delivery
     * @param  array<string, list<string>>  $limits  by run
     * @param  array<string, string>  $notes  what people typed, by the keys of TYPED
     */
    private function __construct(
        public Collection $runs,
        public Collection $updates,
        public Collection $files,
        public Collection $withdrawn,
        public array $kept,
        public array $limits,
        public Flow $flow,
        public array $notes,
        public int $passedOver,
        public int $knownItems,
        public int $versions,
    ) {
    }

    public static function of(Review $review): self
    {
        $runs = self::runs($review);
        [$first, $later] = $runs->partition(
            fn (Run $run): bool => $runs->firstWhere('source', $run->source)?->is($run) === true,
        );
        $files = $review->deliveries()->where('kind', 'file')->with('creator')->orderBy('searched_on')->get();

        return new self(
            $first->values(),
            $later->values(),
            $files->whereNull('withdrawn_at')->where('kept', '>', 0)->values(),
            $review->deliveries()->whereNotNull('withdrawn_at')->orderBy('created_at')->get(),
            self::kept($review),
            $runs->mapWithKeys(fn (Run $run): array => [$run->id => self::limitsOf($run)])->all(),
            FlowQuery::of($review),
            $review->search_notes,
            (int) $review->deliveries()->whereNull('withdrawn_at')->sum('passed_over'),
            $review->knownItems()->count(),
            DB::table('strategy_versions')->where('review_id', $review->id)->count(),
        );
    }

    /** @return Collection<int, Run> those whose records were fetched and are here; others were trials, or withdrawn */
    private static function runs(Review $review): Collection
    {
        return Run::query()
            ->where('review_id', $review->id)
            ->with('runner', 'strategy', 'deliveries')
            ->orderBy('ran_at')
            ->get()
            ->filter(
                fn (Run $run): bool => $run->deliveries->contains(
                    fn (Delivery $one): bool => $one->withdrawn_at === null && ($one->kept > 0 || $one->passed_over > 0),
                ),
            )
            ->values();
    }

    /** @return array<string, int> records by delivery */
    private static function kept(Review $review): array
    {
        return DB::table('records')
            ->where('review_id', $review->id)
            ->whereNull('withdrawn_at')
            ->groupBy('delivery_id')
            ->selectRaw('delivery_id, count(*) AS n')
            ->pluck('n', 'delivery_id')
            ->map(fn ($n): int => (int) $n)
            ->all();
    }

    public function keptOf(Run $run): int
    {
        return array_sum(array_map(fn (Delivery $one): int => $this->kept[$one->id] ?? 0, $run->deliveries->all()));
    }

    /** @return Collection<int, Run> all searches, updates last */
    public function searches(): Collection
    {
        return $this->runs->concat($this->updates);
    }

    /** @return list<string> what nobody has said yet, by its name */
    public function unsaid(): array
    {
        return array_values(
            array_map(
                fn (array $one): string => $one[1],
                array_filter(
                    self::TYPED,
                    fn (array $one, string $key): bool => ($this->notes[$key] ?? '') === '',
                    ARRAY_FILTER_USE_BOTH,
                ),
            ),
        );
    }

    /** @return list<string> the limits of a run, and which of them the database does not have */
    private static function limitsOf(Run $run): array
    {
        $limits = [];
        foreach ($run->lines as $line) {
            if (
                preg_match(
                    '/(?<how>AND|NOT)\s+(?<limit>\(?(?:year|language|type|age|species):.+)$/i',
                    $line['text'],
                    $match,
                ) === 1
            ) {
                $isLacking =
                    array_filter($line['notes'], fn (string $note): bool => str_contains($note, 'no such limit')) !== [];
                $limits[] =
                    (strtoupper($match['how']) === 'NOT' ? 'all but ' : '').
                    $match['limit'].
                    ($isLacking ? ' (not applied: the database has no such limit)' : '');
            }
        }

        return $limits;
    }
}
