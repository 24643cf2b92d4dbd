<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Review;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Subset;
use WaryHeron\Core\Coding\SubsetChanges;

/** The studies that the in-depth pass goes to, as a rule and as a list, and what the rule would change. */
final readonly class DepthSubset
{
    private function __construct(private Review $review, public ?Subset $subset)
    {
    }

    public static function of(Review $review): self
    {
        return new self($review, $review->depth());
    }

    /**
     * The same with another rule, as it would be.
     *
     * @param  list<AskedWhen>  $rule
     */
    public function tried(array $rule): self
    {
        $byHand = array_filter($this->subset->listed ?? [], fn (string $how): bool => $how !== Subset::RULE);

        return new self($this->review, new Subset($rule, true, $byHand));
    }

    public function changes(): SubsetChanges
    {
        return $this->subset?->changes($this->values()) ?? new SubsetChanges();
    }

    /** @return Collection<int, stdClass> the studies in it, with how each came there */
    public function studies(): Collection
    {
        return $this->parted()->in
            ->each(fn (stdClass $one): string => $one->how = $this->subset->listed[$one->id] ?? Subset::RULE)
            ->values();
    }

    /** @return Collection<int, stdClass> the others */
    public function others(): Collection
    {
        return $this->parted()->out->values();
    }

    private function parted(): PartedStudies
    {
        return once(function (): PartedStudies {
            $values = $this->values();
            [$in, $out] = CodingTable::included($this->review)->partition(
                fn (stdClass $one): bool => $this->subset === null || $this->subset->has($one->id, $values[$one->id] ?? []),
            );

            return new PartedStudies($in, $out);
        });
    }

    /** In words: which studies. */
    public function words(): string
    {
        if ($this->subset === null) {
            return 'all studies';
        }
        $labels = DB::table('codes')->where('review_id', $this->review->id)->pluck('label', 'id');
        $rule = array_map(
            fn (AskedWhen $one): string => '“'.($labels[$one->item] ?? 'an item that is gone').'” is '.implode(' or ', $one->answers),
            $this->subset->rule,
        );

        return $rule === [] ? 'studies chosen by hand' : 'studies where '.implode(' and ', $rule);
    }

    /** @return array<string, array<string, string|int|float|list<string|int|float>|null>> what counts of each study, of the items in the rule */
    private function values(): array
    {
        $rows = DB::table('standing_answers')
            ->where('review_id', $this->review->id)
            ->whereIn('code_id', array_map(fn (AskedWhen $one): string => $one->item, $this->subset->rule ?? []))
            ->whereIn('publication_id', CodedReports::of($this->review)->select('publication_id'))
            ->get(['publication_id', 'code_id', 'value']);
        $values = array_fill_keys(CodedReports::ids($this->review), []);
        foreach ($rows as $row) {
            $values[$row->publication_id][$row->code_id] = json_decode(
                $row->value ?? 'null',
                true,
                8,
                JSON_THROW_ON_ERROR,
            );
        }

        return $values;
    }
}
