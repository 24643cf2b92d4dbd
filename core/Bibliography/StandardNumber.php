<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/**
 * The numbers of serials and of books, which several formats put into one field. Source: ISO 3297 (ISSN), ISO 2108
 * (ISBN).
 */
final class StandardNumber
{
    /** Whether the text holds a number of ten or thirteen digits, as books have. */
    public static function isIsbn(string $text): bool
    {
        return preg_match('/(?<![\d-])(?:97[89][\d -]{10,14}|\d[\d -]{8,12}[\dXx])(?![\d-])/', $text) === 1 &&
            preg_match('/^\D*\d{4}-?\d{3}[\dXx]\b/', $text) !== 1;
    }

    /**
     * The first number of a serial, the first of a book, and what is left over.
     *
     * @param  list<array{string, string}>  $fields  tag and value
     * @return array{string, string, list<array{string, string}>}
     */
    public static function sorted(array $fields): array
    {
        $found = ['issn' => '', 'isbn' => ''];
        $left = [];
        foreach ($fields as $field) {
            $kind = self::isIsbn($field[1]) ? 'isbn' : 'issn';
            if ($found[$kind] === '') {
                $found[$kind] = $field[1];
            } elseif ($found[$kind] !== $field[1]) {
                $left[] = $field;
            }
        }

        return [$found['issn'], $found['isbn'], $left];
    }
}
