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

    /** Whether it tells what was found, and not what was asked, planned or done. */
    public function isFinding(): bool
    {
        $isTold = $this->has(Signs::FIGURE) ||
            $this->has(Signs::STATISTIC) ||
            $this->has(Signs::COMPARED) ||
            $this->has(Signs::NOTHING);

        return $isTold &&
            ! str_ends_with($this->text, '?') &&
            ! $this->has(Signs::ABOUT_ITSELF) &&
            (! $this->has(Signs::SUPPOSED) || $this->has(Signs::STATISTIC)) &&
            ! in_array($this->part, [SentencePart::Aim, SentencePart::Background], true);
    }

    /** Whether it sets one thing against another, in words, by a ratio or a test, or by two figures. */
    public function isComparison(): bool
    {
        return $this->has(Signs::COMPARED) || $this->has(Signs::NOTHING) || $this->has(Signs::TESTED) ||
            preg_match_all(
                '/(?<![\d.])(?!95\s*%)\d+(?:[.·]\d+)?\s*(?:%|per cent|percent|hours|minutes|points|days)/u',
                $this->text,
            ) > 1;
    }

    public function has(string $pattern): bool
    {
        return preg_match($pattern, $this->text) === 1;
    }
}
