<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/** A person or, without given name, a body, as the source wrote it. */
final readonly class Name
{
    /** A family name and one to four capitals, each with or without a full stop or hyphen: "IN", "I.N.", "I. N.", "J-P". */
    private const INDEXED = '/^(.*\S)\s+((?:\p{Lu}[.\-]{0,2}){1,4}|(?:\p{Lu}\.-?\s?){2,4})$/Uu';

    /** Words that stand in the names of bodies and in nobody's. */
    private const OF_BODIES = '/\b(?:Academy|Agency|Alliance|Association|Authority|Bureau|Cent(?:er|re)s?|Collaborati(?:on|ve)|College'.
        '|Commission|Committee|Congress|Coalition|Consortium|Council|Department|Division|Faculty|Federation|Forum'.
        '|Foundation|Group|Hospital|Institut[eo]?s?|Investigators|Laborator(?:y|ies)|Ministry|Network|Office|Organi[sz]ation|Parliament|Partnership'.
        '|Program(?:me)?|Project|School|Service|Society'.
        '|Task Force|Team|Survey|Trialists|Universit(?:y|ies|ät|é|à)|Inc\.?|Ltd\.?|LLC|GmbH|Corporation)(?!\p{L})/u';

    public function __construct(public string $family, public string $given = '', public string $suffix = '')
    {
    }

    /** @param  array<string>  $parts  family, given, suffix */
    public static function of(array $parts): self
    {
        return new self(...array_values($parts));
    }

    /** Whether a body is named: “Department of Lamps, Division of Oil”. */
    public static function isBody(string $text): bool
    {
        return preg_match(self::OF_BODIES, $text) === 1;
    }

    /** From "Family, Given, Suffix"; text without a comma, or with words of bodies, is taken whole. */
    public static function inverted(string $text): self
    {
        if (! str_contains($text, ',') || self::isBody($text)) {
            return new self(trim($text));
        }
        $parts = array_map(trim(...), explode(',', $text, 3));

        return new self($parts[0], $parts[1], $parts[2] ?? '');
    }

    /** From "Family, Given", or from "Family IN" as indexes shorten names; anything else is taken whole. */
    public static function indexed(string $text): self
    {
        $text = trim($text);

        return ! str_contains($text, ',') && preg_match(self::INDEXED, $text, $found) === 1
            ? new self($found[1], $found[2])
            : self::inverted($text);
    }

    public function inverts(): string
    {
        return implode(
            ', ',
            array_filter([$this->family, $this->given, $this->suffix], fn (string $part): bool => $part !== ''),
        );
    }

    /** "Okafor IN": family name and initials; two or three capitals in one are initials already. */
    public function short(): string
    {
        $each = preg_match('/^\p{Lu}{2,3}$/u', $this->given) === 1 ? '/\p{L}/u' : '/(?<![\p{L}\p{N}])\p{L}/u';
        preg_match_all($each, $this->given, $initials);

        return trim($this->family.' '.mb_strtoupper(implode('', $initials[0])));
    }
}
