<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Agreement;

/** Agreement beyond chance, and how sure it is: all null where nobody was rated, kappa where chance alone would agree. */
final readonly class Kappa
{
    /**
     * @param  ?float  $observed  share of agreement, weighted where the kappa is
     * @param  ?float  $expected  by chance
     * @param  ?float  $error  standard error
     * @param  ?float  $low  of the interval of 95 %
     */
    public function __construct(
        public ?float $observed = null,
        public ?float $expected = null,
        public ?float $kappa = null,
        public ?float $error = null,
        public ?float $low = null,
        public ?float $high = null,
    ) {
    }

    /** An interval for people, within what a kappa can be; null where it is not defined. */
    public function bounded(): ?BoundedInterval
    {
        return BoundedInterval::of($this->kappa, $this->error);
    }

    /** @return array<string, ?float> */
    public function toArray(): array
    {
        return [
            'po' => $this->observed,
            'pe' => $this->expected,
            'kappa' => $this->kappa,
            'se' => $this->error,
            'ci_low' => $this->low,
            'ci_high' => $this->high,
        ];
    }
}
