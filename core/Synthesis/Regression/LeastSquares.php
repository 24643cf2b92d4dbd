<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Regression;

/** @internal A weighted fit at one τ². */
final readonly class LeastSquares
{
    /**
     * @param  list<float>  $beta
     * @param  list<list<float>>  $inverse  of X′WX
     * @param  list<float>  $left  what is left of each estimate
     * @param  float  $rest  its weighted sum of squares
     */
    public function __construct(public array $beta, public array $inverse, public array $left, public float $rest)
    {
    }
}
