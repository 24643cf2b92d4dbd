<?php

declare(strict_types=1);

namespace App\Queries\Library;

use Illuminate\Support\Str;
use stdClass;

/** From which row on a page of the library begins, as its address says it. */
final readonly class LibraryCursor
{
    /**
     * @param  string|int  $value  of the row, by which the list is sorted
     * @param  bool  $back  whether the page lies before that row
     * @param  int  $first  the place of the row that the page begins with, or that follows it
     */
    private function __construct(public string|int $value, public string $id, public bool $back, public int $first)
    {
    }

    /** Null for whatever was not written by written(), as if nothing had been said. */
    public static function read(?string $cursor, string $sort): ?self
    {
        $parts = $cursor === null ? null : json_decode((string) base64_decode(strtr($cursor, '-_', '+/')), true);
        if (! is_array($parts) || ! array_is_list($parts) || count($parts) !== 4) {
            return null;
        }
        [$value, $id, $back, $first] = $parts;
        $isPlace = is_int($first) && $first > 0 && $first < 1_000_000_000;
        $isRow = is_string($id) && Str::isUlid($id) && self::isOf($sort, $value);

        return $isRow && $isPlace && is_bool($back) ? new self($value, $id, $back, $first) : null;
    }

    /** @param  stdClass  $row  of the library */
    public static function written(stdClass $row, bool $back, int $first): string
    {
        $json = json_encode([$row->sorted_by, $row->id, $back, $first], JSON_THROW_ON_ERROR);

        return rtrim(strtr(base64_encode($json), '+/', '-_'), '=');
    }

    /**
     * Whether a value is one that this order sorts by.
     *
     * @phpstan-assert-if-true string|int $value
     */
    private static function isOf(string $sort, mixed $value): bool
    {
        return match ($sort) {
            'year', 'records' => is_int($value) && abs($value) < 1_000_000,
            default => is_string($value) && mb_strlen($value) <= 2000 && ! str_contains($value, "\0"),
        };
    }
}
