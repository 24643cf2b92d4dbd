<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/** Digital object identifiers (ISO 26324) as sources write them: bare, with a label, or as an address. */
final class Doi
{
    /** The bare DOI in lower case, or null where the text holds none. DOIs do not tell upper from lower case. */
    public static function normalised(string $text): ?string
    {
        $text = mb_strtolower(trim(rawurldecode($text)));
        if (preg_match('~10\.\d{4,9}/[^\s"<>]+~u', $text, $match) !== 1) {
            return null;
        }

        return rtrim($match[0], '.,;:)]}') ?: null;
    }
}
