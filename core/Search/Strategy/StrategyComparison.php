<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

/** Two states of a strategy, line by line. */
final class StrategyComparison
{
    /**
     * Lines are the same by their id, however they are numbered; a text that differs only in its line numbers has not
     * changed.
     *
     * @return list<ComparedLine> in the order of the later one, with what was removed where it stood
     */
    public static function of(Strategy $before, Strategy $after): array
    {
        $rows = [];
        $at = 0;
        $kept = array_map(fn (StrategyLine $line): string => $line->id, $after->lines);
        foreach ($after->lines as $line) {
            while (isset($before->lines[$at]) && ! in_array($before->lines[$at]->id, $kept, true)) {
                $rows[] = new ComparedLine('removed', $before->lines[$at++], null);
            }
            $number = $before->numberOf($line->id);
            $old = $number === null ? null : $before->line($number);
            $at = max($at, $number ?? 0);
            $isSame = $old?->note === $line->note && self::byId($before, $old) === self::byId($after, $line);
            $rows[] = new ComparedLine($old === null ? 'added' : ($isSame ? 'same' : 'changed'), $old, $line);
        }
        foreach (array_slice($before->lines, $at) as $line) {
            in_array($line->id, $kept, true) || ($rows[] = new ComparedLine('removed', $line, null));
        }

        return $rows;
    }

    /** The text with the ids of the lines in place of their numbers. */
    private static function byId(Strategy $strategy, StrategyLine $line): string
    {
        return (string) preg_replace_callback(
            '/#(\d+)/',
            fn (array $match): string => '#'.($strategy->line((int) $match[1])->id ?? $match[1]),
            LineNumbers::changed($line->text, fn (int $number): int => $number),
        );
    }
}
