<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

use WaryHeron\Core\Search\Dialect\Ccl\CclParser;
use WaryHeron\Core\Search\Dialect\Ccl\CclProblem;
use WaryHeron\Core\Search\Dialect\Cql\CqlParser;
use WaryHeron\Core\Search\Dialect\Cql\CqlProblem;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Parser;

/** Makes a strategy of text that somebody brings: lines in a dialect, or synonyms for a concept. */
final class StrategyImport
{
    /**
     * One line of text, one line of the strategy; a number or S1 before it is dropped. What follows // is a note.
     *
     * @param  string  $dialect  heron, cql or ccl
     *
     * @throws BadStrategy If a line cannot be read; nothing is taken then.
     */
    public static function lines(string $text, string $dialect): Strategy
    {
        $lines = [];
        $number = 0;
        foreach (preg_split('/\R/u', mb_scrub($text)) ?: [] as $at => $typed) {
            if (trim($typed) === '') {
                continue;
            }
            [$query, $note] =
                preg_match('~^(.*?)\s+//\s*(.*)$~u', $typed, $part) === 1 ? [$part[1], $part[2]] : [$typed, ''];
            $query = trim((string) preg_replace('/^\s*(?:#|S)?\d{1,3}(?:[.:)]|\s)\s*(?=\S)/u', '', $query, 1));
            if (++$number > Strategy::MOST_LINES) {
                throw new BadStrategy('A strategy has at most '.Strategy::MOST_LINES.' lines.');
            }
            $lines[] = new StrategyLine(
                "l{$number}",
                self::inOurs($query, $dialect, $at + 1),
                mb_substr($note, 0, StrategyLine::LONGEST_NOTE),
            );
        }

        return $lines === [] ? throw new BadStrategy('There is no line in this text.') : new Strategy($lines);
    }

    private static function inOurs(string $query, string $dialect, int $line): string
    {
        try {
            return match ($dialect) {
                'cql' => Printer::print(CqlParser::parse($query, Dialects::cql()), Dialects::heron())->text,
                'ccl' => Printer::print(
                    CclParser::parse($query, Dialects::named('ccl') ?? throw new \LogicException('It ships.')),
                    Dialects::heron(),
                )->text,
                default => self::whole($query),
            };
        } catch (CqlProblem|CclProblem|BadStrategy $problem) {
            throw new BadStrategy("Line {$line}, ".lcfirst($problem->getMessage()).' Nothing was taken.');
        }
    }

    /** @throws BadStrategy If it cannot be read to its end. */
    private static function whole(string $query): string
    {
        $parsed = Parser::parse($query);

        return $parsed->isComplete() ? $query : throw new BadStrategy($parsed->problems[0]->message());
    }

    /**
     * What a person writes into one box: synonyms by line, by OR, or by semicolon; several words become a phrase.
     *
     * @return list<string>
     */
    public static function synonyms(string $typed): array
    {
        $terms = [];
        // an OR within brackets belongs to the term
        foreach (
            preg_split('/\n/', (string) preg_replace('/[\r\n;]+|\s+OR\s+(?![^(]*\))/u', "\n", $typed)) ?: [] as $term
        ) {
            $term = trim($term, " \t,");
            if ($term === '') {
                continue;
            }
            $isPlain =
                preg_match('/^[\p{L}\p{N}*?~\'’\- ]+$/u', $term) === 1 &&
                preg_match('/\b(?:AND|OR|NOT)\b|NEAR\//', $term) !== 1;
            $terms[] = $isPlain && str_contains($term, ' ') ? "\"{$term}\"" : $term;
        }

        return array_values(array_unique($terms));
    }
}
