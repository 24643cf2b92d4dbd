<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

/** A sentence without its label, and the part of an abstract that the label begins, if there is one. */
final readonly class LabelledSentence
{
    public function __construct(public ?SentencePart $part, public string $text)
    {
    }
}
