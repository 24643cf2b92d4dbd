<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect;

final readonly class Compiled
{
    /** @param  list<TranslationNote>  $notes */
    public function __construct(public string $text, public array $notes)
    {
    }

    /** Whether the text says all that the query meant, or at least finds no less. */
    public function isUsable(): bool
    {
        foreach ($this->notes as $note) {
            if ($note->lost) {
                return false;
            }
        }

        return $this->text !== '';
    }
}
