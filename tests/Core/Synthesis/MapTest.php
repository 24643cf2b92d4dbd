<?php

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
    // one study stands in two rows
    expect(array_sum($map->rowTotals))->toBe(5)->and($map->isPartition())->toBeFalse();
    expect(EvidenceMap::of(PEOPLE, null, null, [[], [], []])->studies)->toBe(5);
    expect(EvidenceMap::of([], [], null, [['x'], ['y'], []])->gaps())->toBe(1);
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
        expect($map->tests()['n'])->toBe(30.0);
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
