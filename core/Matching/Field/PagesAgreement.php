<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

/** How two spans of pages agree. */
enum PagesAgreement: int
{
    case Unknown = 0;
    case Same = 1;

    /** The same end, or digits of the first page changed places. */
    case NearlySame = 2;
    case Different = 3;

    public static function between(PageSpan $a, PageSpan $b): self
    {
        if (! $a->isKnown() || ! $b->isKnown()) {
            return self::Unknown;
        }
        if ($a->first === $b->first) {
            return self::fromOnePage($a, $b);
        }
        // an article's number and pages from 1, or pages in an issue, are two ways to say where it is
        if ($a->isArticleNumber !== $b->isArticleNumber || $a->isWithin() || $b->isWithin()) {
            return self::Unknown;
        }

        return ($a->last !== null && $a->last === $b->last) || self::changedPlaces((string) $a->first, (string) $b->first)
            ? self::NearlySame
            : self::Different;
    }

    private static function fromOnePage(PageSpan $a, PageSpan $b): self
    {
        if ($a->letters !== $b->letters && $a->letters !== '' && $b->letters !== '') {
            return self::Different;
        }

        return $a->last === null || $b->last === null || $a->last === $b->last ? self::Same : self::NearlySame;
    }

    /** Whether two digits of one are the other way round in the other. */
    private static function changedPlaces(string $a, string $b): bool
    {
        return strlen($a) === strlen($b) &&
            strlen($a) >= 3 &&
            count_chars($a, 1) === count_chars($b, 1) &&
            levenshtein($a, $b) <= 2;
    }
}
