<?php

declare(strict_types=1);

namespace App\Http\Controllers\Synthesis;

use App\Files\Out\SvgPicture;
use App\Files\Out\TableDownload;
use App\Files\Out\TextDownload;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Synthesis\MapQuery;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;
use WaryHeron\Core\Synthesis\Map\CellFigure;
use WaryHeron\Core\Synthesis\Map\EvidenceMap;
use WaryHeron\Core\Synthesis\Map\MapPlot;

/** Studies counted by what the codebook says of them, two items against each other. */
final class MapController extends Controller
{
    public function show(Request $request, Review $review): View
    {
        $items = MapQuery::items($review);
        $rows = self::asked($request, $items, 'rows') ?? $items->first();
        if ($rows === null) {
            return view('synthesis.map', ['review' => $review, 'map' => null]);
        }
        $columns = self::columns($request, $items, $rows);
        $fill = self::asked($request, $items, 'fill');
        $query = new MapQuery($review, $rows, $columns, $fill);
        $map = $query->map();
        $at = [Input::text($request, 'row'), Input::text($request, 'column')];

        return view('synthesis.map', [
            'review' => $review,
            ...compact('items', 'rows', 'columns', 'fill', 'map'),
            'layers' => $query->layers(),
            'as' => CellFigure::tryFrom(Input::text($request, 'as')),
            'uncounted' => $query->uncounted($map->studies),
            'at' => $at,
            'studies' => in_array($at[0], $map->rows, true) ? $query->studies(...$at) : null,
        ]);
    }

    public function download(Request $request, Review $review, string $format): Response
    {
        $items = MapQuery::items($review);
        $rows = self::asked($request, $items, 'rows') ?? abort(404);
        $columns = self::columns($request, $items, $rows);
        $query = new MapQuery($review, $rows, $columns, self::asked($request, $items, 'fill'));
        $map = $query->map();
        $title = $columns === null ? $rows->label : "{$rows->label} by {$columns->label}";
        if ($format === 'csv' || $format === 'xlsx') {
            return TableDownload::make($title, $format, self::tables($map, $query->layers()));
        }
        if ($format === 'html') {
            $page = view('synthesis.map-file', compact('review', 'title', 'rows', 'columns', 'map'), [
                'cells' => $query->byCell(),
            ]);

            return TextDownload::made($title, 'html', $page->render());
        }
        $svg = (new MapPlot($map))->svg($title);
        $name = Str::limit(Str::slug($title), 60, '').".{$format}";

        return SvgPicture::download($svg, $name, $format);
    }

    /** @param  Collection<int, CodebookItem>  $items */
    private static function asked(Request $request, Collection $items, string $key): ?CodebookItem
    {
        return $items->firstWhere('id', Input::text($request, $key));
    }

    /**
     * The one asked for; where nothing is, the next one, so that there is something to see.
     *
     * @param  Collection<int, CodebookItem>  $items
     */
    private static function columns(Request $request, Collection $items, CodebookItem $rows): ?CodebookItem
    {
        return $request->has('columns')
            ? self::asked($request, $items, 'columns')
            : $items->first(fn (CodebookItem $one): bool => $one->id !== $rows->id);
    }

    /**
     * The map, then each layer of it under its name.
     *
     * @param  array<array-key, EvidenceMap>  $layers
     * @return \Generator<int, list<string|int>>
     */
    private static function tables(EvidenceMap $map, array $layers): \Generator
    {
        yield from self::table($map);
        foreach ($layers as $answer => $layer) {
            yield [];
            yield [(string) $answer === '' ? '(no answer)' : (string) $answer];
            yield from self::table($layer);
        }
    }

    /** @return \Generator<int, list<string|int>> */
    private static function table(EvidenceMap $map): \Generator
    {
        yield ['', ...$map->columns, 'all'];
        foreach ($map->rows as $row) {
            yield [
                $row,
                ...array_map(fn (string $column): int => $map->at($row, $column), $map->columns),
                $map->rowTotals[$row] ?? 0,
            ];
        }
        yield [
            'all',
            ...array_map(fn (string $column): int => $map->columnTotals[$column] ?? 0, $map->columns),
            $map->studies,
        ];
    }
}
