<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Review;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Coding\AskedItems;
use WaryHeron\Core\Screening\ItemState;

/** The included publications against the items of the codebook, with the answers that count. */
final readonly class CodingTable
{
    /**
     * @param  Collection<int, CodebookItem>  $codes
     * @param  Collection<int, stdClass>  $publications
     * @param  array<string, array<string, Answer>>  $answers  by publication, then code
     * @param  AskedItems  $askedItems  of $codes
     */
    private function __construct(
        public Collection $codes,
        public Collection $publications,
        public array $answers,
        private AskedItems $askedItems,
    ) {
    }

    public static function of(Review $review): self
    {
        $codes = $review->codes()->whereNull('retired_at')->get();
        $publications = self::included($review);
        $answers = [];
        $standing = (new Answer())->setTable('standing_answers')->newQuery();
        foreach ($standing->where('review_id', $review->id)->get() as $answer) {
            $answers[$answer->publication_id][$answer->code_id] = $answer;
        }

        // those begun come first, in the order of the library within
        $begun = $publications->partition(fn (stdClass $one): bool => isset($answers[$one->id]));
        $entries = array_values($codes->map(fn (CodebookItem $code) => $code->entry())->all());

        return new self(
            $codes,
            $begun[0]->concat($begun[1])->values(),
            $answers,
            new AskedItems($entries, $review->depth()),
        );
    }

    /** @return Collection<int, stdClass> in the order of the library */
    public static function included(Review $review): Collection
    {
        return DB::table('items')
            ->join('publications', 'publications.id', '=', 'items.publication_id')
            ->where('items.review_id', $review->id)
            ->where('items.stage_id', $review->lastStage()->id)
            ->where('items.state', ItemState::Included->value)
            ->orderBy('publications.first_author')
            ->orderBy('publications.year')
            ->orderBy('publications.id')
            ->get(['publications.id', 'title', 'authors', 'first_author', 'year', 'journal', 'doi']);
    }

    /** @return array<string, true> the items that are asked of a publication */
    public function asked(string $publication): array
    {
        return $this->askedItems->of(
            array_map(fn (Answer $one): mixed => $one->value, $this->answers[$publication] ?? []),
        );
    }

    /** In words: how many of the items that are asked have answers. */
    public function answered(string $publication): string
    {
        $asked = $this->asked($publication);

        return count(array_intersect_key($asked, $this->answers[$publication] ?? [])).' of '.count($asked);
    }
}
