<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

/** @internal A record of tagged lines while it is being read: its fields in order, each with tag and value. */
final class TaggedRecord
{
    public string $source = '';

    public bool $tooLarge = false;

    /** @var array<int, array{string, string}> */
    private array $fields = [];

    /** @var array<string, list<int>> where each tag stands in */
    private array $places = [];

    private int $count = 0;

    public function __construct(public readonly int $line)
    {
    }

    public function keep(string $line): void
    {
        if (strlen($this->source) + strlen($line) > ReferenceReader::LARGEST_RECORD) {
            $this->tooLarge = true;

            return;
        }
        $this->source .= $line."\n";
    }

    public function add(string $tag, string $value): void
    {
        if (! $this->tooLarge) {
            $this->places[$tag][] = $this->count;
            $this->fields[$this->count++] = [$tag, $value];
        }
    }

    /** @param  list<string>  $oneALine  tags below which it is another value */
    public function continue(string $text, array $oneALine = []): void
    {
        $last = $this->count - 1;
        if ($text !== '' && $last >= 0 && ! $this->tooLarge) {
            if (in_array($this->fields[$last][0], $oneALine, true)) {
                $this->add($this->fields[$last][0], $text);

                return;
            }
            $this->fields[$last][1] = $this->fields[$last][1] === '' ? $text : "{$this->fields[$last][1]} {$text}";
        }
    }

    public function has(string $tag): bool
    {
        return isset($this->places[$tag]);
    }

    /** Whether nothing else was said. */
    public function isOnly(string $tag): bool
    {
        return array_keys($this->places) === [$tag] && ! $this->tooLarge;
    }

    /** The first value under this tag, which stays there. */
    public function first(string $tag): ?string
    {
        foreach ($this->places[$tag] ?? [] as $at) {
            if (isset($this->fields[$at]) && $this->fields[$at][1] !== '') {
                return $this->fields[$at][1];
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
            foreach ($this->places[$tag] ?? [] as $at) {
                $value = $this->fields[$at][1] ?? '';
                if ($value !== '') {
                    unset($this->fields[$at]);

                    return $value;
                }
            }
        }

        return null;
    }

    /**
     * All values under these tags, in the order of the record; they are then used up.
     *
     * @param  list<string>  $tags
     * @return list<string>
     */
    public function takeAll(array $tags): array
    {
        return array_column($this->takeFields($tags), 1);
    }

    /**
     * @param  list<string>  $tags
     * @return list<array{string, string}>
     */
    public function takeFields(array $tags): array
    {
        $taken = [];
        foreach ($tags as $tag) {
            foreach ($this->places[$tag] ?? [] as $at) {
                if (isset($this->fields[$at])) {
                    $taken[$at] = $this->fields[$at];
                    unset($this->fields[$at]);
                }
            }
        }
        if (count($tags) > 1) {
            ksort($taken);
        }

        return array_values(array_filter($taken, fn (array $field): bool => $field[1] !== ''));
    }

    /** @return list<array{string, string}> what has not been used up */
    public function rest(): array
    {
        return array_values(array_filter($this->fields, fn (array $field): bool => $field[1] !== ''));
    }
}
