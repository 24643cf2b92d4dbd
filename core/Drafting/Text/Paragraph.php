<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting\Text;

/** A paragraph of a drafted section, or a heading within it. */
final readonly class Paragraph
{
    /** @param  list<Piece>  $pieces */
    public function __construct(public array $pieces, public bool $isHeading = false)
    {
    }

    public static function of(string|Piece ...$pieces): self
    {
        return new self(array_map(
            fn (string|Piece $one): Piece => is_string($one) ? new Piece($one) : $one,
            array_values($pieces),
        ));
    }

    public static function heading(string $text): self
    {
        return new self([new Piece($text)], true);
    }

    public function words(): string
    {
        return implode('', array_map(fn (Piece $one): string => $one->text, $this->pieces));
    }
}
