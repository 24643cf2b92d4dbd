<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

/** Numbers as people typed them or pressed them in a paper, read by their names. */
final readonly class Numbers
{
    /** @param  array<string, string>  $given */
    public function __construct(private array $given)
    {
    }

    /**
     * “1,234.5”, “−3.2”, “12 %”, “<0.001” (then its bound), “·” for the point as some journals set it; null where it is
     * no number.
     */
    public static function read(string $text): ?float
    {
        $plain = str_replace(["\u{2212}", "\u{2013}", "\u{00B7}", ' ', "\u{00A0}", "\u{202F}"], ['-', '-', '.', '', '', ''], trim($text));
        $plain = preg_replace('/^[<>=≤≥]+|[%,;.]+$/u', '', $plain) ?? '';
        if (preg_match('/^[+-]?\d{1,3}(,\d{3})+(\.\d+)?$/', $plain) === 1) {
            $plain = str_replace(',', '', $plain);
        }
        $plain = preg_replace('/^([+-]?)\./', '${1}0.', $plain) ?? '';

        return preg_match('/^[+-]?\d{1,15}(\.\d{1,15})?(e[+-]?\d{1,3})?$/i', $plain) === 1 ? (float) $plain : null;
    }

    public function of(string $key): ?float
    {
        return self::read($this->given[$key] ?? '');
    }

    /** @return list<?float> */
    public function all(string ...$keys): array
    {
        return array_values(array_map($this->of(...), $keys));
    }

    /** Of the interval, as 0.95; given in percent or as a share, and 0.95 where it is not given. */
    public function level(): float
    {
        $level = $this->of('level');

        return $level === null ? 0.95 : ($level > 1 ? $level / 100 : $level);
    }

    public function text(string $key): string
    {
        return trim($this->given[$key] ?? '');
    }

    /** Whether only a bound is given, as in “p < 0.001”. */
    public function isBound(string $key): bool
    {
        return preg_match('/^[<≤]/u', $this->text($key)) === 1;
    }

    /** @return list<string> the keys of what was given and cannot be read */
    public function unread(): array
    {
        return array_keys(
            array_filter($this->given, fn (string $text): bool => trim($text) !== '' && self::read($text) === null),
        );
    }
}
