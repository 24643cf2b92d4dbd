<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Book;

/** What a file says of one item, read value by value. */
final readonly class Given
{
    /** @param  array<mixed>  $values */
    public function __construct(private array $values, private int $number)
    {
    }

    public function text(string $key, int $longest): string
    {
        $text = $this->values[$key] ?? '';

        return is_string($text) ? mb_substr(trim(mb_scrub($text)), 0, $longest) : '';
    }

    /** @return list<string> each once */
    public function texts(string $key): array
    {
        $texts = $this->values[$key] ?? [];
        $trimmed = array_map(
            fn (string $one): string => mb_substr(trim(mb_scrub($one)), 0, 400),
            array_filter(is_array($texts) ? $texts : [], is_string(...)),
        );

        return array_values(array_unique(array_filter($trimmed, fn (string $one): bool => $one !== '')));
    }

    public function number(string $key): ?float
    {
        $number = $this->values[$key] ?? null;

        return is_int($number) || is_float($number) ? (float) $number : null;
    }

    public function is(string $key): bool
    {
        return ($this->values[$key] ?? false) === true;
    }

    public function part(string $key): self
    {
        $part = $this->values[$key] ?? [];

        return new self(is_array($part) ? $part : [], $this->number);
    }

    public function bad(string $why): BadBook
    {
        return BadBook::item($this->number, $why);
    }
}
