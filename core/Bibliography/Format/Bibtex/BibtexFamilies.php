<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

/** @internal Entries that take over fields from others: by crossref wherever the other stands, by xdata from before. */
final class BibtexFamilies
{
    /** Fields of a parent that are longer than this are no names, dates or titles, and stay with it. */
    private const HANDED_DOWN = 2_000;

    /** So many entries are remembered in case others take over from them; of what holds others, all. */
    private const REMEMBERED = 5_000;

    /** What is there to hold others, which take over from it by crossref. */
    public const PARENTS = [
        'proceedings',
        'book',
        'collection',
        'periodical',
        'reference',
        'mvbook',
        'mvcollection',
        'mvproceedings',
        'mvreference',
    ];

    /** What is a parent's own: its text, its addresses, what files say about themselves. */
    private const NOT_INHERITED = [
        'abstract',
        'doi',
        'url',
        'pages',
        'pagetotal',
        'keywords',
        'file',
        'note',
        'annote',
        'annotation',
        'ids',
        'options',
        'label',
        'shorthand',
        'crossref',
        'xdata',
        'entrysubtype',
    ];

    /** @var array<string, BibtexEntry> by key in lower case, with what they hand down */
    private array $parents = [];

    /** @var array<string, array<string, string>> what xdata entries hold for others, as it is */
    private array $shared = [];

    /** @var array<string, list<BibtexEntry>> by the parent they wait for */
    private array $waiting = [];

    /** @return \Generator<int, BibtexEntry> those that are whole now: this one and what waited for it, or none yet */
    public function take(BibtexEntry $entry): \Generator
    {
        if ($entry->type === 'xdata') {
            $this->shared[strtolower($entry->key)] = self::handedDown($entry);

            return;
        }
        foreach (array_filter(array_map(trim(...), explode(',', strtolower($entry->fields['xdata'] ?? '')))) as $key) {
            $entry->fields += $this->shared[$key] ?? [];
        }
        yield from $this->settle($entry);
    }

    /** @return \Generator<int, BibtexEntry> those whose parent never came */
    public function rest(): \Generator
    {
        foreach ($this->waiting as $entries) {
            yield from $entries;
        }
        $this->waiting = [];
    }

    /** @return \Generator<int, BibtexEntry> */
    private function settle(BibtexEntry $entry): \Generator
    {
        $above = strtolower($entry->fields['crossref'] ?? '');
        if ($above !== '' && ! isset($this->parents[$above])) {
            $this->waiting[$above][] = $entry;

            return;
        }
        if ($above !== '') {
            $entry->inherit($this->parents[$above]);
        }
        $key = strtolower($entry->key);
        if (in_array($entry->type, self::PARENTS, true) || count($this->parents) < self::REMEMBERED) {
            $this->parents[$key] = new BibtexEntry($entry->type, $entry->key, self::handedDown($entry), '', 0);
        }
        yield $entry;
        $children = isset($this->parents[$key]) ? $this->waiting[$key] ?? [] : [];
        unset($this->waiting[isset($this->parents[$key]) ? $key : '']);
        foreach ($children as $child) {
            yield from $this->settle($child);
        }
    }

    /** @return array<string, string> what is handed down is short, and tells the whole, not the copy of it */
    private static function handedDown(BibtexEntry $entry): array
    {
        $whole = array_diff_key($entry->fields, array_flip(self::NOT_INHERITED));

        return array_filter($whole, fn (string $value): bool => strlen($value) <= self::HANDED_DOWN);
    }
}
