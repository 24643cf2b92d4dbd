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

    /** @param  list<SourceField>  $fields */
    public static function sorted(array $fields): SerialAndBook
    {
        $found = ['issn' => '', 'isbn' => ''];
        $left = [];
        foreach ($fields as $field) {
            $kind = self::isIsbn($field->value) ? 'isbn' : 'issn';
            if ($found[$kind] === '') {
                $found[$kind] = $field->value;
            } elseif ($found[$kind] !== $field->value) {
                $left[] = $field;
            }
        }

        return new SerialAndBook($found['issn'], $found['isbn'], $left);
    }
}
