<?php

declare(strict_types=1);

namespace App\Queries\Searches\Translated;

/** What stands for a line in one database. */
final readonly class TranslatedCell
{
    /**
     * @param  ?int  $number  of the line there
     * @param  list<string>  $notes  what the dialect cannot say
     * @param  string  $marked  who found it right, and when; empty where nobody did, or the text has changed since
     * @param  list<HeadingChoices>  $mappings
     * @param  ?string  $scheme  the thesaurus there
     * @param  ?int  $count  of records; null where it was not counted
     */
    public function __construct(
        public string $text,
        public ?int $number,
        public string $problem,
        public array $notes,
        public string $marked,
        public array $mappings,
        public ?string $scheme,
        public ?int $count,
    ) {
    }
}
