<?php

namespace Tests\Core\Synthesis\PlotRead;

use Tests\Core\Drawn;
use WaryHeron\Core\Synthesis\Distribution\Normal;
use WaryHeron\Core\Synthesis\Distribution\PointEstimate;
use WaryHeron\Core\Synthesis\Plot\Axis;
use WaryHeron\Core\Synthesis\Plot\BubblePlot;
use WaryHeron\Core\Synthesis\Plot\Disc;
use WaryHeron\Core\Synthesis\Plot\Drawing;
use WaryHeron\Core\Synthesis\Plot\Favours;
use WaryHeron\Core\Synthesis\Plot\Forest;
use WaryHeron\Core\Synthesis\Plot\ForestLine;
use WaryHeron\Core\Synthesis\Plot\Funnel;
use WaryHeron\Core\Synthesis\Plot\Judged;
use WaryHeron\Core\Synthesis\Plot\JudgementPlot;
use WaryHeron\Core\Synthesis\Plot\Point;

/** Whether numbers read from a picture are those that were drawn, but for a hundredth of a pixel each. */
function same(array $read, array $drawn, float $within): void
{
    expect(count($read))->toBe(count($drawn));
    foreach ($read as $i => $value) {
        expect(abs($value - $drawn[$i]))->toBeLessThan($within);
    }
}

/** @return list<float> what an attribute of each is, read by a scale */
function each(array $elements, string $name, ?\Closure $read = null): array
{
    return array_map(fn (\SimpleXMLElement $one): float => ($read ?? fn (float $is): float => $is)((float) $one[$name]), $elements);
}

/** @return list<array{label: string, estimate: float, se: float}> */
function funnelStudies(): array
{
    $studies = [];
    foreach ([[-0.2, 0.2], [0.1, 0.1], [0.5, 0.4], [-0.3, 0.35], [0.2, 0.15]] as $i => [$estimate, $se]) {
        $studies[] = ['label' => "S{$i}", 'estimate' => $estimate, 'se' => $se];
    }

    return $studies;
}

it('puts each study of a funnel where its axes say, observed or mirrored', function (bool $isLog) {
    $mirrored = [['label' => 'M', 'estimate' => -0.7, 'se' => 0.4]];
    $svg = (new Funnel(funnelStudies(), -0.1, 0.0, $isLog, 'RR', $mirrored))->svg('Funnel');
    [$x, $y] = [Drawn::scale($svg, 'x', 'middle', $isLog), Drawn::scale($svg, 'y', 'end', false, 4.0)];
    $circles = Drawn::at($svg, '//s:g/s:circle');
    $hollow = array_filter($circles, fn ($one): bool => (string) $one['fill'] === 'none');
    same(each($circles, 'cx', $x), [-0.7, -0.2, 0.1, 0.5, -0.3, 0.2], 0.001);
    same(each($circles, 'cy', $y), [0.4, 0.2, 0.1, 0.4, 0.35, 0.15], 0.001);
    expect(array_keys($hollow))->toBe([0])
        ->and((string) Drawn::at($svg, '//s:g/s:title')[0])->toBe('M')
        ->and((string) Drawn::at($svg, '//s:desc')[0])->toBe('5 studies by RR and standard error. 1 mirrored ones are hollow.');
})->with([true, false]);

it('draws lines of a funnel where 95% would lie, and contours where p is what they say', function (?float $common, float $nothing) {
    $svg = (new Funnel(funnelStudies(), $common, $nothing, false, 'MD'))->svg('Funnel');
    [$x, $y] = [Drawn::scale($svg, 'x', 'middle', false), Drawn::scale($svg, 'y', 'end', false, 4.0)];
    $dashed = Drawn::at($svg, '//s:line[@stroke-dasharray]');
    $lines = array_map(fn ($one): array => Drawn::numbers($one, 'x1', 'y1', 'x2', 'y2'), $dashed);
    $slopes = array_map(fn (array $one): float => ($x($one[2]) - $x($one[0])) / $y($one[3]), $lines);
    same($slopes, $common === null ? [] : [0.0, -Normal::Z, Normal::Z], 0.003);
    foreach ($lines as $one) {
        same([$x($one[0]), $y($one[1])], [$common, 0.0], 0.001);
    }
    $contours = Drawn::at($svg, '//s:path');
    expect(each($contours, 'opacity'))->toBe([0.05, 0.07, 0.09]);
    foreach ($contours as $i => $path) {
        $z = Normal::quantile(1 - [0.01, 0.05, 0.1][$i] / 2);
        $points = array_chunk(Drawn::numbers($path, 'd'), 2);
        same([$x($points[0][0]), $y($points[0][1])], [$nothing, 0.0], 0.001);
        // from the top to where each side leaves the picture: at the bottom, or at its edge, and from there down
        $edges = [$points[1], $points[count($points) - 1]];
        same(array_map(fn (array $one): float => ($x($one[0]) - $nothing) / $y($one[1]), $edges), [-$z, $z], 0.006);
        foreach ($edges as $edge) {
            expect($edge[0] === 58.0 || $edge[0] === 478.0 || $edge[1] === 314.0)->toBeTrue();
        }
        expect(array_unique(array_column(array_slice($points, 2, -2), 1)))->toBe(count($points) > 4 ? [314.0] : []);
    }
})->with([[0.05, 0.0], [0.3, 0.0], [-0.4, 0.1], [null, 0.0]]);

it('holds in a funnel what 95% would lie within, and studies beyond it, and needs neither an effect nor nothing', function () {
    $most = 0.4 * 1.06;
    $ends = fn (Funnel $one): array => [round($one->axis->low, 6), round($one->axis->high, 6)];
    $far = [['label' => 'F', 'estimate' => 2.0, 'se' => 0.1], ['label' => 'G', 'estimate' => -2.0, 'se' => 0.1]];
    $half = round(Normal::Z * $most, 6);
    expect($ends(new Funnel(funnelStudies(), 0.0, 0.7, false, 'MD')))->toBe([-$half, $half])
        ->and($ends(new Funnel(funnelStudies(), null, 0.25, false, 'MD')))->toBe([round(0.25 - $half, 6), round(0.25 + $half, 6)])
        ->and($ends(new Funnel([...funnelStudies(), $far[0]], 0.0, 0.0, false, 'MD')))->toBe([-$half, 2.0])
        ->and($ends(new Funnel(funnelStudies(), 0.0, 0.0, false, 'MD', [$far[1]])))->toBe([-2.0, $half]);
    $bare = (new Funnel(funnelStudies(), null, null, false, 'MD'))->svg('Bare');
    expect(Drawn::at($bare, '//s:path'))->toBe([])->and(Drawn::at($bare, '//s:line[@stroke-dasharray]'))->toBe([])
        ->and((string) Drawn::at($bare, '//s:desc')[0])->toBe('5 studies by MD and standard error.');
});

it('puts studies of a regression where its axes say, as large as they weigh, and the line where it runs', function (bool $isLog) {
    $points = [];
    foreach ([[1.0, 0.2, 1.0], [4.0, -0.1, 9.0], [9.0, 0.6, 4.0]] as [$at, $estimate, $weight]) {
        $points[] = ['label' => "at {$at}", 'x' => $at, 'estimate' => $estimate, 'weight' => $weight];
    }
    $line = fn (float $at): float => 0.05 + 0.03 * $at;
    $svg = (new BubblePlot($points, $line, 'lux', 'RR', $isLog))->svg('Lux');
    [$x, $y] = [Drawn::scale($svg, 'x', 'middle', false), Drawn::scale($svg, 'y', 'end', $isLog, 4.0)];
    $circles = Drawn::at($svg, '//s:g/s:circle');
    same(each($circles, 'cx', $x), [1.0, 4.0, 9.0], 0.002);
    same(each($circles, 'cy', $y), [0.2, -0.1, 0.6], 0.001);
    same(each($circles, 'r', fn (float $r): float => $r ** 2 / 225), [1 / 9, 1.0, 4 / 9], 0.001);
    $drawn = Drawn::numbers(Drawn::at($svg, "//s:line[@stroke-width='1.8']")[0], 'x1', 'y1', 'x2', 'y2');
    same([$y($drawn[1]), $y($drawn[3])], [$line($x($drawn[0])), $line($x($drawn[2]))], 0.001);
    expect($x($drawn[0]))->toBeLessThan(1.0)->and($x($drawn[2]))->toBeGreaterThan(9.0)
        ->and((string) Drawn::at($svg, '//s:desc')[0])->toBe('3 studies by lux and RR, with the line of the regression.');
    // each tick of the estimates has its line across
    $across = Drawn::at($svg, "//s:line[@opacity='0.15']");
    $ticks = each(Drawn::at($svg, "//s:text[@text-anchor='end']"), 'y', fn (float $at): float => $at - 4);
    same(each($across, 'y1'), $ticks, 0.011);
    same(each($across, 'y2'), $ticks, 0.011);
})->with([true, false]);

/** Six studies of which one is far wider than the rest, one that gives no estimate, and what they come to. */
function forestRead(bool $isLog): Forest
{
    $lines = [ForestLine::head('Wards')];
    $told = [[-0.4, 0.2, 4.0], [-0.1, 0.15, 9.0], [0.1, 0.3, 1.0], [-0.3, 0.25, 2.0], [0.0, 3.0, 0.01], [-0.2, 0.2, 5.0]];
    foreach ($told as $i => [$at, $se, $weight]) {
        $lines[] = ForestLine::study("S{$i}", ["{$i}/9"], new PointEstimate($at, $at - 1.96 * $se, $at + 1.96 * $se), "shown {$i}", $weight);
    }
    $lines[] = ForestLine::study('Silent', ['–'], null, 'no estimate', 0.0);
    $lines[] = ForestLine::pooled('All', new PointEstimate(-0.15, -0.3, -0.02), 'shown', [-0.5, 9.0]);

    return new Forest($lines, ['n'], 'RR', $isLog, 0.0);
}

it('puts boxes, intervals, diamond and the range of a new study where the axis says, cut with an arrow', function (bool $isLog) {
    $forest = forestRead($isLog);
    $svg = $forest->svg('Forest');
    $x = Drawn::scale($svg, 'x', 'middle', $isLog);
    $studies = array_values(array_filter($forest->lines, fn (ForestLine $one): bool => str_starts_with($one->label, 'S') && $one->weight > 0));
    $of = fn (\Closure $value): array => array_map($value, $studies);
    $box = Drawn::at($svg, "//s:rect[@class='plot-box']");
    $middles = array_map(fn (float $left, float $width): float => $x($left + $width / 2), each($box, 'x'), each($box, 'width'));
    same($middles, $of(fn (ForestLine $one): float => $one->interval->estimate), 0.005);
    $areas = $of(fn (ForestLine $one): float => max(9.0, 169.0 * $one->weight / 9));
    same(each($box, 'width', fn (float $width): float => $width ** 2), $areas, 0.3);
    [$low, $high] = [$forest->axis->low, $forest->axis->high];
    $whiskers = Drawn::at($svg, "//s:g/s:line[@stroke-width='1.3']");
    same(each($whiskers, 'x1', $x), $of(fn (ForestLine $one): float => max($low, $one->interval->low)), 0.005);
    same(each($whiskers, 'x2', $x), $of(fn (ForestLine $one): float => min($high, $one->interval->high)), 0.005);
    $diamond = Drawn::numbers(Drawn::at($svg, "//s:path[@class='plot-diamond']")[0], 'd');
    same(array_map($x, [$diamond[0], $diamond[2], $diamond[4], $diamond[6]]), [-0.3, -0.15, -0.02, -0.15], 0.005);
    $middle = $forest->y(8);
    same([$diamond[1], $diamond[5], ($diamond[3] + $diamond[7]) / 2], [$middle, $middle, $middle], 0.011);
    expect($diamond[3])->toBeLessThan($middle);
    $new = Drawn::numbers(Drawn::at($svg, "//s:rect[@class='plot-prediction']")[0], 'x', 'width', 'y');
    same([$x($new[0]), $x($new[0] + $new[1])], [-0.5, $high], 0.005);
    expect($new[2])->toBeGreaterThan($diamond[7]);
    // of the wide study both ends, of the range of a new one its upper end
    $cuts = array_map(fn ($one): array => Drawn::numbers($one, 'd'), Drawn::at($svg, "//s:path[@class='plot-cut']"));
    $right = $forest->left() + 230;
    same(array_column($cuts, 0), [$forest->left() - 2, $right + 2, $right + 2], 0.011);
    same(array_column($cuts, 1), [$forest->y(5), $forest->y(5), $new[2] + 1.5], 0.011);
    expect(array_column($cuts, 2))->toBe([7.0, -7.0, -7.0]);
})->with([true, false]);

it('writes what belongs to a line on its line, and rules it off where it should', function () {
    $forest = forestRead(true);
    $svg = $forest->svg('Forest');
    $base = fn (int $line): string => Drawing::n($forest->y($line) + 0.36 * 13);
    foreach ([1 => ['S0', '0/9', 'shown 0'], 7 => ['Silent', '–', 'no estimate'], 8 => ['All', 'shown']] as $line => $words) {
        expect(array_map(strval(...), Drawn::at($svg, "//s:text[@y='{$base($line)}']")))->toBe($words);
    }
    $none = Drawn::at($svg, "//s:line[@opacity='0.55']")[0];
    expect((float) $none['x1'])->toBe((float) $none['x2'])->toBe(round($forest->x(0.0), 2))
        ->and((float) $none['y1'])->toBe(round($forest->y(0) - 0.5 * 13 * 1.95, 2))
        ->and((float) $none['y2'])->toBe(round($forest->y(8) + 0.5 * 13 * 1.95, 2));
    // above the whole, and only there
    same(each(Drawn::at($svg, "//s:line[@opacity='0.6']"), 'y1'), [$forest->y(8) - 0.5 * 13 * 1.95], 0.011);
    $bold = array_map(strval(...), Drawn::at($svg, "//s:text[@font-weight='bold']"));
    expect($bold)->toBe(['Wards', 'All', 'shown'])->and(Drawn::at($svg, "//s:g[@class='plot-row']"))->toHaveCount(7);
});

it('heads its columns, names both directions at their sides of nothing, and says in words what it shows', function (string $judgedBy) {
    $lines = [
        ForestLine::head('Wards'),
        ForestLine::study('Amsel', ['3/9', '4/8'], new PointEstimate(-0.4, -0.8, 0.0), '0.67 (0.45–1.00)', 4.0),
        ForestLine::words('Q 0.1'),
        ForestLine::pooled('All', new PointEstimate(-0.4, -0.8, 0.0), '0.67 (0.45–1.00)'),
    ];
    $forest = new Forest($lines, ['Lamps', 'Usual'], 'RR', true, 0.0, new Favours('fewer', 'more'), $judgedBy);
    $svg = $forest->svg('Forest');
    $text = fn (string $said): array => array_values(array_filter(Drawn::at($svg, '//s:text'), fn ($one): bool => (string) $one === $said));
    $x = fn (string $said): float => (float) $text($said)[0]['x'];
    expect($x('Study'))->toBe(12.0)->toBe($x('Amsel'))->toBe($x('Wards'))
        ->and($x('Lamps'))->toBe($x('3/9'))->toBeGreaterThan($x('Study'))
        ->and($x('Usual'))->toBe($x('4/8'))->toBeGreaterThan($x('Lamps'))
        ->and([(string) $text('RR (95% CI)')[0]['text-anchor'], $x('RR (95% CI)')])->toBe(['end', $x('0.67 (0.45–1.00)')])
        ->and((float) $text('Study')[0]['y'])->toBe(25.0);
    [$left, $right] = [$text('← fewer')[0], $text('more →')[0]];
    same([(float) $left['x'], (float) $right['x']], [$forest->x(0.0) - 8, $forest->x(0.0) + 8], 0.011);
    expect([(string) $left['text-anchor'], (string) $right['text-anchor']])->toBe(['end', ''])->and((string) $left['y'])->toBe((string) $right['y']);
    // ticks stand beneath their lines, which run over all rows
    $ticks = array_values(array_filter(Drawn::at($svg, "//s:text[@text-anchor='middle']"), fn ($one): bool => is_numeric((string) $one)));
    $grid = Drawn::at($svg, "//s:line[@stroke-dasharray='2 3']");
    expect(each($grid, 'x1'))->toBe(each($ticks, 'x'))->toBe(each($grid, 'x2'))
        ->and(array_unique(each($grid, 'y1')))->toBe([round($forest->y(0) - 0.975 * 13, 2)])
        ->and(array_unique(each($grid, 'y2')))->toBe([round($forest->y(3) + 0.975 * 13, 2)])
        ->and((float) $ticks[0]['y'])->toBe(round($forest->y(3) + 0.975 * 13 + 1.3 * 13, 2))
        ->and((float) $left['y'])->toBeGreaterThan((float) $ticks[0]['y']);
    $rule = Drawn::at($svg, "//s:line[@opacity='0.3']")[0];
    same([(float) $rule['x1'], (float) $rule['x2'], (float) $rule['y1'], (float) $rule['y2']], [12.0, $x('RR (95% CI)'), 34.1, 34.1], 0.011);
    expect((string) Drawn::at($svg, '//s:desc')[0])->toBe(
        'RR with 95% intervals. '.($judgedBy === '' ? '' : "Marks: {$judgedBy}, the fuller the worse. ").
        'Wards; Amsel 0.67 (0.45–1.00); All 0.67 (0.45–1.00).',
    )->and(count($text('Discs: bias, the fuller the worse')))->toBe($judgedBy === '' ? 0 : 1);
    $none = (new Forest($lines, ['Lamps', 'Usual'], 'RR', true, 0.0))->svg('Forest');
    expect($none)->not->toContain('←')->not->toContain('→');
})->with(['', 'bias']);

it('sets many lines smaller, gives long names no more than their room, and short ones some', function () {
    $study = fn (string $name): ForestLine => ForestLine::study($name, [], new PointEstimate(0.1, 0.0, 0.2), '', 1.0);
    $plot = fn (int $count, string $name): Forest => new Forest(array_fill(0, $count, $study($name)), [], 'MD', false, null);
    // from the edge over the name to the gap before the plot
    expect($plot(3, 'A')->left())->toBe(12.0 + 60 + 14)->and($plot(3, str_repeat('A', 90))->left())->toBe(12.0 + 220 + 14)
        ->and(round($plot(70, 'A')->y(1) - $plot(70, 'A')->y(0), 6))->toBe(round(13 * 1.95, 6))
        ->and(round($plot(71, 'A')->y(1) - $plot(71, 'A')->y(0), 6))->toBe(round(11 * 1.55, 6))
        ->and($plot(70, 'A')->svg('x'))->toContain('font-size="13"')->and($plot(71, 'A')->svg('x'))->toContain('font-size="11"')
        ->and($plot(3, 'A')->half(0.0))->toBe(1.5)->and($plot(3, 'A')->half(1.0))->toBe(6.5);
});

it('leads from a study to where it is, and marks the one that is chosen', function () {
    $lines = [
        ForestLine::study('A', [], new PointEstimate(0.1, 0.0, 0.2), '', 1.0, 'a'),
        ForestLine::study('B', [], new PointEstimate(0.1, 0.0, 0.2), '', 1.0, 'b'),
    ];
    $svg = (new Forest($lines, [], 'MD', false, null))->svg('F', false, 'b', ['a' => '/a?x=1&y=2']);
    expect(array_map(fn ($one): string => (string) $one['href'], Drawn::at($svg, '//s:a')))->toBe(['/a?x=1&y=2'])
        ->and(Drawn::at($svg, "//s:rect[contains(@class, 'plot-chosen')]/parent::s:g/s:title")[0])->toEqual('B')
        ->and((string) Drawn::at($svg, '/s:svg')[0]['role'])->toBe('group')
        ->and((string) Drawn::at((new Forest($lines, [], 'MD', false, null))->svg('F'), '/s:svg')[0]['role'])->toBe('img')
        ->and(Drawn::at($svg, "//s:line[@opacity='0.55']"))->toBe([]);
});

it('fills a disc from below as far as it is bad', function (?float $level, string $fill, ?float $filled) {
    $draw = new Drawing();
    Disc::draw($draw, new Point(50.0, 40.0), 8.0, $level);
    $svg = $draw->svg(100, 80, 'D', '', true);
    $circle = Drawn::at($svg, '//s:circle')[0] ?? null;
    expect((string) ($circle['fill'] ?? ''))->toBe($fill)->and(count(Drawn::at($svg, '//s:line')))->toBe($level === null ? 1 : 0);
    $path = Drawn::at($svg, '//s:path')[0] ?? null;
    expect($path !== null)->toBe($filled !== null);
    if ($path !== null) {
        [$right, $top, $r, , , $isMost, $sweep, $left, $alike] = Drawn::numbers($path, 'd');
        // the arc begins and ends on the circle, and runs below
        expect(abs(($right - 50) ** 2 + ($top - 40) ** 2 - 64))->toBeLessThan(0.2)
            ->and([$left, $alike, $r, $sweep, $isMost])->toBe([100 - $right, $top, 8.0, 1.0, $level > 0.5 ? 1.0 : 0.0])
            ->and(abs((48 - $top) / 16 - $filled))->toBeLessThan(0.001);
    }
})->with([
    [null, '', null], [0.0, 'none', null], [0.25, 'none', 0.25], [0.5, 'none', 0.5], [0.75, 'none', 0.75], [1.0, Drawing::ACCENT, null],
]);

it('draws of each regard parts as wide as their shares, and discs in the row and column of what they judge', function () {
    $names = ['a' => 'Amsel', 'b' => 'Birk', 'c' => 'Crane', 'd' => 'Dove'];
    $scale = ['Low', 'Some', 'High'];
    $regards = [
        new Judged('chance', $scale, ['a' => 'Low', 'b' => 'High', 'c' => 'High']),
        new Judged('loss', $scale, ['a' => 'Some', 'b' => 'Some', 'c' => 'Some', 'd' => 'Some']),
        new Judged('report', $scale, []),
    ];
    $plot = new JudgementPlot($names, $regards);
    $svg = $plot->svg('Judged', links: ['b' => '/b']);
    $parts = array_map(fn ($one): array => Drawn::numbers($one, 'x', 'y', 'width'), Drawn::at($svg, "//s:rect[@class='map-sector']"));
    $left = $parts[0][0];
    $whole = $plot->width() - $left - 12;
    same(array_column($parts, 2), [$whole / 3, 2 * $whole / 3, $whole], 0.011);
    same(array_column($parts, 0), [$left, $left + $whole / 3, $left], 0.011);
    expect($parts[0][1])->toBe($parts[1][1])->toBeLessThan($parts[2][1])
        ->and(array_map(fn ($one): string => (string) $one['fill'], Drawn::at($svg, "//s:rect[@class='map-sector']")))
        ->toBe(['none', Drawing::ACCENT, 'url(#between)'])
        ->and(array_map(strval(...), Drawn::at($svg, "//s:text[@font-size='12']")))->toBe(['1', '2', '4']);
    $discs = array_map(fn ($one): array => Drawn::numbers($one, 'cx', 'cy'), Drawn::at($svg, '//s:g/s:circle | //s:a/s:circle'));
    $at = fn (int $row, int $column): array => [$plot->at($row, $column)->x, $plot->at($row, $column)->y];
    expect($discs)->toBe([$at(0, 0), $at(0, 1), $at(1, 0), $at(1, 1), $at(2, 0), $at(2, 1), $at(3, 1)])
        ->and((string) Drawn::at($svg, '//s:a')[0]['aria-label'])->toBe('Birk. chance: High; loss: Some; report: not judged')
        ->and((string) Drawn::at($svg, '//s:desc')[0])
        ->toBe('4 studies. chance: 1 Low, 0 Some, 2 High. loss: 0 Low, 4 Some, 0 High. report: 0 Low, 0 Some, 0 High.');
    $legend = array_map(fn ($one): string => $one->text, $plot->legend()->names);
    expect($legend)->toBe(['Low', 'Some', 'High', 'not judged'])->and($plot->at(1, 1)->y - $plot->at(0, 1)->y)->toBe(26.0);
});

it('sets names of judged studies, regards, parts and steps beside what they name', function () {
    $scale = ['Low', 'Some', 'High'];
    $by = ['a' => 'Low', 'b' => 'High', ...array_fill_keys(range(1, 98), 'High')];
    $regards = [new Judged('chance', $scale, $by), new Judged('loss', $scale, [])];
    $plot = new JudgementPlot(array_combine(array_keys($by), array_map(fn ($study): string => "Study {$study}", array_keys($by))), $regards);
    $svg = $plot->svg('Judged');
    $text = fn (string $said): array => array_map(
        fn ($one): array => Drawn::numbers($one, 'x', 'y'),
        array_values(array_filter(Drawn::at($svg, '//s:text'), fn ($one): bool => (string) $one === $said)),
    );
    // a row is 26 high, a column 104 wide
    foreach ([0 => 'Study a', 1 => 'Study b', 99 => 'Study 97'] as $row => $name) {
        expect(abs($text($name)[0][1] - 4 - $plot->at($row, 0)->y))->toBeLessThan(0.01)->and($text($name)[0][0])->toBe(4.0);
    }
    foreach (['chance', 'loss'] as $column => $name) {
        [$head, $beside] = $text($name);
        expect($head)->toBe([$plot->at(0, $column)->x, 16.0])->and($beside[0])->toBe(4.0);
    }
    $bars = array_map(fn ($one): array => Drawn::numbers($one, 'x', 'y', 'width', 'height'), Drawn::at($svg, "//s:rect[@class='map-sector']"));
    $middle = $text('chance')[1][1] - 4;
    expect($middle)->toBeGreaterThan($bars[0][1])->toBeLessThan($bars[0][1] + $bars[0][3])
        ->and($text('nobody has judged it yet')[0])->toBe([$bars[0][0], $text('loss')[1][1]]);
    // one of a hundred is too slim for its number, the others stand in the middle of their part
    $numbers = Drawn::at($svg, "//s:text[@font-size='12']");
    expect(array_map(strval(...), $numbers))->toBe(['99'])
        ->and(abs((float) $numbers[0]['x'] - $bars[1][0] - $bars[1][2] / 2))->toBeLessThan(0.011)
        ->and((string) $numbers[0]['fill'])->toBe('#ffffff');
    // steps left of their names, from the best to the worst, and a dash for none
    $signs = array_slice(array_map(fn ($one): array => Drawn::numbers($one, 'cx', 'cy'), Drawn::at($svg, '/s:svg/s:circle')), -3);
    foreach ($scale as $at => $step) {
        [$x, $y] = $text($step)[0];
        same($signs[$at], [$x - 14, $y - 4], 0.011);
    }
    [$x, $y] = $text('not judged')[0];
    $dash = array_values(array_filter(Drawn::at($svg, '/s:svg/s:line'), fn ($one): bool => (float) $one['y1'] === $y - 4));
    expect(Drawn::numbers($dash[0], 'x1', 'x2'))->toBe([$x - 22, $x - 6])
        ->and(array_map(fn ($one): string => (string) $one['fill'], array_slice(Drawn::at($svg, '/s:svg/s:circle'), -3)))
        ->toBe(['none', 'none', Drawing::ACCENT])
        ->and($plot->height())->toBe($y + 18)->and($plot->width())->toBeGreaterThanOrEqual($x);
});

it('names the axes of a funnel and of a regression beside them', function () {
    $told = fn (string $svg): array => array_map(
        fn ($one): array => [(string) $one, (string) $one['text-anchor'], ...Drawn::numbers($one, 'x', 'y')],
        array_slice(Drawn::at($svg, '//s:text'), -2),
    );
    $point = fn (float $x): array => ['label' => "at {$x}", 'x' => $x, 'estimate' => 0.1 * $x, 'weight' => 1.0];
    $points = [$point(1.0), $point(2.0)];
    $bubble = (new BubblePlot($points, fn (float $x): float => 0.1 * $x, 'lux', 'RR', true))->svg('Lux');
    $funnel = (new Funnel(funnelStudies(), 0.0, 0.0, false, 'MD'))->svg('Funnel');
    expect($told($bubble))->toBe([['lux', 'middle', 268.0, 330.0], ['RR', '', 62.0, 24.0]])
        ->and($told($funnel))->toBe([['MD', 'middle', 268.0, 350.0], ['standard error ↓', '', 62.0, 24.0]]);
    foreach ([[$bubble, 294.0], [$funnel, 314.0]] as [$svg, $bottom]) {
        $root = Drawn::at($svg, '/s:svg')[0];
        expect(Drawn::numbers($root, 'width', 'height', 'viewBox'))->toBe([498.0, $bottom + 46, 0.0, 0.0, 498.0, $bottom + 46]);
        $axes = array_map(fn ($one): array => Drawn::numbers($one, 'x1', 'y1', 'x2', 'y2'), Drawn::at($svg, "//s:line[@opacity='0.5']"));
        expect($axes)->toBe([[58.0, $bottom, 478.0, $bottom], [58.0, 14.0, 58.0, $bottom]]);
    }
});

it('draws a regression on the same value of all, and of none, with room on both sides', function (array $points, array $across, array $up) {
    $plot = new BubblePlot($points, fn (float $x): float => 0.5, 'lux', 'MD', false);
    $ends = fn (Axis $of): array => [round($of->low, 6), round($of->high, 6)];
    expect([$ends($plot->across), $ends($plot->up)])->toBe([$across, $up]);
})->with([
    'none' => [[], [-0.001, 0.001], [0.499, 0.501]],
    'one' => [[['label' => 'A', 'x' => 500.0, 'estimate' => 0.5, 'weight' => 1.0]], [499.5, 500.5], [0.499, 0.501]],
    'two' => [
        [['label' => 'A', 'x' => 0.0, 'estimate' => 0.0, 'weight' => 0.0], ['label' => 'B', 'x' => 100.0, 'estimate' => 1.0, 'weight' => 0.0]],
        [-8.0, 108.0], [-0.12, 1.12],
    ],
]);

it('writes XML that holds whatever is said, and tells files from parts of a page', function () {
    $draw = new Drawing(12.0);
    $draw->text(1.0, 2.5, "a < b & \"c\"\x00", ['class' => "it's"]);
    $draw->text(1.0, 2.0, '');
    $draw->open('g', ['id' => 'x'], 'over & out');
    $draw->rect(0.0, 1.126, 2.0, 3.0);
    $draw->close('g');
    $page = $draw->svg(300.0, 100.5, 'T <1>', 'D & E', false);
    expect($page)->toBe('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 100.5" width="300" height="100.5" role="img"'.
        ' aria-label="T &lt;1&gt;" class="plot plot-narrow" font-size="12" fill="currentColor"><title>T &lt;1&gt;</title>'.
        '<desc>D &amp; E</desc><text x="1" y="2.5" class="it&apos;s">a &lt; b &amp; &quot;c&quot;</text>'.
        '<g id="x"><title>over &amp; out</title><rect x="0" y="1.13" width="2" height="3"/></g></svg>');
    $file = $draw->svg(600.0, 100.0, 'T', 'D', true, true);
    expect($file)->toStartWith('<?xml version="1.0" encoding="UTF-8"?>'."\n<svg")->toEndWith("</svg>\n")
        ->toContain('role="group"')->toContain('class="plot"')->toContain('<rect width="100%" height="100%" fill="#ffffff"/><text');
});

it('holds estimates and pooled limits, and of wide intervals a part', function (
    array $intervals,
    array $whole,
    ?float $nothing,
    float $low,
    float $high,
) {
    // of five and more, what lies half a width beyond where nine in ten end is cut
    $of = fn (array $one): PointEstimate => new PointEstimate(...$one);
    $axis = Axis::holding(array_map($of, $intervals), array_map($of, $whole), false, $nothing);
    expect([round($axis->low, 6), round($axis->high, 6)])->toBe([$low, $high]);
})->with([
    'of four nothing is cut' => [[[0.0, -1.0, 1.0], [0.5, 0.0, 1.0], [0.5, 0.0, 1.0], [0.0, -10.0, 10.0]], [], null, -10.8, 10.8],
    'of five it is' => [
        [[0.0, -10.0, 10.0], ...array_fill(0, 3, [0.5, 0.0, 1.0]), ...array_fill(0, 3, [0.0, -2.0, 2.0])], [], null,
        -4.32, 4.32,
    ],
    'no estimate is cut' => [
        [[9.0, 8.0, 10.0], ...array_fill(0, 10, [0.5, 0.0, 1.0])], [], null,
        -0.36, 9.36,
    ],
    'nor a pooled limit, nor nothing' => [[[0.5, 0.0, 1.0]], [[0.5, -2.0, 3.0]], 4.0, -2.24, 4.24],
    'nothing to hold' => [[], [], null, 0.0, 0.0],
]);
