<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Offers;

use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;

/** A term that might catch a lost item, before it is counted. */
final readonly class Candidate
{
    /**
     * @param  int  $nearness  how many headings above it are above the concept's terms too
     * @param  string  $heading  that bears its name; empty where no thesaurus has it
     */
    private function __construct(
        public Node $node,
        public string $text,
        public Ground $ground,
        public int $nearness,
        public string $heading,
    ) {
    }

    public static function heading(string $label, Ground $ground, int $nearness): self
    {
        return new self(new Heading($label), "heading:\"{$label}\"", $ground, $nearness, $label);
    }

    /** @param  string  $words  folded */
    public static function words(string $words, Ground $ground, int $nearness = 0, string $heading = ''): self
    {
        $each = explode(' ', $words);
        $node =
            count($each) === 1
                ? new Word($words)
                : new Phrase(array_map(fn (string $one): Word => new Word($one), $each));

        return new self($node, count($each) === 1 ? $words : "\"{$words}\"", $ground, $nearness, $heading);
    }
}
