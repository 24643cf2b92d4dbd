<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Coding\CodingTable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use stdClass;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Synthesis\Plot\Judged;
use WaryHeron\Core\Synthesis\Plot\JudgementPlot;

/** How studies were judged on a scale, such as their risk of bias by domain: a picture and a table. */
final readonly class Soundness
{
    /** A scale has so many answers at most; what has more tells kinds apart. */
    private const LONGEST = 5;

    /**
     * @param  Collection<int, stdClass>  $studies  those judged in any regard
     * @param  list<Judged>  $regards
     */
    private function __construct(public Collection $studies, public array $regards)
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
        $answers = DB::table('standing_answers')
            ->where('review_id', $review->id)
            ->whereIn('code_id', $items->pluck('id'))
            ->where('kind', 'value')
            ->get(['publication_id', 'code_id', 'value']);
        foreach ($answers as $answer) {
            $said[$answer->code_id][$answer->publication_id] = (string) json_decode($answer->value, true, 4, JSON_THROW_ON_ERROR);
        }
        $studies = CodingTable::included($review)->keyBy('id');
        $regards = array_values($items->map(fn (CodebookItem $one): Judged => new Judged(
            trim((string) preg_replace('/^risk of bias[,:]\s*/i', '', $one->label)) ?: $one->label,
            $one->code()->choosable(),
            array_intersect_key($said[$one->id] ?? [], $studies->all()),
        ))->all());
        $judged = array_merge(...array_map(fn (Judged $one): array => $one->by, $regards) ?: [[]]);

        return new self($studies->only(array_keys($judged))->values(), $regards);
    }

    public function plot(): JudgementPlot
    {
        return new JudgementPlot($this->names(), $this->regards);
    }

    /** @return array<string, string> by study */
    public function names(): array
    {
        return $this->studies->mapWithKeys(
            fn (stdClass $one): array => [$one->id => trim(Str::before($one->authors, ';').' '.$one->year) ?: Str::limit($one->title, 40)],
        )->all();
    }

    /** @return \Generator<int, list<string|int>> */
    public function rows(): \Generator
    {
        yield ['study', ...array_map(fn (Judged $one): string => $one->name, $this->regards)];
        foreach ($this->names() as $study => $name) {
            yield [$name, ...array_map(fn (Judged $one): string => $one->by[$study] ?? '', $this->regards)];
        }
    }
}
