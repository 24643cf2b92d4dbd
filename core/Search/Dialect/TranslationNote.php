<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect;

/** What a compile into a dialect had to change, or could not say at all. */
final readonly class TranslationNote
{
    private function __construct(public string $about, public string $text, public bool $lost)
    {
    }

    public static function changed(string $about, string $text): self
    {
        return new self($about, $text, false);
    }

    public static function lost(string $about, string $text): self
    {
        return new self($about, $text, true);
    }

    public function message(): string
    {
        return "{$this->about}: {$this->text}";
    }
}
