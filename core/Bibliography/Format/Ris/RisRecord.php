<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Ris;

/** @internal A record while it is being read: its tags in order, each with its value. */
final class RisRecord
{
    public string $source = '';

    public bool $tooLarge = false;

    /** @var list<array{string, string}> */
    private array $fields = [];

    public function __construct(public readonly int $line)
    {
    }

    public function keep(string $line): void
    {
        if (strlen($this->source) + strlen($line) > RisReader::LARGEST_RECORD) {
            $this->tooLarge = true;

            return;
        }
        $this->source .= $line."\n";
    }

    public function add(string $tag, string $value): void
    {
        if (! $this->tooLarge) {
            $this->fields[] = [$tag, $value];
        }
    }

    public function continue(string $text): void
    {
        $last = array_key_last($this->fields);
        if ($text !== '' && $last !== null && ! $this->tooLarge) {
            $this->fields[$last][1] = trim("{$this->fields[$last][1]} {$text}");
        }
    }

    public function first(string $tag): ?string
    {
        foreach ($this->fields as [$own, $value]) {
            if ($own === $tag && $value !== '') {
                return $value;
            }
        }

        return null;
    }

    /**
     * The first value under the best of these tags; it is then used up.
     *
     * @param  list<string>  $tags
     */
    public function take(array $tags): ?string
    {
        foreach ($tags as $tag) {
            foreach ($this->fields as $at => [$own, $value]) {
                if ($own === $tag && $value !== '') {
                    array_splice($this->fields, $at, 1);

                    return $value;
                }
            }
        }

        return null;
    }

    /**
     * @param  list<string>  $tags
     * @return list<string>
     */
    public function takeAll(array $tags): array
    {
        $taken = [];
        $left = [];
        foreach ($this->fields as $field) {
            if (! in_array($field[0], $tags, true)) {
                $left[] = $field;
            } elseif ($field[1] !== '') {
                $taken[] = $field[1];
            }
        }
        $this->fields = $left;

        return $taken;
    }

    /** @return list<array{string, string}> */
    public function rest(): array
    {
        return array_values(array_filter($this->fields, fn (array $field): bool => $field[1] !== ''));
    }
}
