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

    /** Whether the same items are asked of every study, and once. */
    public function areAll(): bool
    {
        return $this->depth === null &&
            array_filter($this->entries, fn (Entry $one): bool => $one->when !== null || $one->per !== '') === [];
    }

    /**
     * An item whose condition names one that is not asked is not asked either.
     *
     * @param  array<string, string|int|float|list<string|int|float>|null>  $values  of the answers, by item
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
     * The same of each part of a study, by what that part was answered, and of the study as a whole, under ''.
     *
     * @param  array<string, array<string, string|int|float|list<string|int|float>|null>>  $values  by part, then item
     * @param  array<string, string>  $kinds  of each part: arm, site
     * @return array<string, array<string, true>> by part, then item
     */
    public function ofParts(array $values, array $kinds, string $study): array
    {
        $whole = self::together($values);
        $asked = ['' => $this->of($whole, $study)];
        foreach ($kinds as $part => $kind) {
            $ofKind = array_filter($this->entries, fn (Entry $one): bool => $one->per === $kind);
            // what this part was answered decides for it, what others of its kind were does not
            $elsewhere = array_diff_key($whole, array_flip(array_column($ofKind, 'id')));
            $asked[$part] = $this->of(($values[$part] ?? []) + ($values[''] ?? []) + $elsewhere, $study);
        }

        return $asked;
    }

    /**
     * Whether everything that is asked of a study, and of each of its parts, has an answer.
     *
     * @param  array<string, array<string, string|int|float|list<string|int|float>|null>>  $values  of what has one, as above
     * @param  array<string, string>  $kinds  of each part
     */
    public function areAnswered(array $values, array $kinds, string $study): bool
    {
        $asked = $this->ofParts($values, $kinds, $study);
        $whole = self::together($values);
        foreach ($this->entries as $entry) {
            $parts = $entry->per === '' ? [] : array_keys($kinds, $entry->per, true);
            foreach ($parts === [] ? [''] : $parts as $part) {
                $said = $part === '' ? $whole : $values[$part] ?? [];
                if (isset($asked[$part][$entry->id]) && ! array_key_exists($entry->id, $said)) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * What is said of a study and of its parts, as said of the study: of what is asked of parts, all that is said of any.
     *
     * @param  array<string, array<string, string|int|float|list<string|int|float>|null>>  $values  by part, then item
     * @return array<string, string|int|float|list<string|int|float>|null> by item
     */
    public static function together(array $values): array
    {
        $all = $values[''] ?? [];
        unset($values['']);
        foreach ($values as $of) {
            foreach ($of as $item => $value) {
                $known = $all[$item] ?? null;
                $all[$item] = $value === null
                    ? $known
                    : array_values(array_unique([...(array) $known, ...(array) $value], SORT_REGULAR));
            }
        }

        return $all;
    }

    /**
     * @param  array<string, string|int|float|list<string|int|float>|null>  $values
     * @param  array<string, true>  $asked
     */
    private function holds(?AskedWhen $when, array $values, array $asked): bool
    {
        return $when === null || (isset($asked[$when->item]) && $when->holds($values[$when->item] ?? null));
    }
}
