<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Sru;

/** Which records are found, a bit for each by its number: what takes a scan to find is joined in no time at all. */
final readonly class FoundSet
{
    private const WORD = 64;

    /** Bits that are set in a byte, by byte. */
    private const ONES = [0, 1, 1, 2, 1, 2, 2, 3, 1, 2, 2, 3, 2, 3, 3, 4];

    /** @param  string  $bits  as many bytes in every set that it is joined with */
    private function __construct(public string $bits)
    {
    }

    /**
     * @param  iterable<int|string>  $numbers  from 0
     * @param  int  $last  the highest number that there can be
     */
    public static function of(iterable $numbers, int $last): self
    {
        $words = array_fill(0, intdiv($last, self::WORD) + 1, 0);
        foreach ($numbers as $one) {
            $number = (int) $one;
            $words[$number >> 6] |= 1 << ($number & 63);
        }
        $bits = '';
        foreach (array_chunk($words, 4096) as $some) {
            $bits .= pack('P*', ...$some);
        }

        return new self($bits);
    }

    public static function kept(string $bits): self
    {
        return new self($bits);
    }

    public function or(self $other): self
    {
        return new self($this->bits | $other->bits);
    }

    public function and(self $other): self
    {
        return new self($this->bits & $other->bits);
    }

    public function without(self $other): self
    {
        return new self($this->bits & ~$other->bits);
    }

    public function count(): int
    {
        $count = 0;
        foreach (count_chars($this->bits, 1) as $byte => $times) {
            $count += $times * (self::ONES[$byte >> 4] + self::ONES[$byte & 15]);
        }

        return $count;
    }
}
