<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/** Page numbers as sources write them. */
final class Pages
{
    private const RANGE = '/^\s*(?:pp?\.\s*)?([A-Za-z]{0,3}\d+[A-Za-z]?)\s*(?:-{1,3}|[–—‑‐−])\s*([A-Za-z]{0,3}\d+[A-Za-z]?)\s*$/u';

    /**
     * First and last page of "426-433", "1140--8" or "S12–S19", as they are written; text that is no range is all first
     * page.
     *
     * @return array{string, string}
     */
    public static function split(string $pages): array
    {
        return preg_match(self::RANGE, $pages, $found) === 1 ? [$found[1], $found[2]] : [trim($pages), ''];
    }
}
