<?php

declare(strict_types=1);

namespace App\Queries\Coding\Reconcile;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\StudyParts;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\AnswerDifference;
use WaryHeron\Core\Screening\Agreement\KrippendorffAlpha;
use WaryHeron\Core\Screening\Agreement\Ratings;

/** Where two coders' answers differ, once both are in. What only one has answered is nobody else's to see. */
final readonly class Reconciling
{
    /** @param  Collection<int, CodebookItem>  $codes  in the order of the codebook */
    private function __construct(private Review $review, public Collection $codes)
    {
    }

    public static function in(Review $review): self
    {
        return new self($review, $review->codes()->whereNull('retired_at')->get());
    }

    public function partName(OpenDifference $one): string
    {
        return StudyParts::names($this->review, [$one->publication->id])[$one->part] ?? '';
    }

    /** @return list<OpenDifference> study by study */
    public function open(): array
    {
        $studies = CodingTable::included($this->review)->keyBy('id');
        $open = [];
        foreach ($this->both() as $key => $sides) {
            [$publication, $code, $part] = explode(' ', $key);
            $item = $this->codes->firstWhere('id', $code);
            $difference = self::difference($sides);
            if ($item !== null && $studies->has($publication) && $difference !== AnswerDifference::None) {
                $open[] = new OpenDifference($studies[$publication], $item, $part, $sides, $difference);
            }
        }

        return self::inOrder($open, array_flip($studies->keys()->all()));
    }

    /**
     * @param  list<OpenDifference>  $open
     * @param  array<string, int>  $order  of the studies
     * @return list<OpenDifference>
     */
    private static function inOrder(array $open, array $order): array
    {
        $place = fn (OpenDifference $one): array => [$order[$one->publication->id], $one->code->position, $one->part];
        usort($open, fn (OpenDifference $a, OpenDifference $b): int => $place($a) <=> $place($b));

        return $open;
    }

    public function openCount(): int
    {
        return $this->review->coded_by === 1 ? 0 : count($this->open());
    }

    /** @return list<ItemAgreement> on each item that two have answered */
    public function agreement(): array
    {
        $rows = $this->ratings();
        $agreement = [];
        foreach ($this->codes as $code) {
            $by = array_filter($rows[$code->id] ?? [], fn (array $of): bool => count($of) > 1);
            if ($by === []) {
                continue;
            }
            $alike = array_filter($by, fn (array $of): bool => count(array_unique(array_column($of, 2))) === 1);
            $alpha = KrippendorffAlpha::of(Ratings::of(array_merge(...array_values($by)))->counts(2));
            $agreement[] = new ItemAgreement($code, count($by), count($alike), $alpha->alpha);
        }

        return $agreement;
    }

    /** @return array<string, array<string, list<array{string, string, string}>>> by item and slot: slot, hand, answer */
    private function ratings(): array
    {
        $rows = [];
        foreach ($this->own() as $answer) {
            $rows[$answer->code_id][self::key($answer)][] = [
                self::key($answer),
                $answer->hand,
                json_encode([$answer->kind, $answer->value], JSON_THROW_ON_ERROR),
            ];
        }

        return $rows;
    }

    /**
     * How many of the items that two have answered are alike, by the week in which the second answered.
     *
     * @return array<string, AlikeCount> by the Monday, the earliest first
     */
    public function byWeek(): array
    {
        $rows = [];
        foreach ($this->own() as $answer) {
            $rows[self::key($answer)][] = $answer;
        }
        $weeks = [];
        foreach (array_filter($rows, fn (array $sides): bool => count($sides) > 1) as $sides) {
            $week = max(
                array_map(fn (Answer $one): string => $one->created_at->startOfWeek()->format('Y-m-d'), $sides),
            );
            $isAlike = self::difference($sides) === AnswerDifference::None;
            $weeks[$week] = ($weeks[$week] ?? new AlikeCount())->and(true, $isAlike);
        }
        ksort($weeks);

        return $weeks;
    }

    private static function key(Answer $answer): string
    {
        return "{$answer->publication_id} {$answer->code_id} {$answer->part_id}";
    }

    /** @return array<string, list<Answer>> of what does not count yet, by publication, code and part */
    private function both(): array
    {
        $settled = array_flip(
            DB::table('answers_by_part')
                ->where('review_id', $this->review->id)
                ->selectRaw("publication_id || ' ' || code_id || ' ' || coalesce(part_id, '') AS key")
                ->pluck('key')
                ->all(),
        );
        $both = [];
        foreach ($this->own() as $answer) {
            $both[self::key($answer)][] = $answer;
        }

        return array_filter(array_diff_key($both, $settled), fn (array $sides): bool => count($sides) > 1);
    }

    /** @return Collection<int, Answer> coders' own that say something */
    private function own(): Collection
    {
        return Answer::query()
            ->where('review_id', $this->review->id)
            ->where('hand', '<>', '')
            ->whereNull('superseded_at')
            ->with('user')
            ->orderBy('created_at')
            ->get()
            ->filter(fn (Answer $one): bool => $one->says())
            ->values();
    }

    /** @param  list<Answer>  $sides */
    private static function difference(array $sides): AnswerDifference
    {
        foreach (array_slice($sides, 1) as $side) {
            $difference = AnswerDifference::between($sides[0]->kind, $sides[0]->value, $side->kind, $side->value);
            if ($difference !== AnswerDifference::None) {
                return $difference;
            }
        }

        return AnswerDifference::None;
    }
}
