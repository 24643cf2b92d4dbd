<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Review;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;

/** The included publications down, the codebook across, the current answers in between. */
final readonly class CodingTable
{
    /**
     * @param  Collection<int, CodebookItem>  $codes
     * @param  Collection<int, stdClass>  $publications
     * @param  array<string, array<string, Answer>>  $answers  by publication, then code
     */
    private function __construct(public Collection $codes, public Collection $publications, public array $answers)
    {
    }

    public static function of(Review $review): self
    {
        $codes = $review->codes()->whereNull('retired_at')->get();
        $publications = DB::table('items')
            ->join('publications', 'publications.id', '=', 'items.publication_id')
            ->where('items.review_id', $review->id)
            ->where('items.stage_id', $review->lastStage()->id)
            ->where('items.state', ItemState::Included->value)
            ->orderBy('publications.first_author')
            ->orderBy('publications.year')
            ->orderBy('publications.id')
            ->get(['publications.id', 'title', 'authors', 'first_author', 'year', 'journal', 'doi']);
        $answers = [];
        foreach (
            Answer::query()->where('review_id', $review->id)->whereNull('superseded_at')->whereNotNull('value')->get() as $answer
        ) {
            $answers[$answer->publication_id][$answer->code_id] = $answer;
        }

        // those begun come first, in the order of the library within
        $begun = $publications->partition(fn (stdClass $one): bool => isset($answers[$one->id]));

        return new self($codes, $begun[0]->concat($begun[1])->values(), $answers);
    }

    /** How many of the codebook's items a publication has answers to. */
    public function answered(string $publication): int
    {
        return count(array_intersect_key($this->answers[$publication] ?? [], $this->codes->keyBy('id')->all()));
    }
}
