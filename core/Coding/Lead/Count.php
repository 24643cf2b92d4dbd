<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** A number of things in a sentence, with the bytes that tell it. */
final readonly class Count
{
    /** @param  bool  $person  whether what is counted is said to be people */
    public function __construct(public float $value, public int $at, public int $end, public bool $person)
    {
    }

    /** So many bytes of its sentence that stand before it, and whole letters of them. */
    public function before(string $text, int $most): string
    {
        $length = min($most, $this->at);

        return mb_scrub(substr($text, $this->at - $length, $length), 'UTF-8');
    }

    /** So many that stand behind it. */
    public function after(string $text, int $most): string
    {
        return mb_scrub(substr($text, $this->end, $most), 'UTF-8');
    }
}
