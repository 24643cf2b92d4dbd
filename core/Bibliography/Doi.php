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

        $doi = rtrim($match[0], '.,;:');
        // a closing bracket belongs to it only where it closes one
        while (
            preg_match('/[)\]}]$/', $doi, $last) === 1 &&
            substr_count($doi, $last[0]) > substr_count($doi, [')' => '(', ']' => '[', '}' => '{'][$last[0]])
        ) {
            $doi = rtrim(substr($doi, 0, -1), '.,;:');
        }

        return $doi ?: null;
    }
}
