<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\StudyParts;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Synthesis\Plot\Judged;
use WaryHeron\Core\Synthesis\Plot\JudgementPlot;

/** How studies were judged on a scale, such as their risk of bias by domain: a picture and a table. */
final readonly class Soundness
{
    /** A scale has so many answers at most; what has more tells kinds apart. */
    private const LONGEST = 5;

    /**
     * @param  array<string, string>  $names  of what is judged in any regard: studies, or parts of them
     * @param  array<string, string>  $studies  the study of each
     * @param  list<Judged>  $regards
     */
    private function __construct(public array $names, public array $studies, public array $regards)
    {
    }

    /** @return Collection<int, CodebookItem> items whose answers are a scale */
    public static function scales(Review $review): Collection
    {
        return $review->codes()->whereNull('retired_at')->get()->toBase()->filter(
            fn (CodebookItem $one): bool => $one->type === CodeType::Choice &&
                count($one->code()->choosable()) > 1 && count($one->code()->choosable()) <= self::LONGEST,
        )->values();
    }

    /** Whether an item judges, rather than tells kinds apart: from low to high, in whatever words beside. */
    public static function judges(CodebookItem $item): bool
    {
        $scale = array_map(Str::lower(...), $item->code()->choosable());

        return in_array('low', $scale, true) && in_array('high', $scale, true);
    }

    /** @param  Collection<int, CodebookItem>  $items */
    public static function of(Review $review, Collection $items): self
    {
        $said = [];
        $answers = DB::table('answers_by_part')
            ->where('review_id', $review->id)
            ->whereIn('code_id', $items->pluck('id'))
            ->where('kind', 'value')
            ->get(['publication_id', 'part_id', 'code_id', 'value']);
        foreach ($answers as $answer) {
            $value = (string) json_decode($answer->value, true, 4, JSON_THROW_ON_ERROR);
            $said[$answer->code_id][trim("{$answer->publication_id} {$answer->part_id}")] = $value;
        }
        $rows = self::rowsOf($review, array_merge(...array_values($said) ?: [[]]));
        $regards = array_values($items->map(fn (CodebookItem $one): Judged => new Judged(
            trim((string) preg_replace('/^risk of bias[,:]\s*/i', '', $one->label)) ?: $one->label,
            $one->code()->choosable(),
            array_intersect_key($said[$one->id] ?? [], $rows->names),
        ))->all());

        return new self($rows->names, $rows->studies, $regards);
    }

    /**
     * A row for each study that is judged, and for each part of it that is.
     *
     * @param  array<string, string>  $judged  by study, or by study and part
     */
    private static function rowsOf(Review $review, array $judged): JudgedRows
    {
        $names = $of = [];
        $studies = CodingTable::included($review);
        $parts = StudyParts::names($review, array_values(array_map(strval(...), $studies->pluck('id')->all())));
        foreach ($studies as $study) {
            $name = trim(Str::before($study->authors, ';').' '.$study->year) ?: Str::limit($study->title, 40);
            foreach (['' => ''] + $parts as $part => $called) {
                $key = trim("{$study->id} {$part}");
                if (isset($judged[$key])) {
                    $names[$key] = $called === '' ? $name : "{$name}, {$called}";
                    $of[$key] = $study->id;
                }
            }
        }

        return new JudgedRows($names, $of);
    }

    public function plot(): JudgementPlot
    {
        return new JudgementPlot($this->names, $this->regards);
    }

    /** @return \Generator<int, list<string|int>> */
    public function rows(): \Generator
    {
        yield ['study', ...array_map(fn (Judged $one): string => $one->name, $this->regards)];
        foreach ($this->names as $study => $name) {
            yield [$name, ...array_map(fn (Judged $one): string => $one->by[$study] ?? '', $this->regards)];
        }
    }
}
