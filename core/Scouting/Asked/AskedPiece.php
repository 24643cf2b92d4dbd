<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** A stretch of a question between two small words that join it to the rest. */
final readonly class AskedPiece
{
    /**
     * @param  string  $mark  what the small word before it says of it; empty where there is none
     * @param  bool  $verb  whether it begins with what is done
     * @param  list<string>  $words  lower-cased, phrases that a family knows kept whole
     */
    public function __construct(public string $mark, public bool $verb, public array $words)
    {
    }
}
