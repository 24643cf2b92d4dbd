<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Corpus;

/** One invented publication, before any database has described it. */
final readonly class Study
{
    /**
     * @param  list<array{string, string}>  $authors  family and given names
     * @param  array{string, string, string, int, list<string>}  $journal
     * @param  list<string>  $types
     * @param  list<string>  $ideas  headings of what it is about
     * @param  list<string>  $central  those of them it is mainly about
     */
    public function __construct(
        public int $number,
        public string $topic,
        public string $title,
        public string $abstract,
        public array $authors,
        public int $year,
        public array $journal,
        public string $volume,
        public string $issue,
        public string $firstPage,
        public string $lastPage,
        public string $doi,
        public string $language,
        public array $types,
        public array $ideas,
        public array $central,
        public StudyFacts $facts,
    ) {
    }
}
