<?php

declare(strict_types=1);

namespace App\Queries\Screening\ShareOut;

use App\Models\Stage;
use App\Models\User;
use App\Queries\Library\LibraryFilters;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\ShareOut\CannotShare;
use WaryHeron\Core\Screening\ShareOut\OwnPapers;
use WaryHeron\Core\Screening\ShareOut\Plan;
use WaryHeron\Core\Screening\ShareOut\Quotas;
use WaryHeron\Core\Screening\ShareOut\ShareOut;
use WaryHeron\Core\Screening\StagePurpose;

/**
 * A share-out as it would be made now: the pool, the sample drawn from it, and who would get what. Nothing is changed
 * by it.
 *
 * @phpstan-type Terms array{pool: string, sample: ?int, percent: ?float, decisions: int, quotas: array<string, ?int>,
 *     weights?: array<string, float>, mode: string, seed: int}
 */
final readonly class ShareOutDraft
{
    /**
     * @param  list<string>  $publications  that are shared out
     * @param  ?array<string, int>  $nearest  quotas that could be met
     * @param  int  $own  how many publications are by one of these people, and go to others
     * @param  int  $written  how many are left out since too few are left who did not write them
     */
    private function __construct(
        public int $pool,
        public array $publications,
        public ?Plan $plan,
        public string $problem = '',
        public ?array $nearest = null,
        public int $own = 0,
        public int $written = 0,
    ) {
    }

    /**
     * @param  Terms  $terms  pool: free, undecided or half; mode: mixed, groups or everyone
     */
    public static function of(Stage $stage, LibraryFilters $filters, array $terms): self
    {
        $pool = self::pool($stage, $filters, $terms['pool'], $terms['mode'] === 'everyone');
        $share = fn (float $percent): int => (int) round((count($pool) * $percent) / 100);
        $size = $terms['sample'] ?? ($terms['percent'] === null ? count($pool) : $share($terms['percent']));
        $chosen = $size >= count($pool) ? $pool : ShareOut::sample($pool, $size, $terms['seed']);
        $people = array_map(strval(...), array_keys($terms['quotas']));
        try {
            return match ($terms['mode']) {
                'everyone' => new self(count($pool), $chosen, self::toEveryone($chosen, $people, $terms['seed'])),
                'groups' => new self(count($pool), $chosen, self::toGroups($chosen, $people, $terms)),
                default => self::mixed($stage, count($pool), $chosen, $people, $terms),
            };
        } catch (CannotShare $cannot) {
            return new self(count($pool), $chosen, null, $cannot->getMessage(), $cannot->nearest);
        }
    }

    /**
     * @param  list<string>  $chosen
     * @param  list<string>  $people
     */
    private static function toEveryone(array $chosen, array $people, int $seed): Plan
    {
        if ($chosen === []) {
            throw new CannotShare('There is nothing to share out: the pool is empty.');
        }
        if (count($people) < 2) {
            throw new CannotShare('A calibration set needs two people or more.');
        }

        return ShareOut::inGroups($chosen, [$people], $seed);
    }

    /**
     * @param  list<string>  $chosen
     * @param  list<string>  $people
     * @param  Terms  $terms
     */
    private static function toGroups(array $chosen, array $people, array $terms): Plan
    {
        Quotas::of(count($chosen), $terms['decisions'], array_fill_keys($people, null));
        if (count($people) % $terms['decisions'] !== 0) {
            throw new CannotShare(count($people).' people do not make groups of '.$terms['decisions'].'.');
        }
        /** @var non-empty-list<list<string>> $groups */
        $groups = array_chunk($people, max(1, $terms['decisions']));

        return ShareOut::inGroups($chosen, $groups, $terms['seed']);
    }

    /**
     * @param  list<string>  $chosen
     * @param  list<string>  $people
     * @param  Terms  $terms
     */
    private static function mixed(Stage $stage, int $pool, array $chosen, array $people, array $terms): self
    {
        // of what is half judged each lacks one person
        $decisions = $terms['pool'] === 'half' ? 1 : $terms['decisions'];
        $own = self::own($stage, $people, $chosen);
        $lacks = fn (string $id): bool => isset($own[$id]) && count($people) - count($own[$id]) < $decisions;
        $written = array_values(array_filter($chosen, $lacks));
        $chosen = array_values(array_diff($chosen, $written));
        $taken = $terms['pool'] === 'free' ? [] : self::taken($stage, $chosen);
        foreach ($own as $id => $writers) {
            $taken[$id] = array_values(array_unique([...$taken[$id] ?? [], ...$writers]));
        }
        $barred = array_count_values(array_merge([], ...array_values(array_intersect_key($taken, array_flip($chosen)))));
        $most = array_map(fn (int $n): int => count($chosen) - $n, $barred);
        try {
            $quotas = Quotas::of(count($chosen), $decisions, $terms['quotas'], $terms['weights'] ?? [], $most);
            $plan = ShareOut::plan($chosen, $quotas, $terms['seed'], $taken);
        } catch (CannotShare $cannot) {
            return new self($pool, $chosen, null, $cannot->getMessage(), $cannot->nearest);
        }

        return new self($pool, $chosen, $plan, own: count($own), written: count($written));
    }

    /**
     * People who have been given, or have judged, publications at a stage.
     *
     * @param  list<string>  $publications
     * @return array<string, list<string>> by publication
     */
    public static function taken(Stage $stage, array $publications): array
    {
        $taken = [];
        foreach (
            DB::select(
                <<<'SQL'
                SELECT i.publication_id, a.user_id FROM items i JOIN assignments a ON a.review_id = i.review_id AND a.item_id = i.id WHERE i.review_id = ? AND i.stage_id = ? AND i.publication_id = ANY (?::bpchar[])
                UNION SELECT i.publication_id, d.user_id FROM items i JOIN decisions d ON d.review_id = i.review_id AND d.item_id = i.id AND d.superseded_at IS NULL AND d.verdict IS NOT NULL WHERE i.review_id = ? AND i.stage_id = ? AND i.publication_id = ANY (?::bpchar[])
                SQL
                ,
                [
                    $stage->review_id,
                    $stage->id,
                    ($in = '{'.implode(',', $publications).'}'),
                    $stage->review_id,
                    $stage->id,
                    $in,
                ],
            ) as $row
        ) {
            $taken[$row->publication_id][] = $row->user_id;
        }

        return $taken;
    }

    /**
     * People who are among the authors.
     *
     * @param  list<string>  $people
     * @param  list<string>  $publications
     * @return array<string, list<string>> by publication
     */
    public static function own(Stage $stage, array $people, array $publications): array
    {
        $own = [];
        $among = array_fill_keys($publications, true);
        foreach (User::query()->whereIn('id', $people)->get(['id', 'name']) as $person) {
            $names = OwnPapers::names($person->name);
            if ($names === null) {
                continue;
            }
            foreach (self::bearing($stage, $names->family) as $one) {
                if (isset($among[$one->id]) && OwnPapers::isBy($person->name, $one->authors)) {
                    $own[$one->id][] = $person->id;
                }
            }
        }

        return $own;
    }

    /** @return Collection<int, \stdClass> whoever bears the name by the index; initials are looked at afterwards */
    private static function bearing(Stage $stage, string $family): Collection
    {
        $words = array_map(fn (string $word): string => "'{$word}':D", explode(' ', $family));

        return DB::table('publications')
            ->where('review_id', $stage->review_id)
            ->whereRaw('words @@ ?::tsquery', [implode(' & ', $words)])
            ->get(['id', 'authors']);
    }

    /** @return list<string> publications in an order that can be had again */
    private static function pool(Stage $stage, LibraryFilters $filters, string $pool, bool $calibration): array
    {
        // a stage of its own takes any publication; the others what waits there
        $join = $stage->purpose === StagePurpose::Subset ? 'leftJoin' : 'join';
        $query = $filters
            ->publications()
            ->{$join}('items AS here', fn ($on) => $on
            ->on('here.review_id', '=', 'publications.review_id')
            ->on('here.publication_id', '=', 'publications.id')
            ->where('here.stage_id', $stage->id))
            ->where(fn (Builder $any) => $any
                ->whereIn('here.state', [ItemState::Waiting->value, ItemState::Awaited->value])
                ->orWhereNull('here.id'));
        if ($pool === 'free' || $calibration) {
            $query->whereNotExists(self::shared(...))->whereNotExists(self::judged(...));
        }

        if ($pool === 'half' && ! $calibration) {
            $query
                ->whereRaw('('.Shares::JUDGES.') = ?', [$stage->required_decisions - 1])
                ->whereRaw('here.id IS NOT NULL');
        }

        return array_values($query->orderBy('publications.id')->pluck('publications.id')->all());
    }

    private static function shared(Builder $assignment): void
    {
        $assignment
            ->selectRaw('1')
            ->from('assignments')
            ->whereColumn('assignments.review_id', 'here.review_id')
            ->whereColumn('assignments.item_id', 'here.id');
    }

    private static function judged(Builder $decision): void
    {
        $decision
            ->selectRaw('1')
            ->from('decisions')
            ->whereColumn('decisions.review_id', 'here.review_id')
            ->whereColumn('decisions.item_id', 'here.id')
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict');
    }
}
