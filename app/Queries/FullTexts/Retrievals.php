<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use App\Models\FullText;
use App\Models\Item;
use App\Models\Review;
use App\Models\Stage;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\FullText\RetrievalState;
use WaryHeron\Core\FullText\WantedCopy;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

/** The texts that are sought: of every publication that was included by title and abstract. */
final class Retrievals
{
    public const PER_PAGE = 100;

    /** So many can be told on at once. */
    public const AT_ONCE = 2000;

    /** What the list can be narrowed down to, beside the states themselves. */
    public const NARROW = [
        'copy' => 'with a PDF here',
        'paper' => 'obtained, without a PDF here',
        'refused' => 'without a copy in the locker',
        'no-doi' => 'without a DOI',
        'judged' => 'with a final decision',
    ];

    public static function stage(Review $review): ?Stage
    {
        return $review->stages->firstWhere('purpose', StagePurpose::FullText);
    }

    /** Publications whose texts are sought or were given up, with how far each is. */
    public static function sought(Review $review): Builder
    {
        return DB::table('items')
            ->join('publications', 'publications.id', '=', 'items.publication_id')
            ->whereColumn('publications.review_id', 'items.review_id')
            ->leftJoin('retrievals', fn ($on) => $on
                ->on('retrievals.review_id', '=', 'items.review_id')
                ->on('retrievals.publication_id', '=', 'items.publication_id'))
            ->where('items.review_id', $review->id)
            ->where('items.stage_id', self::stage($review)->id ?? '')
            ->where(fn (Builder $any) => $any
                ->whereNotIn('items.state', [ItemState::Folded->value, ItemState::Removed->value])
                ->orWhere(fn (Builder $gone) => self::neverObtained($gone, $review)));
    }

    private static function neverObtained(Builder $items, Review $review): void
    {
        $items
            ->where('items.state', ItemState::Removed->value)
            ->where('retrievals.state', RetrievalState::NotRetrievable->value)
            ->whereNull('publications.removed_at')
            ->whereExists(self::wasIncluded($review));
    }

    /** Whether the first stage included a publication. */
    private static function wasIncluded(Review $review): \Closure
    {
        return fn (Builder $q) => $q
            ->selectRaw('1')
            ->from('items AS before')
            ->whereColumn('before.review_id', 'items.review_id')
            ->whereColumn('before.publication_id', 'items.publication_id')
            ->where('before.stage_id', $review->firstStage()->id)
            ->where('before.state', ItemState::Included->value);
    }

    /** @return array<string, int> how many are in each state */
    public static function counts(Review $review): array
    {
        $counts = self::sought($review)
            ->groupByRaw("coalesce(retrievals.state, 'sought')")
            ->selectRaw("coalesce(retrievals.state, 'sought') AS standing, count(*) AS n")
            ->pluck('n', 'standing');

        return array_combine(
            array_map(fn (RetrievalState $one): string => $one->value, RetrievalState::cases()),
            array_map(fn (RetrievalState $one): int => (int) ($counts[$one->value] ?? 0), RetrievalState::cases()),
        );
    }

    /** @return array<string, int> those that were given up, by the reason told; of all sought, or of some of them */
    public static function givenUp(Review $review, ?Builder $among = null): array
    {
        return ($among ?? self::sought($review))
            ->where('retrievals.state', RetrievalState::NotRetrievable->value)
            ->groupBy('retrievals.reason')
            ->orderByRaw('count(*) DESC, retrievals.reason')
            ->selectRaw('retrievals.reason, count(*) AS n')
            ->pluck('n', 'reason')
            ->map(fn ($n): int => (int) $n)
            ->all();
    }

    /**
     * Those sought, narrowed down.
     *
     * @param  array<string, string>  $kept  state, only, words and reason, as far as each is given
     */
    public static function found(Review $review, array $kept): Builder
    {
        $sought = self::sought($review);
        $kept += ['state' => '', 'only' => '', 'words' => '', 'reason' => ''];
        ['state' => $state, 'only' => $only, 'words' => $words, 'reason' => $reason] = $kept;
        self::narrowTo($sought, $only);
        $sought->when($reason !== '', fn (Builder $one) => $one->where('retrievals.reason', $reason));
        foreach (preg_split('/\s+/u', $words, 12, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $like = '%'.addcslashes($word, '%_\\').'%';
            $sought->where(
                fn (Builder $any) => $any
                    ->where('publications.title', 'ilike', $like)
                    ->orWhere('publications.authors', 'ilike', $like)
                    ->orWhere('publications.doi', 'ilike', $like),
            );
        }

        return RetrievalState::tryFrom($state) === null
            ? $sought
            : $sought->whereRaw("coalesce(retrievals.state, 'sought') = ?", [$state]);
    }

    /** To those with a copy, on paper only, refused by the locker, without a DOI or judged. */
    private static function narrowTo(Builder $sought, string $only): void
    {
        match ($only) {
            'copy' => $sought->whereExists(self::copyOfItem(...)),
            'paper' => $sought
                ->where('retrievals.state', RetrievalState::Obtained->value)
                ->whereNotExists(self::copyOfItem(...)),
            'refused' => $sought->where('retrievals.locker_answer', '<>', ''),
            'no-doi' => $sought->where('publications.doi', ''),
            'judged' => $sought->whereIn('items.state', [ItemState::Included->value, ItemState::Excluded->value]),
            default => null,
        };
    }

    private static function copyOfItem(Builder $copies): void
    {
        $copies
            ->selectRaw('1')
            ->from('full_texts')
            ->whereColumn('full_texts.review_id', 'items.review_id')
            ->whereColumn('full_texts.publication_id', 'items.publication_id')
            ->whereNull('full_texts.taken_out_at');
    }

    private static function inOrder(Builder $narrowed): Builder
    {
        return (clone $narrowed)
            ->orderBy('publications.first_author')
            ->orderBy('publications.year')
            ->orderBy('publications.id');
    }

    /** @return list<SoughtStanding> how far each of the whole list is, in its order */
    public static function standings(Builder $narrowed): array
    {
        return array_values(
            self::inOrder($narrowed)
                ->limit(self::AT_ONCE)
                ->get([
                    'publications.id',
                    'items.created_at',
                    'retrievals.state',
                    'retrievals.reason',
                    'retrievals.dated',
                ])
                ->map(
                    fn (stdClass $row): SoughtStanding => new SoughtStanding(
                        $row->id,
                        $row->state ?? RetrievalState::Sought->value,
                        $row->reason ?? '',
                        Carbon::parse($row->dated ?? $row->created_at)->format('Y-m-d'),
                    ),
                )
                ->all(),
        );
    }

    /** @return list<SoughtText> a page of the list, for its screen */
    public static function rows(Review $review, Builder $narrowed, int $page = 1): array
    {
        $rows = self::inOrder($narrowed)
            ->leftJoin('users', 'users.id', '=', 'retrievals.user_id')
            ->leftJoin('studies', 'studies.id', '=', 'publications.study_id')
            ->offset(($page - 1) * self::PER_PAGE)
            ->limit(self::PER_PAGE)
            ->select(['publications.id', 'title', 'authors', 'journal', 'publications.year', 'place', 'doi'])
            ->addSelect(['items.id AS item', 'items.state AS judged', 'items.created_at'])
            ->addSelect(['retrievals.state', 'retrievals.reason', 'retrievals.dated', 'retrievals.locker_answer'])
            ->addSelect(['users.name AS by', 'studies.name AS study'])
            ->get();
        $copies = self::copies($review, array_values($rows->pluck('id')->all()));

        return array_values($rows->map(fn (stdClass $row): SoughtText => new SoughtText(
            $row,
            $copies[$row->id] ?? [],
            route('publications.show', [$review, $row->id], false),
            route('desk.show', [$review, $row->item], false),
        ))->all());
    }

    /**
     * As the list shows them, of these publications; at most a page.
     *
     * @param  list<string>  $publications
     * @return list<SoughtText>
     */
    public static function of(Review $review, array $publications): array
    {
        $some = array_slice($publications, 0, self::PER_PAGE);

        return self::rows($review, self::sought($review)->whereIn('publications.id', $some));
    }

    /**
     * The copies of publications, also those that came to what was found to be the same publication.
     *
     * @param  list<string>  $publications
     * @return array<string, list<HeldCopy>> by publication
     */
    public static function copies(Review $review, array $publications): array
    {
        $copies = [];
        $rows = DB::select(
            <<<'SQL'
            SELECT coalesce(p.merged_into, p.id) AS publication, f.id, f.name, f.pages, f.origin, f.matched_by, f.created_at, f.replaced_by, f.state FROM full_texts f JOIN publications p ON p.id = f.publication_id
            WHERE f.review_id = ? AND f.taken_out_at IS NULL AND (p.id = ANY (?::bpchar[]) OR p.merged_into = ANY (?::bpchar[])) ORDER BY f.replaced_by IS NOT NULL, f.id
            SQL
            ,
            [$review->id, ($in = '{'.implode(',', $publications).'}'), $in],
        );
        foreach ($rows as $row) {
            $copies[$row->publication][] = self::copy($review, $row);
        }

        return $copies;
    }

    private static function copy(Review $review, stdClass $row): HeldCopy
    {
        $how = match ($row->matched_by) {
            'doi' => 'matched by its DOI',
            'title' => 'matched by its title',
            default => 'assigned by hand',
        };

        $from = $row->origin === 'locker' ? 'from the full-text locker' : $how;

        return new HeldCopy(
            $row->id,
            $row->name,
            $row->pages,
            route('full-texts.file', [$review, $row->id], false),
            $row->replaced_by,
            route('full-texts.evidence', [$review, $row->id], false),
            "{$from}, ".Carbon::parse($row->created_at)->format('j M Y'),
        );
    }

    /**
     * Whether an item was included before, and how far its text is; a copy of what was found to be the same publication
     * serves as well.
     */
    public static function standingOf(Item $item): RetrievalStanding
    {
        $row = DB::selectOne(
            <<<'SQL'
            SELECT EXISTS (SELECT 1 FROM items b JOIN stages s ON s.id = b.stage_id WHERE b.review_id = i.review_id AND b.publication_id = i.publication_id AND b.state = 'included' AND s.purpose = 'title-abstract') AS included,
                (SELECT r.state FROM retrievals r WHERE r.review_id = i.review_id AND (r.publication_id = i.publication_id OR r.publication_id IN (SELECT p.id FROM publications p WHERE p.review_id = i.review_id AND p.merged_into = i.publication_id))
                 ORDER BY r.state = 'obtained' DESC, r.publication_id = i.publication_id DESC LIMIT 1) AS state
            FROM items i WHERE i.review_id = ? AND i.id = ?
            SQL
            ,
            [$item->review_id, $item->id],
        );

        return new RetrievalStanding(
            $row->included,
            RetrievalState::from($row->state ?? RetrievalState::Sought->value),
        );
    }

    /** @return array<string, WantedCopy> what a PDF may be a copy of, by publication */
    public static function candidates(Review $review): array
    {
        $candidates = [];
        foreach (self::sought($review)->get(['publications.id', 'publications.title', 'publications.doi']) as $row) {
            $candidates[$row->id] = new WantedCopy($row->title, $row->doi);
        }

        return $candidates;
    }

    /**
     * @return \Illuminate\Database\Eloquent\Builder<FullText> PDFs of which nobody knows yet what they are copies of
     */
    public static function unassigned(Review $review): \Illuminate\Database\Eloquent\Builder
    {
        return FullText::query()
            ->where('review_id', $review->id)
            ->whereNull('publication_id')
            ->whereNull('taken_out_at');
    }
}
