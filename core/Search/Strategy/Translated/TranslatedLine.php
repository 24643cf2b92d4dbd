<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy\Translated;

use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** A line of a strategy as one database is asked it. */
final readonly class TranslatedLine
{
    /**
     * @param  ?int  $number  its number there, where lines are numbered; null where nothing of it is left
     * @param  list<TranslationNote>  $notes
     */
    public function __construct(
        public StrategyLine $line,
        public ?int $number,
        public string $text,
        public array $notes,
        public string $problem = '',
    ) {
    }

    public function isUsable(): bool
    {
        return $this->text !== '' &&
            $this->problem === '' &&
            array_filter($this->notes, fn (TranslationNote $note): bool => $note->lost) === [];
    }
}
