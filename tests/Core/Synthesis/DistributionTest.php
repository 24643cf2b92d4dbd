<?php

use WaryHeron\Core\Synthesis\Distribution\ChiSquared;
use WaryHeron\Core\Synthesis\Distribution\Gamma;
use WaryHeron\Core\Synthesis\Distribution\Normal;
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
