<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Parted;

use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;

/**
 * A paper cut down to what it says of one part of its study: of rows the column headed by it, of sentences the clauses
 * that name it and not another.
 */
final readonly class PartPassages
{
    private const BREAK = '/(?<=[;,)])\s+|\s+(?=(?:and|while|whereas|but|versus|vs\.?|compared with|against|as against)\s)/u';

    private const NUMBER = '/(?<![\p{L}\d.,])[−–-]?\d[\d,]*(?:[.·]\d+)?\s*%?/u';

    /** @param  array<string, Passage>  $whole  the passages as they stand, by their shortened text */
    private function __construct(public Passages $passages, private array $whole)
    {
    }

    public static function of(Passages $paper, PartNames $names, string $part): self
    {
        $short = $whole = [];
        foreach ($paper->all as $passage) {
            $cut = $passage->isRow() ? self::row($passage, $names, $part) : self::sentence($passage, $names, $part);
            if ($cut !== null) {
                $short[] = $cut;
                $whole[$cut->text] ??= $passage;
            }
        }

        return new self($paper->only($short), $whole);
    }

    /** The words of the paper from which a shortened text was made; itself where it was not. */
    public function quote(string $text): string
    {
        return ($this->whole[$text] ?? null)->text ?? $text;
    }

    /** Its column; of a row that begins with its name, all. */
    private static function row(Passage $row, PartNames $names, string $part): ?Passage
    {
        if ($names->isOnly($part, $row->cells[0] ?? '')) {
            return $row;
        }
        foreach ($row->heads as $i => $head) {
            $cell = $row->cells[$i] ?? null;
            if ($cell !== null && $i > 0 && $names->isOnly($part, $head)) {
                $cells = [$row->cells[0], $cell];

                return self::saying($row, implode(' ', $cells), $cells, ['', $head]);
            }
        }

        return null;
    }

    private static function sentence(Passage $passage, PartNames $names, string $part): ?Passage
    {
        $named = $names->in($passage->text);
        if ($named === [$part]) {
            return $passage;
        }
        if (! in_array($part, $named, true)) {
            return null;
        }
        $text = preg_match('/\brespectively\b/iu', $passage->text) === 1
            ? self::inOrder($passage->text, $named, $part)
            : self::clauses($passage->text, $names, $part);

        return $text === null ? null : self::saying($passage, $text, [], []);
    }

    /**
     * “41.2 and 43.0 years in the first and the second, respectively”: as many numbers as parts.
     *
     * @param  list<string>  $named
     */
    private static function inOrder(string $text, array $named, string $part): ?string
    {
        $at = 0;
        $own = array_search($part, $named, true);
        if (preg_match_all(self::NUMBER, $text) !== count($named)) {
            return null;
        }

        return preg_replace_callback(
            self::NUMBER,
            function (array $found) use (&$at, $own): string {
                return $at++ === $own ? $found[0] : '';
            },
            $text,
        );
    }

    /** What leads into the sentence, then the clauses that are about this part. */
    private static function clauses(string $text, PartNames $names, string $part): ?string
    {
        $kept = [];
        $isOwn = true;
        foreach (preg_split(self::BREAK, $text) ?: [] as $i => $clause) {
            $named = $names->in($clause);
            if (count($named) > 1) {
                return null;
            }
            $isOwn = $named === [] ? $isOwn : $named === [$part];
            if ($isOwn) {
                $kept[] = $clause;
            } elseif ($i === 0) {
                $kept[] = preg_split('/(?=\d)/u', $clause, 2)[0] ?? '';
            }
        }
        $text = trim(implode(' ', array_map(trim(...), $kept)));

        // a name by itself says nothing
        return $names->isOnly($part, $text) && substr_count($text, ' ') > 2 ? $text : null;
    }

    /**
     * @param  list<string>  $cells
     * @param  list<string>  $heads
     */
    private static function saying(Passage $of, string $text, array $cells, array $heads): Passage
    {
        return new Passage($of->number, $text, $of->page, $of->section, $of->heading, $of->kind, $cells, $heads);
    }
}
