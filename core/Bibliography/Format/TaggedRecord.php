<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

use WaryHeron\Core\Bibliography\SourceField;

/** @internal A record of tagged lines while it is being read: its fields in order. */
final class TaggedRecord
{
    public string $source = '';

    public bool $tooLarge = false;

    /** @var array<int, string> by the places of the fields */
    private array $tags = [];

    /** @var array<int, string> at the same places; what has been used up is gone */
    private array $values = [];

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
            $this->tags[$this->count] = $tag;
            $this->values[$this->count++] = $value;
        }
    }

    /** @param  list<string>  $oneALine  tags below which it is another value */
    public function continue(string $text, array $oneALine = []): void
    {
        $last = $this->count - 1;
        if ($text === '' || $last < 0 || $this->tooLarge) {
            return;
        }
        if (in_array($this->tags[$last], $oneALine, true)) {
            $this->add($this->tags[$last], $text);
        } else {
            $this->values[$last] = $this->values[$last] === '' ? $text : "{$this->values[$last]} {$text}";
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
            if (($this->values[$at] ?? '') !== '') {
                return $this->values[$at];
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
                $value = $this->values[$at] ?? '';
                if ($value !== '') {
                    unset($this->values[$at]);

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
        return array_values($this->taken($tags));
    }

    /**
     * The same with the tags that they stood under.
     *
     * @param  list<string>  $tags
     * @return list<SourceField>
     */
    public function takeFields(array $tags): array
    {
        return $this->fields($this->taken($tags));
    }

    /** @return list<SourceField> what has not been used up */
    public function rest(): array
    {
        return $this->fields(array_filter($this->values, fn (string $value): bool => $value !== ''));
    }

    /**
     * @param  list<string>  $tags
     * @return array<int, string> values by their places; empty ones are used up as well, and told to nobody
     */
    private function taken(array $tags): array
    {
        $taken = [];
        foreach ($tags as $tag) {
            foreach ($this->places[$tag] ?? [] as $at) {
                if (($this->values[$at] ?? '') !== '') {
                    $taken[$at] = $this->values[$at];
                }
                unset($this->values[$at]);
            }
        }
        if (count($tags) > 1) {
            ksort($taken);
        }

        return $taken;
    }

    /**
     * @param  array<int, string>  $values  by their places
     * @return list<SourceField>
     */
    private function fields(array $values): array
    {
        $fields = [];
        foreach ($values as $at => $value) {
            $fields[] = new SourceField($this->tags[$at], $value);
        }

        return $fields;
    }
}
