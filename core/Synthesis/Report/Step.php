<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

/** How a number was reckoned from those reported: shown beside what is used, never done silently. */
final readonly class Step
{
    /**
     * @param  string  $what  such as “SD, light”
     * @param  string  $formula  with the numbers in it
     * @param  string  $source  the paper that gives it; empty where it is plain arithmetic
     */
    public function __construct(public string $what, public string $formula, public ?float $result, public string $source = '')
    {
    }

    public static function shown(?float $number): string
    {
        return match (true) {
            $number === null => '?',
            $number == 0 => '0',
            abs($number) >= 1000 || $number === round($number) => rtrim(rtrim(sprintf('%.2f', $number), '0'), '.'),
            default => rtrim(rtrim(sprintf('%.'.max(2, 4 - (int) floor(log10(abs($number)))).'f', $number), '0'), '.'),
        };
    }
}
