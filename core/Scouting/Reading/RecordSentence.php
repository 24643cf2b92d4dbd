<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

use WaryHeron\Core\Text\Stem;

/** A sentence of a record as it was written, with its words' stems. */
final readonly class RecordSentence
{
    /** Its stems between blanks, so that a phrase is found as text. */
    public string $stems;

    /** @var array<array-key, true> */
    public array $set;

    /** @param  float  $place  where in the text it stands, 0 at the beginning and 1 at the end */
    public function __construct(public string $text, public SentencePart $part, public float $place)
    {
        $stems = Stem::all($text);
        $this->stems = ' '.implode(' ', $stems).' ';
        $this->set = array_fill_keys($stems, true);
    }

    public function has(string $pattern): bool
    {
        return preg_match($pattern, $this->text) === 1;
    }
}
