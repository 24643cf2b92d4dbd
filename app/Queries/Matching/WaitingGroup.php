<?php

declare(strict_types=1);

namespace App\Queries\Matching;

/** Publications that hang together by pairs that nobody has ruled on. */
final readonly class WaitingGroup
{
    /**
     * @param  string  $key  one of them, which names the group
     * @param  list<string>  $publications
     * @param  float  $score  bits of the likeliest pair
     * @param  bool  $later  whether all its pairs were put off
     */
    public function __construct(public string $key, public array $publications, public float $score, public bool $later)
    {
    }

    public function with(string $one, string $other, bool $later): self
    {
        $publications = array_values(array_unique([...$this->publications, $one, $other]));

        return new self($this->key, $publications, $this->score, $this->later && $later);
    }
}
