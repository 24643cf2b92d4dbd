<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/** Page numbers as sources write them. */
final readonly class Pages
{
    /** “426”, “S12”, “iv”; of an online supplement “12.e3” or “12e3”. */
    private const PAGE = '([A-Za-z]{0,3}\d+(?:\.?e\d+|[A-Za-z])?|[ivxlcdm]+|[IVXLCDM]+|e\d+)';

    private const RANGE = '/^\s*(?:pp?\.?\s*)?'.
        self::PAGE.'\s*(?:-{1,3}|[–—‑‐−])\s*'.self::PAGE.'\s*$/u';

    public function __construct(public string $first, public string $last = '')
    {
    }

    /**
     * First and last page of "426-433", "1140--8" or "S12–S19", as they are written; text that is no range is all first
     * page.
     */
    public static function of(string $pages): self
    {
        if (preg_match(self::RANGE, $pages, $found) === 1) {
            return new self($found[1], $found[2] === $found[1] ? '' : $found[2]);
        }

        // “123-” goes on nowhere
        return new self(trim((string) preg_replace('/^(\s*[A-Za-z]{0,3}\d+)\s*[-–—]+\s*$/u', '$1', $pages)));
    }
}
