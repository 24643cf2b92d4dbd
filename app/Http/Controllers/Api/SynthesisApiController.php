<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Files\StoredAnswer;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\FullText;
use App\Models\Review;
use App\Models\SavedTable;
use App\Queries\Synthesis\MapQuery;
use App\Queries\Synthesis\Tables\StudyTable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedJsonResponse;
use WaryHeron\Core\Synthesis\Map\EvidenceMap;

/** What is shown of the included studies together, and their papers, for programs. */
final class SynthesisApiController extends Controller
{
    /** A saved table, run on what there is now. */
    public function table(Review $review, SavedTable $table): StreamedJsonResponse
    {
        $rows = StudyTable::of($review, $table->asked())->rows();
        $head = $rows->current();

        return new StreamedJsonResponse(['title' => $table->title, 'head' => $head, 'rows' => self::rest($rows)]);
    }

    /** Studies counted by the answers to two items, as the map shows them. */
    public function map(Request $request, Review $review): JsonResponse
    {
        $map = self::asked($request, $review);

        return response()->json([
            'studies' => $map->studies,
            'rows' => self::totals($map->rows, $map->rowTotals),
            'columns' => self::totals($map->columns, $map->columnTotals),
            'cells' => self::cells($map),
        ]);
    }

    /** @return list<object> row, column and studies of each */
    private static function cells(EvidenceMap $map): array
    {
        $cells = [];
        foreach ($map->rows as $row) {
            foreach ($map->columns as $column) {
                $cells[] = (object) ['row' => $row, 'column' => $column, 'studies' => $map->at($row, $column)];
            }
        }

        return $cells;
    }

    private static function asked(Request $request, Review $review): EvidenceMap
    {
        $items = MapQuery::items($review);
        $one = Rule::in($items->pluck('id'));
        $request->validate(
            ['rows' => ['required', $one], 'columns' => ['nullable', $one]],
            ['*' => 'Give the id of an item of the codebook whose answers can be counted.'],
        );

        return (new MapQuery(
            $review,
            $items->firstOrFail('id', Input::text($request, 'rows')),
            $items->firstWhere('id', Input::text($request, 'columns')),
            null,
        ))->map();
    }

    /** The file of a copy; as data, never as a page of ours. */
    public function file(Request $request, Review $review, FullText $fullText): Response
    {
        abort_unless($fullText->taken_out_at === null, 404, 'This copy is not kept here.');

        return StoredAnswer::of($request, $fullText->path(), $fullText->headers());
    }

    /**
     * @param  \Generator<int, list<string|int|float|null>>  $rows
     * @return \Generator<int, list<string|int|float|null>>
     */
    private static function rest(\Generator $rows): \Generator
    {
        for ($rows->next(); $rows->valid(); $rows->next()) {
            yield $rows->current();
        }
    }

    /**
     * @param  list<string>  $names
     * @param  array<array-key, int>  $totals
     * @return list<object> name and studies of each
     */
    private static function totals(array $names, array $totals): array
    {
        return array_map(
            fn (string $name): object => (object) ['name' => $name, 'studies' => $totals[$name] ?? 0],
            $names,
        );
    }
}
