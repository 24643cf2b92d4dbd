<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText;

/**
 * How far the getting of a report's text has come (PRISMA 2020: reports sought for retrieval, reports not retrieved).
 */
enum RetrievalState: string
{
    case Sought = 'sought';

    /** From an author, a library or a colleague. */
    case Requested = 'requested';
    case Obtained = 'obtained';
    case NotRetrievable = 'not-retrievable';

    public function label(): string
    {
        return match ($this) {
            self::Sought => 'sought',
            self::Requested => 'requested',
            self::Obtained => 'obtained',
            self::NotRetrievable => 'not retrievable',
        };
    }

    /** A report that is given up is reported with the reason. */
    public function needsReason(): bool
    {
        return $this === self::NotRetrievable;
    }
}
