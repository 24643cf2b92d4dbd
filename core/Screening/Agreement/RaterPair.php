<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Agreement;

/** Agreement of two of several raters. */
final readonly class RaterPair
{
    public function __construct(public string $first, public string $second, public TwoRaters $of)
    {
    }

    /** @return array<string, int|float|list<string>|array<string, ?float>|null> */
    public function toArray(): array
    {
        return ['raters' => [$this->first, $this->second], ...$this->of->toArray()];
    }
}
