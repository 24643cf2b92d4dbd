<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

use App\Queries\FullTexts\HeldCopy;
use WaryHeron\Core\Search\Text\Segment;

/** An item as one person reads it at the desk: with their own decision, and nobody else's. */
final readonly class DeskItem
{
    /**
     * @param  int  $position  in the reading order: by rank where the stage has one
     * @param  bool  $open  whether all decisions are in
     * @param  list<Segment>  $titleParts
     * @param  string  $meta  authors, journal, year and place in one line
     * @param  list<Passage>  $abstract
     * @param  list<StatedLead>  $leads
     * @param  int  $records  how many came in for it
     * @param  string  $publication  the address of its page
     * @param  list<string>  $sources  where its records came from
     * @param  list<string>  $tags
     * @param  list<HeldCopy>  $copies  where full texts are read
     * @param  list<TalkLine>  $talk  none before it is open
     */
    public function __construct(
        public string $id,
        public int $position,
        public bool $open,
        public string $title,
        public array $titleParts,
        public string $meta,
        public string $doi,
        public string $language,
        public array $abstract,
        public array $leads,
        public int $records,
        public string $publication,
        public MyVerdict $mine,
        public array $sources,
        public array $tags,
        public array $copies,
        public array $talk = [],
    ) {
    }

    /** @param  list<TalkLine>  $talk */
    public function withTalk(array $talk): self
    {
        return new self(...['talk' => $talk] + get_object_vars($this));
    }
}
