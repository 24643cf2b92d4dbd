<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

use WaryHeron\Core\Coding\Book\Entry;

/** Which items of a codebook are asked of a study, by what has been answered about it. */
final readonly class AskedItems
{
    /**
     * @param  list<Entry>  $entries  in the order of the codebook
     * @param  ?Subset  $depth  which studies the in-depth pass goes to; null for all
     */
    public function __construct(public array $entries, public ?Subset $depth = null)
    {
    }

    /** Whether the same items are asked of every study. */
    public function areAll(): bool
    {
        return $this->depth === null &&
            array_filter($this->entries, fn (Entry $one): bool => $one->when !== null) === [];
    }

    /**
     * An item whose condition names one that is not asked is not asked either.
     *
     * @param  array<string, string|int|float|list<string>|null>  $values  of the answers, by item
     * @return array<string, true> by item
     */
    public function of(array $values, string $study): array
    {
        $asked = [];
        $isDeep = $this->depth === null || $this->depth->has($study, $values);
        foreach ($this->entries as $entry) {
            $passes = $entry->pass === Pass::Mapping || $isDeep;
            if ($passes && $this->holds($entry->when, $values, $asked)) {
                $asked[$entry->id] = true;
            }
        }

        return $asked;
    }

    /**
     * @param  array<string, string|int|float|list<string>|null>  $values
     * @param  array<string, true>  $asked
     */
    private function holds(?AskedWhen $when, array $values, array $asked): bool
    {
        return $when === null || (isset($asked[$when->item]) && $when->holds($values[$when->item] ?? null));
    }
}
