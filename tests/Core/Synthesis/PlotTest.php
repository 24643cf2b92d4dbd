<?php

use Tests\Core\Drawn;
use WaryHeron\Core\Synthesis\Distribution\PointEstimate;
use WaryHeron\Core\Synthesis\Map\EvidenceMap;
use WaryHeron\Core\Synthesis\Map\MapPlot;
use WaryHeron\Core\Synthesis\Plot\Axis;
use WaryHeron\Core\Synthesis\Plot\BubblePlot;
use WaryHeron\Core\Synthesis\Plot\Favours;
use WaryHeron\Core\Synthesis\Plot\Forest;
use WaryHeron\Core\Synthesis\Plot\ForestLine;
use WaryHeron\Core\Synthesis\Plot\Funnel;
use WaryHeron\Core\Synthesis\Plot\Judged;
use WaryHeron\Core\Synthesis\Plot\JudgementPlot;
use WaryHeron\Core\Synthesis\Plot\PlacedText;

/** A plot of so many made-up studies by relative risk, and its pooled line. */
function forestOf(int $count, bool $isLog = true): Forest
{
    mt_srand($count);
    $lines = [];
    for ($i = 0; $i < $count; $i++) {
        $at = mt_rand(-900, 700) / 1000;
        $se = mt_rand(50, 700) / 1000;
        $lines[] = ForestLine::study(
            ['Ö', 'Birkeland-Tsegaye and others ', 'Li '][$i % 3].(1990 + $i % 30),
            [mt_rand(1, 2000).'/'.mt_rand(2000, 9000), mt_rand(1, 50).'/60'],
            new PointEstimate($at, $at - 1.96 * $se, $at + 1.96 * $se),
            sprintf('%.2f (%.2f–%.2f)', exp($at), exp($at - 1.96 * $se), exp($at + 1.96 * $se)),
            1 / $se ** 2,
            "s{$i}",
        );
    }
    $lines[] = ForestLine::pooled('Random effects, REML', new PointEstimate(-0.2, -0.35, -0.05), '0.82 (0.70–0.95)', [-0.8, 0.4]);

    return new Forest($lines, ['Light', 'Dim or none'], 'RR', $isLog, 0.0, new Favours('fewer with light', 'more'));
}

it('lets no words overlap, and none leave the picture', function (int $count) {
    $plot = forestOf($count);
    $rows = [];
    foreach ($plot->labels() as $label) {
        expect($label->x)->toBeGreaterThanOrEqual(0.0)->and($label->x + $label->width)->toBeLessThanOrEqual($plot->width());
        $rows[(string) $label->y][] = $label;
    }
    $height = null;
    foreach (array_keys($rows) as $i => $y) {
        expect($i === 0 || (float) $y - (float) $height >= $rows[$y][0]->height)->toBeTrue();
        $height = $y;
        usort($rows[$y], fn (PlacedText $a, PlacedText $b): int => $a->x <=> $b->x);
        for ($at = 1; $at < count($rows[$y]); $at++) {
            expect($rows[$y][$at]->x)->toBeGreaterThanOrEqual($rows[$y][$at - 1]->x + $rows[$y][$at - 1]->width);
        }
        // the estimates stand beyond the plot itself
        expect(end($rows[$y])->x)->toBeGreaterThanOrEqual($plot->x(99.0));
    }
    expect($rows)->toHaveCount($count);
})->with([3, 12, 60, 200]);

it('keeps the order of values, all estimates within the axis, and areas as weights', function (int $count) {
    $plot = forestOf($count);
    foreach ($plot->lines as $line) {
        $of = $line->interval;
        expect($plot->axis->at($of->estimate))->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(1.0);
        expect($plot->x($of->low) <= $plot->x($of->estimate) && $plot->x($of->estimate) <= $plot->x($of->high))->toBeTrue();
    }
    $weights = array_map(fn (ForestLine $one): float => $one->weight, array_slice($plot->lines, 0, -1));
    $most = max($weights);
    foreach ($weights as $weight) {
        $ratio = ($plot->half($weight) / $plot->half($most)) ** 2;
        expect($plot->half($weight) === 1.5 || abs($ratio - $weight / $most) < 1e-9)->toBeTrue();
    }
})->with([3, 12, 60, 200]);

it('is well-formed, tells in words what it shows, and marks what it cuts', function () {
    $svg = forestOf(12)->svg('Near misses <in the night>');
    $xml = new DOMDocument();
    expect($xml->loadXML($svg))->toBeTrue();
    expect($xml->getElementsByTagName('desc')->item(0)->textContent)->toContain('Random effects, REML 0.82 (0.70–0.95)');
    expect(substr_count($svg, 'class="plot-box"'))->toBe(12)->and(substr_count($svg, 'class="plot-diamond"'))->toBe(1);
    $wide = ForestLine::study('Wide', [], new PointEstimate(0.0, -9.0, 9.0), '', 1.0);
    $narrow = array_map(fn (int $i): ForestLine => ForestLine::study("N{$i}", [], new PointEstimate(0.1 * $i, 0.1 * $i - 0.3, 0.1 * $i + 0.3), '', 5.0), range(1, 19));
    $cut = new Forest([$wide, ...$narrow], [], 'MD', false, 0.0);
    expect(substr_count($cut->svg('x'), 'plot-cut'))->toBe(2);
    // of three nothing is cut
    expect(substr_count((new Forest([$wide, ...array_slice($narrow, 0, 2)], [], 'MD', false, 0.0))->svg('x'), 'plot-cut'))->toBe(0);
});

it('chooses ticks that people would choose', function (float $low, float $high, bool $isLog, array $ticks) {
    $axis = Axis::of($isLog ? log($low) : $low, $isLog ? log($high) : $high, $isLog);
    expect(array_map($axis->label(...), $axis->ticks))->toBe($ticks);
})->with([
    [0.09, 4.4, true, ['0.1', '0.2', '0.5', '1', '2']],
    [0.3, 2.2, true, ['0.5', '1', '2']],
    [0.01, 120, true, ['0.01', '0.1', '1', '10', '100']],
    [0.82, 1.25, true, ['0.9', '1', '1.1', '1.2']],
    [-4.2, 1.3, false, ['−4', '−3', '−2', '−1', '0', '1']],
    [-33, 4, false, ['−30', '−20', '−10', '0']],
    [0.0, 0.62, false, ['0', '0.1', '0.2', '0.3', '0.4', '0.5', '0.6']],
]);

it('never has too many ticks, nor too few', function () {
    mt_srand(3);
    for ($i = 0; $i < 300; $i++) {
        $low = mt_rand(-5000, 5000) / 700;
        $high = $low + mt_rand(20, 9000) / 700;
        $count = count(Axis::of($low, $high, (bool) ($i % 2))->ticks);
        expect($count)->toBeGreaterThanOrEqual(2)->toBeLessThanOrEqual(8);
    }
});

it('draws a funnel with every study inside', function () {
    $studies = array_map(fn (int $i): array => ['label' => "S{$i}", 'estimate' => -0.4 + 0.1 * ($i % 7), 'se' => 0.1 + 0.03 * $i], range(0, 19));
    $funnel = new Funnel($studies, -0.15, 0.0, true, 'RR');
    foreach ($studies as $study) {
        expect($funnel->axis->at($study['estimate']))->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(1.0);
    }
    expect($funnel->y(0.2))->toBeLessThan($funnel->y(0.3))->and((new DOMDocument())->loadXML($funnel->svg('Funnel')))->toBeTrue();
});

it('draws a regression with every study and the whole line inside', function (array $xs) {
    $points = array_map(fn (float $x, int $i): array => ['label' => "S{$i}", 'x' => $x, 'estimate' => 0.1 * $i - 0.3, 'weight' => 1.0 + $i], $xs, array_keys($xs));
    $plot = new BubblePlot($points, fn (float $x): float => 0.2 - 0.001 * $x, 'lux', 'RR', true);
    foreach ($points as $point) {
        expect($plot->across->at($point['x']))->toBeGreaterThan(0.0)->toBeLessThan(1.0);
        expect($plot->up->at($point['estimate']))->toBeGreaterThan(0.0)->toBeLessThan(1.0);
    }
    expect($plot->up->at(0.2 - 0.001 * $plot->across->low))->toBeLessThan(1.0)
        ->and((new DOMDocument())->loadXML($plot->svg('Lux & near misses')))->toBeTrue();
})->with([[[100.0, 900.0, 2500.0]], [[1.0, 2.0]], [[5.0, 5.0, 5.0]], [[-3.0, 0.0]]]);

it('marks studies as they were judged, beyond their estimates and within the picture', function (int $count) {
    $lines = array_map(
        fn (int $i): ForestLine => ForestLine::study("Study {$i}", ["{$i}/60"], new PointEstimate(0.1, -0.2, 0.4), '1.11 (0.82–1.49)', 3.0, "s{$i}")->judged([0.0, 0.5, 1.0, null][$i % 4]),
        range(1, $count),
    );
    $plain = new Forest($lines, ['Light'], 'RR', true, 0.0);
    $marked = new Forest($lines, ['Light'], 'RR', true, 0.0, judgedBy: 'risk of bias');
    $shown = array_filter($marked->labels(), fn (PlacedText $one): bool => $one->text === '1.11 (0.82–1.49)');
    foreach (array_values($shown) as $i => $label) {
        $mark = $marked->markAt($i);
        [$x, $y] = [$mark->x, $mark->y];
        expect($x - 8)->toBeGreaterThan($label->x + $label->width)
            ->and($x + 8)->toBeLessThanOrEqual($marked->width())
            ->and($y)->toBe($marked->y($i));
    }
    expect($marked->width())->toBeGreaterThan($plain->width())
        ->and(substr_count($marked->svg('M'), '<circle'))->toBe($count - intdiv($count + 1, 4))
        ->and($plain->svg('P'))->not->toContain('<circle')
        ->and($marked->svg('M'))->toContain('Marks: risk of bias');
})->with([3, 12, 60, 200]);

it('draws judgements fuller the worse they are, and counts them below', function (int $studies) {
    $names = array_combine(array_map(fn (int $i): string => "s{$i}", range(1, $studies)), array_map(fn (int $i): string => "Study {$i}", range(1, $studies)));
    $scale = ['Low', 'Some', 'High'];
    $by = array_map(fn (int $i): string => $scale[$i % 3], array_combine(array_keys($names), range(1, $studies)));
    unset($by['s1']);
    $regard = new Judged('how groups came about', $scale, $by);
    $plot = new JudgementPlot($names, [$regard, new Judged('missing results', $scale, [])]);
    $svg = $plot->svg('Judged');

    expect([$regard->level('s2'), $regard->level('s3'), $regard->level('s1')])->toBe([1.0, 0.0, null])
        ->and(array_sum($regard->counts()))->toBe($studies - 1)
        ->and($plot->at($studies - 1, 1)->y)->toBeLessThan($plot->height())
        ->and($plot->at(0, 1)->x)->toBeLessThan($plot->width())
        ->and((new DOMDocument())->loadXML($svg))->toBeTrue()
        ->and($svg)->toContain('nobody has judged it yet')
        ->toContain("Study {$studies}. how groups came about:");
})->with([3, 12, 60, 200]);

it('breaks into pages of one axis and one scale, loses no line, and parts no group from its name or total', function (int $groups, int $of, int $most) {
    $lines = [];
    foreach (range(1, $groups) as $group) {
        $studies = array_slice(forestOf(200)->lines, 20 * $group, $of);
        array_push($lines, ForestLine::head("Group {$group}"), ...[...$studies, ForestLine::pooled('All', new PointEstimate(-0.2, -0.3, 0.1), '0.82')]);
    }
    $whole = new Forest($lines, ['Light', 'Dim'], 'RR', true, 0.0);
    $pages = $whole->pages($most);
    expect(array_merge(...array_map(fn (Forest $page): array => $page->lines, $pages)))->toBe($lines)
        ->and(count($pages) === 1)->toBe(count($lines) <= $most);
    foreach ($pages as $i => $page) {
        expect(count($page->lines))->toBeLessThanOrEqual($most)
            ->and([$page->width(), $page->x(-0.2), $page->half(7.0)])->toBe([$whole->width(), $whole->x(-0.2), $whole->half(7.0)])
            ->and($page->lines[0]->kind === ForestLine::POOLED)->toBeFalse()
            ->and($page->lines[count($page->lines) - 1]->kind === ForestLine::HEAD)->toBeFalse()
            ->and((new DOMDocument())->loadXML($page->svg("Page {$i}")))->toBeTrue();
    }
})->with([[1, 3, 40], [3, 4, 7], [5, 20, 40], [8, 5, 13], [6, 11, 12]]);

it('lets words in no drawing leave it, nor lie on each other, however long they are', function (string $svg) {
    expect(Drawn::misplaced($svg))->toBe([]);
})->with(function () {
    $long = 'how far the people who measured knew which light somebody had been given, and whether that could matter';
    $scale = fn (int $steps): array => array_map(fn (int $i): string => "so much and not more than step {$i} of it", range(1, $steps));
    $names = [];
    foreach (range(1, 40) as $i) {
        $names["s{$i}"] = "{$long} {$i}";
    }
    $judged = fn (int $steps, int $regards): string => (new JudgementPlot($names, array_map(
        // nearly all at one step, so that the others' parts are slim
        fn (int $i): Judged => new Judged("{$long} {$i}", $scale($steps), [
            ...array_fill_keys(array_keys($names), $scale($steps)[$steps - 1]),
            's2' => $scale($steps)[0],
        ]),
        range(1, $regards),
    )))->svg($long);
    $studies = array_map(fn (int $i): array => ['label' => $long, 'estimate' => 0.1 * $i, 'se' => 0.1 + 0.01 * $i], range(1, 12));
    $points = array_map(
        fn (int $i): array => ['label' => $long, 'x' => 100000.0 * $i, 'estimate' => 0.1 * $i, 'weight' => 1.0],
        range(1, 12),
    );
    $here = new PointEstimate(0.1, -0.2, 0.4);
    $forest = fn (string $judgedBy): string => (new Forest([
        ForestLine::head("Studies of {$long}"),
        ForestLine::study($long, ['1000/2000', '7'], $here, '1.11 (0.82–1.49)', 3.0)->judged(0.5),
        ForestLine::pooled("Pooled of {$long}", $here, '1.11 (0.82–1.49)'),
        ForestLine::words("{$long}, {$long}"),
        ForestLine::pooled("All of {$long}", $here, '1.11 (0.82–1.49)'),
    ], [$long, "others: {$long}"], 'RR', true, 0.0, new Favours($long, $long), judgedBy: $judgedBy))->svg($long);
    $map = EvidenceMap::of(
        ['a' => [$long], 'b' => ['x']],
        ['a' => [$long], 'b' => ['y']],
        ['a' => [$long], 'b' => ['z']],
        [[], [], [$long, 'z']],
    );

    return [
        'a judgement of one step' => [$judged(1, 1)],
        'of five steps in one regard' => [$judged(5, 1)],
        'of three steps in seven' => [$judged(3, 7)],
        'a funnel' => [(new Funnel($studies, 0.2, 0.0, false, $long))->svg($long)],
        'a funnel of ratios' => [(new Funnel($studies, 0.2, 0.0, true, $long))->svg($long)],
        'a regression' => [(new BubblePlot($points, fn (float $x): float => 1e-6 * $x, $long, $long, true))->svg($long)],
        'a map' => [(new MapPlot($map))->svg($long)],
        'a forest' => [$forest('')],
        'a marked forest' => [$forest($long)],
    ];
});
