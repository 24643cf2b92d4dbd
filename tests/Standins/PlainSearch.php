<?php

namespace Tests\Standins;

use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Text\Mask;
use WaryHeron\Core\Text\Words;
use WaryHeron\Standins\Corpus\StudyWriter;
use WaryHeron\Standins\Service;

/** Answers queries the slow and obvious way, word by word through every record, to check the index against. */
final class PlainSearch
{
    /** @var list<array<string, list<string>>> words by field */
    private array $records = [];

    /** @var array<string, true> every word of theirs */
    private array $words = [];

    /** @var array<string, array<string, true>> the words that each word of a query stands for */
    private array $meant = [];

    public function __construct(int $size)
    {
        $writer = new StudyWriter();
        $alder = Service::named('alder');
        for ($number = 1; $number <= $size; $number++) {
            $study = $writer->study($number);
            $this->records[] = [
                'title' => Words::of($study->title),
                'abstract' => Words::of($study->abstract),
                'keyword' => Words::of(
                    implode(
                        ' ',
                        array_map(
                            fn (int $heading): string => $alder->thesaurus()->labels[$heading],
                            $alder->entry($study, $number)['headings'],
                        ),
                    ),
                ),
            ];
        }
        foreach ($this->records as $record) {
            $this->words += array_fill_keys(array_merge(...array_values($record)), true);
        }
    }

    public function count(Node $query): int
    {
        return count(
            array_filter(
                $this->records,
                fn (array $record): bool => $this->matches($query, $record, ['title', 'abstract', 'keyword']),
            ),
        );
    }

    private function matches(Node $node, array $record, array $fields): bool
    {
        if ($node instanceof Fielded) {
            return $this->matches($node->inner, $record, array_map(fn (Field $f): string => $f->value, $node->fields));
        }
        if ($node instanceof Operation) {
            $sides = array_map(fn (Node $operand): bool => $this->matches($operand, $record, $fields), $node->operands);

            return match ($node->operator) {
                Operator::And => ! in_array(false, $sides, true),
                Operator::Or => in_array(true, $sides, true),
                Operator::Not => $sides[0] && ! in_array(true, array_slice($sides, 1), true),
            };
        }
        foreach ($fields as $field) {
            if ($this->places($node, $record[$field]) !== []) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array{int, int}> first and last position of every match */
    private function places(Node $node, array $words): array
    {
        return match (true) {
            $node instanceof Word => $this->run([$node], $words),
            $node instanceof Phrase => $this->run($node->words, $words),
            $node instanceof Operation => array_merge(
                ...array_map(fn (Node $n): array => $this->places($n, $words), $node->operands),
            ),
            $node instanceof Near => $this->near(
                $this->places($node->left, $words),
                $this->places($node->right, $words),
                $node->distance,
            ),
        };
    }

    private function run(array $typed, array $words): array
    {
        $run = [];
        foreach ($typed as $word) {
            $parts = $word->isMasked() ? Mask::words($word->text) : Words::of($word->text);
            foreach ($parts as $i => $part) {
                $run[] = $this->meantBy($part.($word->truncated && $i === count($parts) - 1 ? '*' : ''));
            }
        }
        $found = [];
        foreach (array_keys($words) as $at) {
            foreach ($run as $i => $meant) {
                if (! isset($words[$at + $i], $meant[$words[$at + $i]])) {
                    continue 2;
                }
            }
            $found[] = [$at, $at + count($run) - 1];
        }

        return $found;
    }

    /** @return array<string, true> */
    private function meantBy(string $masked): array
    {
        return $this->meant[$masked] ??= array_filter(
            $this->words,
            fn (string|int $word): bool => self::standsFor($masked, (string) $word),
            ARRAY_FILTER_USE_KEY,
        );
    }

    private function near(array $left, array $right, int $distance): array
    {
        $found = [];
        foreach ($left as [$a, $b]) {
            foreach ($right as [$c, $d]) {
                if (($c > $b && $c - $b <= $distance) || ($a > $d && $a - $d <= $distance)) {
                    $found[] = [min($a, $c), max($b, $d)];
                }
            }
        }

        return $found;
    }

    /** Letter by letter, without patterns. */
    private static function standsFor(string $masked, string $word): bool
    {
        if ($masked === '') {
            return $word === '';
        }
        $rest = mb_substr($masked, 1);
        $after = mb_substr($word, 1);

        return match ($masked[0]) {
            '*' => self::standsFor($rest, $word) || ($word !== '' && self::standsFor($masked, $after)),
            '?' => $word !== '' && self::standsFor($rest, $after),
            '~' => self::standsFor($rest, $word) || ($word !== '' && self::standsFor($rest, $after)),
            default => $word !== '' &&
                mb_substr($masked, 0, 1) === mb_substr($word, 0, 1) &&
                self::standsFor($rest, $after),
        };
    }
}
