<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Review;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Coding\AnswerDifference;
use WaryHeron\Core\Screening\Agreement\AgreementReport;
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

    /** @param  array{publication: stdClass, part: string, ...}  $one  of what is open */
    public function partName(array $one): string
    {
        return StudyParts::names($this->review, [$one['publication']->id])[$one['part']] ?? '';
    }

    /**
     * @return list<array{publication: stdClass, code: CodebookItem, part: string, sides: list<Answer>, difference: AnswerDifference}>
     *     those that nobody has settled, study by study
     */
    public function open(): array
    {
        $studies = CodingTable::included($this->review)->keyBy('id');
        $open = [];
        foreach ($this->both() as $key => $sides) {
            [$publication, $code, $part] = explode(' ', $key);
            $item = $this->codes->firstWhere('id', $code);
            $difference = self::difference($sides);
            if ($item !== null && $studies->has($publication) && $difference !== AnswerDifference::None) {
                $open[] = ['publication' => $studies[$publication], 'code' => $item]
                    + compact('part', 'sides', 'difference');
            }
        }
        $order = array_flip($studies->keys()->all());
        usort(
            $open,
            fn (array $a, array $b): int => [$order[$a['publication']->id], $a['code']->position, $a['part']] <=>
                [$order[$b['publication']->id], $b['code']->position, $b['part']],
        );

        return $open;
    }

    public function openCount(): int
    {
        return $this->review->coded_by === 1 ? 0 : count($this->open());
    }

    /**
     * @return list<array{code: CodebookItem, both: int, alike: int, alpha: ?float}> how far coders agree on each item
     *     that two have answered, before anything was settled
     */
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
            $report = AgreementReport::of(Ratings::of(array_merge(...array_values($by))));
            $agreement[] = [
                'code' => $code,
                'both' => count($by),
                'alike' => count($alike),
                'alpha' => $report['krippendorff']['alpha'] ?? null,
            ];
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
     * @return array<string, array{both: int, alike: int}> by the Monday, the earliest first
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
            $weeks[$week] ??= ['both' => 0, 'alike' => 0];
            $weeks[$week]['both']++;
            $weeks[$week]['alike'] += self::difference($sides) === AnswerDifference::None ? 1 : 0;
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
