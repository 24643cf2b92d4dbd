<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

use WaryHeron\Core\Matching\Field\PageSpan;
use WaryHeron\Core\Matching\Field\TitleText;

/** What matching compares of one record, normalised once. */
final readonly class Fingerprint
{
    /**
     * @param  string  $key  what the record is called outside; unique
     * @param  list<string>  $otherTitles  the title in the original language and the like, as TitleText writes it
     * @param  list<array{string, string, string}>  $authors  of the first eight: family name, its last word, initials;
     *     folded
     * @param  int  $authorCount  as listed
     * @param  bool  $cutShort  the list says that it goes on
     * @param  list<string>  $journals  names of the journal, folded, without small words
     * @param  bool  $doiElsewhere  the DOI was not in its field but in a link or note
     * @param  list<int>  $sentences  hashes of the abstract's sentences
     * @param  string  $genre  notice, abstract, data, preprint or ''
     */
    public function __construct(
        public string $key,
        public TitleText $title,
        public array $otherTitles,
        public array $authors,
        public int $authorCount,
        public bool $cutShort,
        public ?int $year,
        public array $journals,
        public string $volume,
        public string $issue,
        public PageSpan $pages,
        public string $doi,
        public bool $doiElsewhere,
        public array $sentences,
        public string $genre,
    ) {
    }
}
