<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Compare;

use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\DiffOnlyOutputBuilder;

/**
 * Two versions of a document, line by line and, where a line was changed, word by word: longest common subsequences of
 * lines first, then of the words of lines that took each other's place.
 */
final class TextComparison
{
    /** Lines less alike than this are two lines. */
    private const ALIKE = 0.4;

    /**
     * @param  list<TextLine>  $before
     * @param  list<TextLine>  $after
     * @return list<ComparedLine> in the order of reading, what was removed where it stood
     */
    public static function of(array $before, array $after): array
    {
        $compared = $removed = $added = [];
        [$old, $new] = [0, 0];
        foreach (self::fates(array_map(self::key(...), $before), array_map(self::key(...), $after)) as $fate) {
            if ($fate === Fate::Removed) {
                $removed[] = $before[$old++];
            } elseif ($fate === Fate::Added) {
                $added[] = $after[$new++];
            } else {
                array_push($compared, ...self::run($removed, $added), ...[ComparedLine::whole($after[$new++], Fate::Kept)]);
                $old++;
                $removed = $added = [];
            }
        }

        return [...$compared, ...self::run($removed, $added)];
    }

    private static function key(TextLine $line): string
    {
        return "{$line->kind} {$line->words}";
    }

    /**
     * Lines that went and lines that came at one place: those that are alike are one line that was changed.
     *
     * @param  list<TextLine>  $removed
     * @param  list<TextLine>  $added
     * @return list<ComparedLine>
     */
    private static function run(array $removed, array $added): array
    {
        $compared = [];
        foreach ($added as $line) {
            $at = array_key_first(array_filter($removed, fn (TextLine $one): bool => $one->likeness($line) >= self::ALIKE));
            if ($at === null) {
                $compared[] = ComparedLine::whole($line, Fate::Added);

                continue;
            }
            foreach (array_slice($removed, 0, $at) as $gone) {
                $compared[] = ComparedLine::whole($gone, Fate::Removed);
            }
            $compared[] = self::changed($removed[$at], $line);
            $removed = array_slice($removed, $at + 1);
        }
        $gone = array_map(fn (TextLine $one): ComparedLine => ComparedLine::whole($one, Fate::Removed), $removed);

        return [...$compared, ...$gone];
    }

    private static function changed(TextLine $before, TextLine $after): ComparedLine
    {
        [$old, $new] = [$before->split(), $after->split()];
        [$at, $to] = [0, 0];
        $pieces = $words = [];
        $last = null;
        foreach (self::fates($old, $new) as $fate) {
            if ($last !== null && $fate !== $last) {
                $pieces[] = new Piece($last, implode(' ', $words));
                $words = [];
            }
            $words[] = $fate === Fate::Removed ? $old[$at] : $new[$to];
            $at += $fate === Fate::Added ? 0 : 1;
            $to += $fate === Fate::Removed ? 0 : 1;
            $last = $fate;
        }

        return new ComparedLine($after, $last === null ? $pieces : [...$pieces, new Piece($last, implode(' ', $words))]);
    }

    /**
     * @param  list<string>  $before
     * @param  list<string>  $after
     * @return list<Fate>
     */
    private static function fates(array $before, array $after): array
    {
        /** @var list<array{string, int}> $all */
        $all = (new Differ(new DiffOnlyOutputBuilder()))->diffToArray($before, $after);

        return array_values(array_filter(array_map(fn (array $one): ?Fate => Fate::tryFrom($one[1]), $all)));
    }
}
