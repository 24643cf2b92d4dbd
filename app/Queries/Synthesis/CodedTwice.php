<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\Result;
use App\Models\Review;
use App\Queries\Coding\CodedReports;
use App\Queries\Coding\Reconcile\AlikeCount;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Synthesis\Twice\ResultDifference;
use WaryHeron\Core\Synthesis\Twice\ResultPair;
use WaryHeron\Core\Synthesis\Twice\ResultPairs;

/** Results that two coders take apart: whose is which, in what they differ, and what counts already. */
final readonly class CodedTwice
{
    /**
     * @param  Collection<int, Result>  $own  coders’ own that stand, in an order that does not change
     * @param  Collection<int, Result>  $counting  what counts
     */
    private function __construct(private Collection $own, public Collection $counting)
    {
    }

    /** @param  list<string>  $publications */
    public static function of(Review $review, array $publications): self
    {
        $all = Result::query()
            ->where('review_id', $review->id)
            ->whereIn('publication_id', $publications)
            ->whereNull('superseded_at')
            ->where('withdrawn', false)
            ->with('user')
            ->orderBy('row_id')
            ->get();
        [$own, $counting] = $all->partition(fn (Result $one): bool => $one->hand !== '');

        return new self($own->values(), $counting->values());
    }

    public static function in(Review $review): self
    {
        return self::of($review, CodedReports::ids($review));
    }

    /** @return list<string> studies of which two have taken results */
    public function studies(): array
    {
        $hands = $this->own->groupBy('publication_id')->map(fn (Collection $of): int => $of->unique('hand')->count());

        return array_values(array_map(strval(...), $hands->filter(fn (int $count): bool => $count > 1)->keys()->all()));
    }

    /** @return list<ResultPair> of the two who began first; none where only one has taken any */
    public function pairs(string $publication): array
    {
        $hands = [];
        foreach ($this->own->where('publication_id', $publication) as $result) {
            $hands[$result->hand][] = $result->coded();
        }
        [$one, $other] = [...array_values($hands), [], []];

        return count($hands) < 2 ? [] : ResultPairs::of($one, $other);
    }

    /** @return Collection<int, Result> what the coders of a pair took, the first coder’s first */
    public function sides(ResultPair $pair): Collection
    {
        return $this->own->filter(fn (Result $one): bool => in_array($one->row_id, $pair->ids(), true))->sortBy(
            fn (Result $one): int => $one->row_id === $pair->one?->id ? 0 : 1,
        )->values();
    }

    /** @return list<OpenResultPair> study by study */
    public function open(): array
    {
        $settled = array_merge([], ...$this->counting->map(fn (Result $one): array => $one->of_rows)->all());
        $open = [];
        foreach ($this->studies() as $publication) {
            foreach ($this->pairs($publication) as $pair) {
                if (array_diff($pair->ids(), $settled) !== [] && $pair->difference() !== ResultDifference::None) {
                    $open[] = new OpenResultPair($publication, $pair, $this->sides($pair));
                }
            }
        }

        return $open;
    }

    /** @return array<string, AlikeCount> how many both took, and took alike, by outcome */
    public function agreement(): array
    {
        $of = [];
        foreach ($this->studies() as $publication) {
            foreach ($this->pairs($publication) as $pair) {
                $outcome = explode(' ', ($pair->one ?? $pair->other)->of ?? '')[0];
                $of[$outcome] = ($of[$outcome] ?? new AlikeCount())->and(
                    $pair->one !== null && $pair->other !== null,
                    $pair->difference() === ResultDifference::None,
                );
            }
        }

        return $of;
    }
}
