<?php

use Tests\Core\Drawn;
use WaryHeron\Core\Synthesis\Map\CellFigure;
use WaryHeron\Core\Synthesis\Map\EvidenceMap;
use WaryHeron\Core\Synthesis\Map\MapPlot;

const PEOPLE = ['a' => ['nurses', 'doctors'], 'b' => ['nurses'], 'c' => ['doctors'], 'd' => ['not reported'], 'e' => ['nurses']];

const LIGHT = ['a' => ['lamp'], 'b' => ['lamp'], 'c' => ['window'], 'd' => ['lamp']];

it('counts a study once in each of its cells and once in each total', function () {
    $map = EvidenceMap::of(PEOPLE, LIGHT, ['a' => ['trial'], 'b' => ['survey']], [['nurses', 'doctors', 'porters'], ['lamp', 'window'], ['survey', 'trial', 'other']]);
    expect([$map->rows, $map->columns, $map->fills])->toBe([['nurses', 'doctors', 'porters', 'not reported'], ['lamp', 'window'], ['survey', 'trial']]);
    expect([$map->studies, $map->at('nurses', 'lamp'), $map->at('doctors', 'window'), $map->at('porters', 'lamp'), $map->gaps()])->toBe([4, 2, 1, 0, 4]);
    expect($map->split['nurses']['lamp'])->toBe(['trial' => 1, 'survey' => 1]);
    // of three studies in a cell two say the one and one the other
    expect(mapOf(2, 2, ['trial', 'survey'])->split['row 1']['column 1'])->toBe(['trial' => 2, 'survey' => 1]);
    // what nobody offered comes after what was, in order of its name, also where the name is a number
    $said = EvidenceMap::of(['a' => ['zinc', '2024', 'ash'], 'b' => ['offered']], null, null, [['offered'], [], []]);
    expect($said->rows)->toBe(['offered', '2024', 'ash', 'zinc'])->and($said->at('2024', ''))->toBe(1);
    // one study stands in two rows
    expect(array_sum($map->rowTotals))->toBe(5)->and($map->isPartition())->toBeFalse();
    expect(EvidenceMap::of(PEOPLE, null, null, [[], [], []])->studies)->toBe(5);
    expect(EvidenceMap::of([], [], null, [['x'], ['y'], []])->gaps())->toBe(1);
    // who says nothing of the one or the other is in no cell and no total
    $none = EvidenceMap::of(['a' => [], 'b' => ['x'], 'c' => ['x']], ['a' => ['y'], 'b' => []], null, [['x'], ['y'], []]);
    expect([$none->studies, $none->columnTotals, $none->gaps(), $none->most(), $none->tests()])->toBe([0, [], 1, 1, null]);
});

it('tells cells in percent of studies of the row, the column or all', function (CellFigure $as, int|float|null $cell, int|float|null $empty) {
    $map = EvidenceMap::of(PEOPLE, LIGHT, null, [['nurses', 'doctors', 'porters'], ['lamp', 'window'], []]);
    expect($map->figure('doctors', 'lamp', $as))->toEqual($cell)->and($map->figure('porters', 'lamp', $as))->toEqual($empty);
})->with([
    // doctors: a by lamp, c by window; by lamp: a, b, d; a, b, c and d say both
    [CellFigure::Studies, 1, 0],
    [CellFigure::OfRow, 50.0, null],
    [CellFigure::OfColumn, 100 / 3, 0.0],
    [CellFigure::OfAll, 25.0, 0.0],
]);

it('adds up however studies fall, and tests only where each lies in one cell', function () {
    mt_srand(8);
    for ($round = 0; $round < 50; $round++) {
        $down = $across = [];
        for ($i = 0; $i < 30; $i++) {
            $down["s{$i}"] = [['x', 'y', 'z'][mt_rand(0, 2)]];
            $across["s{$i}"] = [['1', '2'][mt_rand(0, 1)]];
        }
        $map = EvidenceMap::of($down, $across, null, [['x', 'y', 'z'], ['1', '2'], []]);
        $sum = array_sum(array_map(array_sum(...), $map->cells));
        expect([$sum, array_sum($map->rowTotals), array_sum($map->columnTotals)])->toBe([30, 30, 30]);
        expect($map->tests()['n'])->toBe(30.0)->and($map->most())->toBe(max(array_map(max(...), $map->cells)));
    }
});

it('draws discs by area, within their cells', function () {
    $map = EvidenceMap::of(PEOPLE, LIGHT, ['a' => ['trial'], 'b' => ['survey']], [['nurses', 'doctors'], ['lamp', 'window'], ['trial', 'survey']]);
    $plot = new MapPlot($map);
    expect(abs(($plot->radius(1) / $plot->radius(2)) ** 2 - 0.5))->toBeLessThan(1e-9)->and($plot->radius(0))->toBe(0.0);
    $corner = $plot->cell(count($map->rows) - 1, count($map->columns) - 1);
    expect($corner->x)->toBeLessThan($plot->width())->and($corner->y)->toBeLessThan($plot->height());
    $svg = $plot->svg('A & B', links: ['nurses' => ['lamp' => '/x?a=1&b=2']]);
    expect((new DOMDocument())->loadXML($svg))->toBeTrue()->and($svg)->toContain('url(#gap)', 'url(#lines)');
});

/** A map of so many rows and columns, in which each cell has as many studies as its place says, split by three fills. */
function mapOf(int $rows, int $columns, array $fills = ['trial', 'survey', 'other']): EvidenceMap
{
    $down = $across = $filled = [];
    for ($row = 0; $row < $rows; $row++) {
        for ($column = 0; $column < $columns; $column++) {
            for ($i = 0; $i < $row * $columns + $column; $i++) {
                $study = "{$row}.{$column}.{$i}";
                [$down[$study], $across[$study]] = [["row {$row}"], ["column {$column}"]];
                $filled[$study] = $fills === [] ? [] : [$fills[$i % count($fills)]];
            }
        }
    }
    $names = fn (string $of, int $count): array => array_map(fn (int $i): string => "{$of} {$i}", range(0, $count - 1));

    return EvidenceMap::of($down, $across, $fills === [] ? null : $filled, [$names('row', $rows), $names('column', $columns), $fills]);
}

it('draws each cell where it stands, with its disc and number within it, and hatches what is empty', function (int $rows, int $columns) {
    $map = mapOf($rows, $columns);
    $plot = new MapPlot($map);
    $svg = $plot->svg('Map');
    $cells = Drawn::at($svg, '//s:rect[contains(@class, "map-cell")]');
    $discs = Drawn::at($svg, '//s:circle[@class="map-ring"]');
    $numbers = Drawn::at($svg, '//s:text[@font-size="15"]');
    expect(array_map(count(...), [$cells, $discs, $numbers]))->toBe([$rows * $columns, $rows * $columns - 1, $rows * $columns - 1]);
    foreach ($cells as $at => $cell) {
        $corner = $plot->cell(intdiv($at, $columns), $at % $columns);
        [$left, $top, $wide, $high] = array_map(floatval(...), [$cell['x'], $cell['y'], $cell['width'], $cell['height']]);
        expect([$left, $top])->toEqualWithDelta([$corner->x + 1, $corner->y + 1], 0.01);
        expect((string) $cell['fill'])->toBe($at === 0 ? 'url(#gap)' : 'none');
        // cells lie side by side, two apart, and fill the picture but for a margin
        expect($plot->cell(0, 1)->x - $plot->cell(0, 0)->x)->toEqualWithDelta($wide + 2, 0.01);
        expect($plot->cell(1, 0)->y - $plot->cell(0, 0)->y)->toEqualWithDelta($high + 2, 0.01);
        if ($at === 0) {
            continue;
        }
        [$disc, $number] = [$discs[$at - 1], $numbers[$at - 1]];
        [$x, $y, $r] = array_map(floatval(...), [$disc['cx'], $disc['cy'], $disc['r']]);
        expect($r)->toEqualWithDelta($plot->radius($at), 0.01)->and((string) $number)->toBe((string) $at);
        expect($x - $r > $left && $y - $r > $top && $y + $r < $top + $high)->toBeTrue();
        // the number stands above and to the right, clear of the disc: 15 px high, its digits 8.4 wide
        [$end, $line] = [(float) $number['x'], (float) $number['y']];
        expect($end < $left + $wide && $line - 15 > $top)->toBeTrue();
        expect(hypot($end - 8.4 * strlen((string) $at) - $x, max(0.0, $y - $line)) > $r)->toBeTrue();
    }
    expect($plot->cell(0, $columns)->x + 10)->toEqualWithDelta($plot->width(), 0.01);
    $root = Drawn::at($svg, '/s:svg')[0];
    expect((string) $root['viewBox'])->toBe("0 0 {$root['width']} {$root['height']}")
        ->and((float) $root['width'])->toEqualWithDelta($plot->width(), 0.01);
    $studies = intdiv($rows * $columns * ($rows * $columns - 1), 2);
    expect((string) Drawn::at($svg, '/s:svg/s:desc')[0])->toBe("{$studies} studies; 1 of ".$rows * $columns.' cells have none.');
})->with([[2, 2], [3, 4], [1, 5]]);

it('splits a disc into sectors of as much of the circle as their share', function () {
    $map = mapOf(3, 3, ['a', 'b', 'c', 'd', 'e', 'f', 'g']);
    $svg = (new MapPlot($map))->svg('Map');
    $sectors = Drawn::at($svg, '//s:path[@stroke-width="1.2"]');
    $next = 0;
    foreach ($map->rows as $row) {
        foreach ($map->columns as $column) {
            $split = $map->split[$row][$column] ?? [];
            $from = 0.0;
            foreach (array_values(array_intersect($map->fills, array_keys($split))) as $fill) {
                $share = $split[$fill] / array_sum($split);
                $place = (int) array_search($fill, $map->fills, true);
                $drawn = $sectors[$next++];
                $patterns = ['#15566a', 'url(#lines)', 'url(#dots)', 'url(#cross)'];
                expect((string) $drawn['fill'])->toBe($patterns[$place] ?? 'none');
                if ($share === 1) {
                    expect((string) $drawn['d'])->not->toContain('L');

                    continue;
                }
                preg_match('/^M(\S+) (\S+)L(\S+) (\S+)A(\S+) \S+ 0 ([01]) 1 (\S+) (\S+)z$/', (string) $drawn['d'], $is);
                [, $x, $y, $x1, $y1, $r, $large, $x2, $y2] = array_map(floatval(...), $is);
                // clockwise from twelve
                $on = fn (float $turn): array => [$x + $r * sin(2 * M_PI * $turn), $y - $r * cos(2 * M_PI * $turn)];
                expect([[$x1, $y1], [$x2, $y2]])->toEqualWithDelta([$on($from), $on($from + $share)], 0.02);
                expect($large)->toBe($share > 0.5 ? 1.0 : 0.0);
                $from += $share;
            }
        }
    }
    expect($next)->toBe(count($sectors))->toBeGreaterThan(20);
});

it('draws discs whole where nothing splits them', function () {
    $svg = (new MapPlot(mapOf(2, 2, [])))->svg('Map');
    expect(Drawn::at($svg, '//s:circle[@class="plot-box" and @fill="#15566a"]'))->toHaveCount(3)
        ->and(Drawn::at($svg, '//s:path[@stroke-width="1.2"]'))->toBe([])
        ->and((new MapPlot(mapOf(2, 2, [])))->legend()->names)->toBe([]);
    // of studies of which none says what the discs are split by, the disc is whole too
    $map = EvidenceMap::of(PEOPLE, LIGHT, ['a' => ['trial'], 'c' => []], [[], [], ['trial']]);
    expect(Drawn::at((new MapPlot($map))->svg('Map'), '//s:circle[@class="plot-box"]'))->toHaveCount(2);
});

it('names rows before their cells and columns above them, in two lines at most', function () {
    $long = 'hospital pharmacists who are on call in the night and at weekends';
    [$down, $across] = [['a' => [$long], 'b' => ['nurses']], ['a' => ['lamp'], 'b' => [$long]]];
    $map = EvidenceMap::of($down, $across, null, [[$long, 'nurses'], ['lamp', $long], []]);
    $plot = new MapPlot($map);
    $svg = $plot->svg('Map');
    $ends = Drawn::at($svg, '//s:text[@text-anchor="end" and not(@font-size)]');
    expect(array_map(strval(...), $ends))->toBe(['hospital pharmacists who are', 'on call in the night and at…', 'nurses']);
    $middle = fn (int $row): float => $plot->cell($row, 0)->y + ($plot->cell(1, 0)->y - $plot->cell(0, 0)->y) / 2;
    [$first, $second, $single] = array_map(fn (SimpleXMLElement $one): float => (float) $one['y'], $ends);
    expect([$second - $first, ($first + $second) / 2, $single])->toEqualWithDelta([16, $middle(0) + 4, $middle(1) + 4], 0.01);
    foreach ($ends as $one) {
        expect((float) $one['x'])->toBeLessThan($plot->cell(0, 0)->x)->toBeGreaterThan(7.28 * mb_strlen((string) $one));
    }
    $heads = Drawn::at($svg, '//s:text[@text-anchor="middle"]');
    expect(array_map(strval(...), $heads))->toBe(['lamp', 'hospital', 'pharmacists wh…']);
    foreach ([0, 1, 1] as $at => $column) {
        $centre = ($plot->cell(0, $column)->x + $plot->cell(0, $column + 1)->x) / 2;
        expect((float) $heads[$at]['x'])->toEqualWithDelta($centre, 0.01)
            ->and((float) $heads[$at]['y'])->toBeLessThan($plot->cell(0, 0)->y);
    }
    expect((float) $heads[2]['y'] - (float) $heads[1]['y'])->toBe(16.0);
    // short names leave no more room than they need, but some
    expect((new MapPlot(mapOf(1, 1)))->cell(0, 0)->x)->toBe(80.0)->and($plot->cell(0, 0)->x)->toBe(230.0);
});

it('writes the legend below the cells, each name beside its pattern, none over another and none beyond the picture', function (int $columns, array $fills) {
    $plot = new MapPlot(mapOf(8, $columns, $fills));
    $svg = $plot->svg('Map');
    $placed = $plot->legend()->names;
    $boxes = Drawn::at($svg, '//s:rect[@width="14"]');
    expect($placed)->toHaveCount(count($fills))->and($boxes)->toHaveCount(count($fills));
    foreach ($placed as $at => $name) {
        expect(Drawn::at($svg, "//s:text[. = '{$name->text}']"))->toHaveCount(1);
        [$x, $y] = [(float) $boxes[$at]['x'], (float) $boxes[$at]['y']];
        expect([$name->x - $x, $name->y - $y])->toEqualWithDelta([20, 11], 0.01);
        expect($x >= 0 && $name->x + $name->width <= $plot->width() && $name->y + 5 < $plot->height())->toBeTrue();
        expect($y)->toBeGreaterThan($plot->cell(8, 0)->y);
        $after = $placed[$at + 1] ?? null;
        $isBeside = $after !== null && $after->y === $name->y && $after->x - 20 > $name->x + $name->width;
        expect($after === null || $after->y - $name->y >= 20 || $isBeside)->toBeTrue();
    }
    expect($plot->height() - end($placed)->y)->toBe(16.0)->and($plot->legend()->bottom())->toBe(end($placed)->y);
})->with([
    'in one line' => [4, ['trial', 'survey', 'other']],
    'of one column' => [1, ['parallel-group trial', 'crossover trial', 'cluster trial', 'before-after study', 'cohort or survey']],
    'of long names' => [2, ['a design of which the codebook tells much more than anybody reads in a legend', 'other']],
]);

it('leads from each cell that has studies, and marks the one that is open', function () {
    $map = mapOf(2, 2);
    $links = array_fill_keys($map->rows, array_fill_keys($map->columns, '/x?a=1&b=2'));
    $svg = (new MapPlot($map))->svg('Map', false, $links, ['row 1', 'column 0']);
    $labels = array_map(fn (SimpleXMLElement $one): string => "{$one['aria-label']} {$one['href']}", Drawn::at($svg, '//s:a'));
    expect($labels)->toBe(['row 0, column 1: 1 /x?a=1&b=2', 'row 1, column 0: 2 /x?a=1&b=2', 'row 1, column 1: 3 /x?a=1&b=2']);
    $open = Drawn::at($svg, '//s:rect[contains(@class, "map-chosen")]');
    expect($open)->toHaveCount(1)->and((string) $open[0]['stroke-opacity'])->toBe('1');
    $role = fn (string $svg): string => (string) Drawn::at($svg, '/s:svg')[0]['role'];
    expect([$role($svg), $role((new MapPlot($map))->svg('Map'))])->toBe(['group', 'img']);
});
