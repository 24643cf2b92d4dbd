<?php

declare(strict_types=1);

namespace App\Queries\Searches\Translated;

use WaryHeron\Core\Search\Dialect\Dialect;
use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Strategy\Strategy;
use WaryHeron\Core\Search\Strategy\Translated\TranslatedLine;
use WaryHeron\Core\Search\Strategy\Translated\Translation;

/** A line of a strategy beside what it becomes in a language that is being described. */
final readonly class TriedLine
{
    /** @param  list<string>  $notes */
    private function __construct(
        public int $number,
        public string $ours,
        public string $text,
        public array $notes,
        public string $problem,
    ) {
    }

    /** @return list<self> */
    public static function all(Dialect $dialect, Strategy $lines): array
    {
        return array_map(
            fn (int $i, TranslatedLine $line): self => new self(
                $i + 1,
                $line->line->text,
                $line->text,
                array_map(fn (TranslationNote $note): string => $note->message(), $line->notes),
                $line->problem,
            ),
            array_keys($lines->lines),
            (new Translation($dialect, null))->lines($lines),
        );
    }
}
