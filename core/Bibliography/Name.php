<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/** A person or, without given name, a body, as the source wrote it. */
final readonly class Name
{
    public function __construct(public string $family, public string $given = '', public string $suffix = '')
    {
    }

    /** From "Family, Given, Suffix"; text without a comma is taken whole as the family name or body. */
    public static function inverted(string $text): self
    {
        $parts = array_map(trim(...), explode(',', $text, 3));

        return new self($parts[0], $parts[1] ?? '', $parts[2] ?? '');
    }

    public function inverts(): string
    {
        return implode(', ', array_filter([$this->family, $this->given, $this->suffix], fn (string $part): bool => $part !== ''));
    }

    /** "Okafor IN": family name and initials. */
    public function short(): string
    {
        preg_match_all('/(?<![\p{L}\p{N}])\p{L}/u', $this->given, $initials);

        return trim($this->family.' '.mb_strtoupper(implode('', $initials[0])));
    }
}
