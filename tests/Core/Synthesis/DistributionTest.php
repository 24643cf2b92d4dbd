<?php

use WaryHeron\Core\Synthesis\Distribution\Beta;
use WaryHeron\Core\Synthesis\Distribution\ChiSquared;
use WaryHeron\Core\Synthesis\Distribution\Gamma;
use WaryHeron\Core\Synthesis\Distribution\Normal;
use WaryHeron\Core\Synthesis\Distribution\Root;
use WaryHeron\Core\Synthesis\Distribution\StudentT;

/** Whether two numbers are one to so many parts. */
function closeTo(float $is, float $should, float $within = 1e-11): void
{
    expect(abs($is - $should))->toBeLessThanOrEqual($within * max(abs($should), 1e-300));
}

// reference values to 16 digits by R 4.2.2's pnorm, qnorm, pt, qt, pchisq and qchisq
it('gives tails of the normal distribution, however far out', fn (float $z, float $p) => closeTo(Normal::twoSided($z), $p))->with([
    [0.0, 1.0],
    [0.1, 9.203443254459420e-01],
    [1.96, 4.999579029644086e-02],
    [6.0, 1.973175290075396e-09],
    [-10.0, 1.523970604832105e-23],
]);

it('gives quantiles of the normal distribution', fn (float $p, float $z) => closeTo(Normal::quantile($p), $z))->with([
    [0.975, Normal::Z],
    [0.6, 0.253347103135800],
    [0.01, -2.326347874040841],
    [1e-9, -5.997807015007687],
]);

it('gives tails of Student’s t', fn (float $t, float $df, float $p) => closeTo(StudentT::twoSided($t, $df), $p))->with([
    [2.5, 3, 8.770664700806551e-02],
    [12, 4, 2.764285485029730e-04],
    [0.3, 100, 7.647998803003035e-01],
    [-40, 2, 6.244146721847406e-04],
    [8, 60, 4.900265147950236e-11],
]);

it('gives quantiles of Student’s t', fn (float $p, float $df, float $t) => closeTo(StudentT::quantile($p, $df), $t))->with([
    [0.975, 1, 12.7062047361747],
    [0.975, 40, 2.0210753903063],
    [0.9, 2.5, 1.7302509288072],
    [0.9995, 198, 3.3403402774547],
]);

it('gives tails of χ²', fn (float $x, float $df, float $p) => closeTo(ChiSquared::above($x, $df), $p))->with([
    [3.2, 1, 7.363827012030277e-02],
    [80, 4, 1.741825244669552e-16],
    [0.5, 10, 9.999933882894390e-01],
    [700, 199, 5.739282429611865e-57],
]);

it('gives quantiles of χ²', fn (float $p, float $df, float $x) => closeTo(ChiSquared::quantile($p, $df), $x))->with([
    [0.975, 1, 5.0238861873149],
    [0.025, 199, 161.8261823936468],
    [0.025, 4, 0.4844185570879],
]);

it('turns tails into quantiles and back', function () {
    foreach ([1, 2, 7, 33, 180] as $df) {
        foreach ([0.55, 0.8, 0.975, 0.99999] as $p) {
            closeTo(StudentT::twoSided(StudentT::quantile($p, $df), $df), 2 * (1 - $p), 1e-10);
            closeTo(1 - ChiSquared::above(ChiSquared::quantile($p, $df), $df), $p, 1e-10);
            closeTo(Normal::below(Normal::quantile($p)), $p);
        }
    }
});

it('knows Γ by its factorials, and below a half', function () {
    foreach ([1 => 1, 2 => 1, 5 => 24, 11 => 3628800] as $x => $gamma) {
        expect(abs(Gamma::ln($x) - log($gamma)))->toBeLessThan(1e-13);
    }
    closeTo(Gamma::ln(0.25), log(3.6256099082219083));
});

it('gives parts of B, on both sides of where it turns', function (float $x, float $a, float $b, float $part) {
    closeTo(Beta::regularised($x, 1 - $x, $a, $b), $part, 5e-12);
    closeTo(1 - Beta::regularised(1 - $x, $x, $b, $a), $part, $part < 1e-6 ? 1 : 5e-12);
})->with([
    [0.1, 2, 3, 0.0523],
    [0.42, 2, 3, 0.5590468799999998],
    [0.43, 2, 3, 0.57590802999999979],
    [0.9, 2, 3, 0.9963],
    [0.5, 0.5, 0.5, 0.5],
    [0.001, 10, 0.5, 1.7627719667501361e-31],
    [0.999, 10, 0.5, 0.8888967091248603],
    [0.3, 120, 250, 0.1587108460654621],
    [0.35, 120, 250, 0.85403710408209177],
    [1e-10, 1.5, 4, 6.5624999988187436e-15],
]);

it('gives parts of Γ, on both sides of where its series ends', function (float $a, float $x, float $lower, float $upper) {
    closeTo(Gamma::lower($a, $x), $lower, 1e-11);
    closeTo(Gamma::upper($a, $x), $upper, 1e-11);
    closeTo(Gamma::lower($a, $x) + Gamma::upper($a, $x), 1.0, 1e-15);
})->with([
    [0.5, 0.1, 0.34527915398142295, 0.65472084601857694],
    [0.5, 1.49, 0.91570072759674059, 0.084299272403259434],
    [0.5, 1.51, 0.91775653385339395, 0.08224346614660602],
    [3, 3.99, 0.76042777716263477, 0.23957222283736523],
    [3, 4.01, 0.76335828548998408, 0.23664171451001589],
    [100, 90, 0.15822098918643021, 0.84177901081356976],
    [100, 130, 0.99724959163269344, 0.0027504083673065261],
    [2, 1e-8, 4.9999999666666669e-17, 1.0],
]);

it('knows where distributions end', function () {
    expect([Gamma::lower(2, 0.0), Gamma::upper(2, 0.0), Gamma::lower(2, INF), Gamma::upper(2, INF)])->toBe([0.0, 1.0, 1.0, 0.0])
        ->and([Gamma::lower(2, -1.0), Gamma::upper(2, -1.0)])->toBe([0.0, 1.0])
        ->and([Beta::regularised(0.0, 1.0, 2, 3), Beta::regularised(1.0, 0.0, 2, 3)])->toBe([0.0, 1.0])
        ->and([Beta::regularised(-0.5, 1.5, 2, 3), Beta::regularised(1.5, -0.5, 2, 3)])->toBe([0.0, 1.0])
        ->and([StudentT::twoSided(0.0, 5), StudentT::twoSided(INF, 5)])->toBe([1.0, 0.0])
        ->and([Normal::twoSided(0.0), Normal::below(0.0), Normal::below(-40.0), Normal::below(40.0)])->toBe([1.0, 0.5, 0.0, 1.0])
        ->and([ChiSquared::above(0.0, 3), ChiSquared::above(INF, 3)])->toBe([1.0, 0.0]);
});

it('gives ln Γ where its two ways meet, and far out', fn (float $x, float $ln) => closeTo(Gamma::ln($x), $ln, 2e-14))->with([
    [0.5, 0.57236494292470008],
    [0.49, 0.59224962933526715],
    [0.499999, 0.57236690643719357],
    [0.500001, 0.57236297941714143],
    [1.5, -0.12078223763524518],
    [0.01, 4.5994798780420219],
    [50.5, 146.51925549072064],
    [170.3, 702.97738545132813],
]);

it('gives quantiles near the middle and far out', function () {
    foreach ([[0.51, 0.025068908258711057], [0.49, -0.025068908258711057], [0.025, -1.9599639845400538], [1e-15, -7.9413453261709952], [0.999, 3.0902323061678132]] as [$p, $z]) {
        closeTo(Normal::quantile($p), $z, 1e-12);
    }
    expect(abs(Normal::quantile(0.5000001) - 2.5066282733116488e-07))->toBeLessThan(1e-15)->and(Normal::quantile(0.5))->toEqualWithDelta(0.0, 1e-15);
    foreach ([[0.51, 3, 0.027211467049117935], [0.999999, 1, 318309.88617359026], [0.975, 1e6, 1.9599663568141066]] as [$p, $df, $t]) {
        closeTo(StudentT::quantile($p, $df), $t, 1e-9);
    }
    foreach ([[0.001, 1, 1.5707971492624904e-06], [0.999999, 2, 27.631021115871036], [0.5, 1000, 999.33341240338098]] as [$p, $df, $x]) {
        closeTo(ChiSquared::quantile($p, $df), $x, 1e-10);
    }
});

it('finds roots to their last digits, in few steps', function (float $low, float $high, Closure $of, float $root, int $most) {
    $asked = 0;
    $counting = function (float $x) use ($of, &$asked): float {
        $asked++;

        return $of($x);
    };
    $is = Root::between($low, $high, $counting);
    expect(abs($is - $root))->toBeLessThanOrEqual(1e-15 * max(1.0, abs($root)))->and($asked)->toBeLessThanOrEqual($most);
    expect(abs(Root::between($high, $low, $of) - $root))->toBeLessThanOrEqual(1e-15 * max(1.0, abs($root)));
})->with([
    'a line, met by the first secant' => [0.0, 3.0, fn (float $x): float => 2 * $x - 2, 1.0, 3],
    'falling' => [0.0, 3.0, fn (float $x): float => 2 - 2 * $x, 1.0, 3],
    'curved' => [0.0, 2.0, fn (float $x): float => $x * $x - 2, M_SQRT2, 60],
    'the lower end itself' => [1.0, 3.0, fn (float $x): float => $x - 1, 1.0, 2],
    'the higher end' => [0.0, 1.0, fn (float $x): float => $x - 1, 1.0, 4],
    'below nought' => [-5.0, -1.0, fn (float $x): float => $x + M_PI, -M_PI, 4],
    'far out' => [1.0, 1e9, fn (float $x): float => log($x) - 10, exp(10), 120],
    'a step' => [0.0, 3.0, fn (float $x): float => $x < 1 ? -1.0 : 1.0, 1.0, 170],
    'steep at one end, where secants hardly move' => [0.0, 1.0, fn (float $x): float => $x ** 20 - 0.5, 0.5 ** (1 / 20), 170],
]);
