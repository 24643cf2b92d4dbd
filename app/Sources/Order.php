<?php

declare(strict_types=1);

namespace App\Sources;

/** In which order a source gives records. */
enum Order: string
{
    case Newest = 'newest';
    case Oldest = 'oldest';
    case Relevance = 'relevance';

    /** As SRU writes it: path, schema, ascending. */
    public function sortKey(): string
    {
        return match ($this) {
            self::Newest => 'date,,0',
            self::Oldest => 'date,,1',
            self::Relevance => 'relevance,,0',
        };
    }
}
