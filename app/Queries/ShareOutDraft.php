<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Stage;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\ShareOut\CannotShare;
use WaryHeron\Core\Screening\ShareOut\Plan;
use WaryHeron\Core\Screening\ShareOut\Quotas;
use WaryHeron\Core\Screening\ShareOut\ShareOut;
use WaryHeron\Core\Screening\StagePurpose;

/** A share-out as it would be made now: the pool, the sample drawn from it, and who would get what. Nothing is changed by it. */
final readonly class ShareOutDraft
{
    /**
     * @param  list<string>  $publications  that are shared out
     * @param  ?array<string, int>  $nearest  quotas that could be met
     */
    private function __construct(public int $pool, public array $publications, public ?Plan $plan, public string $problem = '', public ?array $nearest = null)
    {
    }

    /**
     * @param  array{pool: string, sample: ?int, percent: ?float, decisions: int, quotas: array<string, ?int>, mode: string, seed: int}  $terms  pool: free or undecided; mode: mixed, groups or everyone
     */
    public static function of(Stage $stage, LibraryFilters $filters, array $terms): self
    {
        $pool = self::pool($stage, $filters, $terms['pool'], $terms['mode'] === 'everyone');
        $size = $terms['sample'] ?? ($terms['percent'] === null ? count($pool) : (int) round(count($pool) * $terms['percent'] / 100));
        $chosen = $size >= count($pool) ? $pool : ShareOut::sample($pool, $size, $terms['seed']);
        $people = array_map(strval(...), array_keys($terms['quotas']));
        try {
            if ($terms['mode'] === 'everyone') {
                $chosen === [] || count($people) < 2 ? throw new CannotShare($chosen === [] ? 'There is nothing to share out: the pool is empty.' : 'A calibration set needs two people or more.') : null;

                return new self(count($pool), $chosen, ShareOut::inGroups($chosen, [$people], $terms['seed']));
            }
            if ($terms['mode'] === 'groups') {
                Quotas::of(count($chosen), $terms['decisions'], array_fill_keys($people, null));
                if (count($people) % $terms['decisions'] !== 0) {
                    throw new CannotShare(count($people).' people do not make groups of '.$terms['decisions'].'.');
                }
                /** @var non-empty-list<list<string>> $groups */
                $groups = array_chunk($people, max(1, $terms['decisions']));

                return new self(count($pool), $chosen, ShareOut::inGroups($chosen, $groups, $terms['seed']));
            }
            $quotas = Quotas::of(count($chosen), $terms['decisions'], $terms['quotas']);

            return new self(count($pool), $chosen, ShareOut::plan($chosen, $quotas, $terms['seed'], $terms['pool'] === 'free' ? [] : self::taken($stage, $chosen)));
        } catch (CannotShare $cannot) {
            return new self(count($pool), $chosen, null, $cannot->getMessage(), $cannot->nearest);
        }
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
        foreach (DB::select(<<<'SQL'
            SELECT i.publication_id, a.user_id FROM items i JOIN assignments a ON a.review_id = i.review_id AND a.item_id = i.id WHERE i.review_id = ? AND i.stage_id = ? AND i.publication_id = ANY (?::bpchar[])
            UNION SELECT i.publication_id, d.user_id FROM items i JOIN decisions d ON d.review_id = i.review_id AND d.item_id = i.id AND d.superseded_at IS NULL AND d.verdict IS NOT NULL WHERE i.review_id = ? AND i.stage_id = ? AND i.publication_id = ANY (?::bpchar[])
            SQL, [$stage->review_id, $stage->id, $in = '{'.implode(',', $publications).'}', $stage->review_id, $stage->id, $in]) as $row) {
            $taken[$row->publication_id][] = $row->user_id;
        }

        return $taken;
    }

    /** @return list<string> publications in an order that can be had again */
    private static function pool(Stage $stage, LibraryFilters $filters, string $pool, bool $calibration): array
    {
        // a stage of its own takes any publication; the others what waits there
        $join = $stage->purpose === StagePurpose::Subset ? 'leftJoin' : 'join';
        $query = $filters->publications()->{$join}('items AS here', fn ($on) => $on->on('here.review_id', '=', 'publications.review_id')->on('here.publication_id', '=', 'publications.id')->where('here.stage_id', $stage->id))
            ->where(fn (Builder $any) => $any->whereIn('here.state', [ItemState::Waiting->value, ItemState::Awaited->value])->orWhereNull('here.id'));
        if ($pool === 'free' || $calibration) {
            $query->whereNotExists(fn (Builder $q) => $q->selectRaw('1')->from('assignments')->whereColumn('assignments.review_id', 'here.review_id')->whereColumn('assignments.item_id', 'here.id'))
                ->whereNotExists(fn (Builder $q) => $q->selectRaw('1')->from('decisions')->whereColumn('decisions.review_id', 'here.review_id')->whereColumn('decisions.item_id', 'here.id')->whereNull('decisions.superseded_at')->whereNotNull('decisions.verdict'));
        }

        return array_values($query->orderBy('publications.id')->pluck('publications.id')->all());
    }
}
