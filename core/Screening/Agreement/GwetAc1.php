<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Agreement;

/** Gwet's AC1, from the shares of the categories offered; null where it is not defined. Source: Gwet 2008. */
final readonly class GwetAc1
{
    private function __construct(public ?float $expected = null, public ?float $ac1 = null)
    {
    }

    /** @param  list<float>  $shares  of each category offered */
    public static function of(?float $observed, array $shares): self
    {
        if ($observed === null || count($shares) < 2) {
            return new self();
        }
        $expected = array_sum(array_map(fn (float $p): float => $p * (1 - $p), $shares)) / (count($shares) - 1);

        return new self($expected, 1 - $expected < 1e-15 ? null : ($observed - $expected) / (1 - $expected));
    }

    /** @return array<string, ?float> */
    public function toArray(): array
    {
        return ['pe' => $this->expected, 'ac1' => $this->ac1];
    }
}
