<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Sql;

use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\LimitKind;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Limit;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Text\IndexedText;
use WaryHeron\Core\Search\Text\Mask;
use WaryHeron\Core\Text\Words;

/**
 * Turns a query into a PostgreSQL condition over indexed columns.
 *
 * Every part of a tree that is free text becomes one tsquery, so that one index scan answers it.
 */
final readonly class PostgresPrinter
{
    private const DEFAULT_FIELDS = [Field::Title, Field::Abstract, Field::Keyword];

    /** The most alternatives in one tsquery. */
    private const TOGETHER = 200;

    /** The most words that a masked word may stand for. */
    private const WRITTEN_OUT = 400;

    /** Words of a query that are looked for among the authors besides. */
    private const FEW = 20;

    /** Bytes of one proximity written out. */
    private const LONGEST_NEAR = 300_000;

    public function __construct(private TableLayout $table)
    {
    }

    /** @return list<Node> what is left out is not looked for */
    private static function lookedFor(Operation $one): array
    {
        return $one->operator === Operator::Not ? array_slice($one->operands, 0, 1) : $one->operands;
    }

    /** Every word that the query looks for, joined by OR, as a tsquery to rank by; null where it looks for no words. */
    public static function anyWord(Node $node): ?string
    {
        $words = [];
        $collect = function (Node $one) use (&$collect, &$words): void {
            match (true) {
                $one instanceof Word => array_push($words, ...self::rankedBy($one)),
                $one instanceof Phrase => array_map($collect, $one->words),
                $one instanceof Near => array_map($collect, [$one->left, $one->right]),
                $one instanceof Fielded => $collect($one->inner),
                $one instanceof Operation => array_map($collect, self::lookedFor($one)),
                default => null,
            };
        };
        $collect($node);
        $words = array_slice(array_unique($words), 0, 200);

        return $words === [] ? null : implode(' | ', $words);
    }

    /** @throws CannotAnswer If the table has no column for a part of the query. */
    public function condition(Node $node): SqlCondition
    {
        return $this->print($node, self::DEFAULT_FIELDS);
    }

    /** @param  non-empty-list<Field>  $fields */
    private function print(Node $node, array $fields): SqlCondition
    {
        $weights = $this->weights($fields);
        if ($node instanceof Operation && $node->operator === Operator::Or) {
            return $this->anyOf($node, $fields);
        }
        if ($node instanceof Fielded && count($node->fields) === 1) {
            return $this->eachField($node->inner, $node->fields);
        }
        $cheap = $weights === null ? null : $this->byIndex($node, $weights);
        if ($cheap !== null) {
            return $cheap;
        }

        return match (true) {
            $node instanceof Operation => $this->operation($node, $fields),
            $node instanceof Fielded => $this->eachField($node->inner, $node->fields),
            $node instanceof Heading => $this->heading($node),
            $node instanceof Limit => $this->limit($node),
            $node instanceof Word, $node instanceof Phrase, $node instanceof Near => $this->eachField($node, $fields),
            default => throw CannotAnswer::because('Line references have to be written out before a search.'),
        };
    }

    /** What an index of words answers as a whole: the smallest one that can. */
    private function byIndex(Node $node, string $weights): ?SqlCondition
    {
        $columns = ['A' => $this->table->titleWords, 'D' => $this->table->authorsAlone];
        $alone = $columns[$weights] ?? null;
        if ($alone !== null) {
            $query = $this->tsquery($node, '');
            if ($query !== null) {
                return self::holds($alone, $query);
            }
        }
        $cheap = $weights === 'ABC' ? $this->byWholeRecord($node) : null;
        if ($cheap !== null) {
            return $cheap;
        }
        $query = $this->tsquery($node, $weights);

        return $query === null ? null : self::holds($this->table->words, $query);
    }

    /** In all fields but the authors', which have an index of their own. */
    private function byWholeRecord(Node $node): ?SqlCondition
    {
        $query = $this->table->authorWords === null ? null : $this->withoutWeights($node);
        if ($query !== null) {
            return self::holds($this->table->words, $query);
        }
        $byColumns = $node instanceof Operation ? $this->byColumns($node) : null;

        return $byColumns ?? ($this->table->authorsAlone !== null && self::isOnlyAdded($node)
            ? $this->besideAuthors($node)
            : null);
    }

    private static function holds(string $column, string $query): SqlCondition
    {
        return new SqlCondition("{$column} @@ ?::tsquery", [$query]);
    }

    /**
     * Alternatives sorted by what they cost: headings, then words of a column together, then phrases together, which
     * have to be looked up row by row. The first that holds spares the others.
     *
     * @param  non-empty-list<Field>  $fields
     */
    private function anyOf(Operation $node, array $fields): SqlCondition
    {
        $headings = $words = $phrases = $rest = [];
        foreach (self::alternatives($node) as $one) {
            if ($one instanceof Heading && $one->qualifiers === []) {
                $condition = $this->heading($one);
                $headings[(string) strstr($condition->text, ' ', true)][] = $condition->bindings[0];

                continue;
            }
            $condition = $this->print($one, $fields);
            $isText = preg_match('/^(\w+) @@ \?::tsquery$/', $condition->text, $column) === 1;
            if (! $isText) {
                $rest[] = $condition;
            } elseif (str_contains((string) $condition->bindings[0], '<')) {
                $phrases[$column[1]][] = $condition->bindings[0];
            } else {
                $words[$column[1]][] = $condition->bindings[0];
            }
        }

        /** @var non-empty-list<SqlCondition> $parts */
        $parts = [...self::anyHeading($headings), ...self::anyText($words), ...self::anyText($phrases), ...$rest];

        return SqlCondition::joined('OR', $parts);
    }

    /**
     * @param  array<string, non-empty-list<int|string>>  $headings  their numbers by column
     * @return list<SqlCondition>
     */
    private static function anyHeading(array $headings): array
    {
        $parts = [];
        foreach ($headings as $column => $numbers) {
            $marks = implode(', ', array_fill(0, count($numbers), '?'));
            $how = count($numbers) === 1 ? '@>' : '&&';
            $parts[] = new SqlCondition("{$column} {$how} ARRAY[{$marks}]::integer[]", $numbers);
        }

        return $parts;
    }

    /**
     * @param  array<string, non-empty-list<int|string>>  $queries  by column
     * @return list<SqlCondition>
     */
    private static function anyText(array $queries): array
    {
        $parts = [];
        foreach ($queries as $column => $all) {
            // an index scan takes the square of its alternatives
            foreach (array_chunk($all, self::TOGETHER) as $some) {
                $parts[] = self::holds($column, count($some) === 1 ? (string) $some[0] : '('.implode(' | ', $some).')');
            }
        }

        return $parts;
    }

    /** @return non-empty-list<Node> */
    private static function alternatives(Operation $node): array
    {
        $all = [];
        foreach ($node->operands as $operand) {
            array_push(
                $all,
                ...$operand instanceof Operation && $operand->operator === Operator::Or
                    ? self::alternatives($operand)
                    : [$operand],
            );
        }

        /** @var non-empty-list<Node> */
        return $all;
    }

    /** @param  non-empty-list<Field>  $fields */
    private function operation(Operation $node, array $fields): SqlCondition
    {
        if ($node->operator === Operator::Not) {
            return $this->without($node, $fields);
        }
        $parts = array_map(fn (Node $operand): SqlCondition => $this->print($operand, $fields), $node->operands);

        return SqlCondition::joined($node->operator === Operator::And ? 'AND' : 'OR', $parts);
    }

    /**
     * What is taken away is asked for together, like alternatives: a row that is found is read once for all words, and
     * for phrases only where no word has ruled it out.
     *
     * @param  non-empty-list<Field>  $fields
     */
    private function without(Operation $node, array $fields): SqlCondition
    {
        $kept = $this->print($node->operands[0], $fields);
        $taken = array_slice($node->operands, 1);
        if ($taken === []) {
            return $kept;
        }
        $any = count($taken) === 1 ? $taken[0] : new Operation(Operator::Or, $taken);

        return SqlCondition::joined('AND', [$kept, $this->print($any, $fields)->negated()]);
    }

    /** @param  non-empty-list<Field>  $fields */
    private function eachField(Node $node, array $fields): SqlCondition
    {
        $text = array_values(array_filter($fields, fn (Field $field): bool => $this->weight($field) !== null));
        $parts = $text === [] ? [] : [$this->print($node, $text)];
        foreach ($fields as $field) {
            if ($field === Field::Journal) {
                $parts[] = $this->whole($node, $this->table->journalWords, 'A journal is');
            } elseif ($field === Field::Author && $this->table->authorWords !== null) {
                $parts[] = $this->whole($node, $this->table->authorWords, 'Authors are');
            } elseif ($this->weight($field) === null) {
                $parts[] = $this->exact($node, $field);
            }
        }

        /** @var non-empty-list<SqlCondition> $parts */
        return SqlCondition::joined('OR', $parts);
    }

    /** In a column of its own. */
    private function whole(Node $node, ?string $column, string $what): SqlCondition
    {
        $query = $column === null ? null : $this->tsquery($node, '');
        if ($query === null) {
            throw CannotAnswer::because("{$what} searched by words, phrases and combinations of them.");
        }

        return new SqlCondition("{$column} @@ ?::tsquery", [$query]);
    }

    private function exact(Node $node, Field $field): SqlCondition
    {
        $related = $this->table->related[$field->value] ?? null;
        if ($related !== null && $field !== Field::Decision) {
            $words = $this->tsquery($node, '') ?? throw CannotAnswer::because(
                "The field “{$field->value}” is searched by words, phrases and combinations of them.",
            );

            return $related('@@ ?::tsquery', [$words]);
        }
        $column = $related !== null ? '' : $this->table->exact[$field->value]
            ?? throw CannotAnswer::because("There is no field “{$field->value}” here.");
        $operands = $node instanceof Operation && $node->operator === Operator::Or ? $node->operands : [$node];
        $values = array_map(fn (Node $operand): string => self::compared($operand, $field), array_values($operands));
        $among = 'IN ('.implode(', ', array_fill(0, count($values), '?')).')';

        return $related !== null ? $related($among, $values) : new SqlCondition("{$column} {$among}", $values);
    }

    /** The value that a field is compared with. */
    private static function compared(Node $operand, Field $field): string
    {
        $isPlain = $operand instanceof Word && ! $operand->truncated && ! $operand->isMasked();

        return match (true) {
            $isPlain => mb_strtolower($operand->text),
            $operand instanceof Phrase => mb_strtolower(
                implode(' ', array_map(fn (Word $w): string => $w->text, $operand->words)),
            ),
            default => throw CannotAnswer::because(
                "The field “{$field->value}” is compared whole: give it a value, or several joined by OR.",
            ),
        };
    }

    private function heading(Heading $node): SqlCondition
    {
        if ($this->table->headings === null) {
            throw CannotAnswer::because('There are no headings here.');
        }
        if ($node->qualifiers !== [] && $this->table->qualifiedColumn === null) {
            throw CannotAnswer::because('Qualifiers are not indexed here.');
        }
        if ($node->less !== []) {
            throw CannotAnswer::because('A branch that is left out has to be written out before a search.');
        }
        $number = $this->table->headings->numberOf($node->label)
            ?? throw CannotAnswer::because("The thesaurus has no heading “{$node->label}”.");
        if ($node->qualifiers !== []) {
            return $this->qualified($node, $number);
        }
        $column = match (true) {
            $node->major && $node->narrower => $this->table->majorClosureColumn,
            $node->major => $this->table->majorColumn,
            $node->narrower => $this->table->closureColumn,
            default => $this->table->headingColumn,
        };

        return new SqlCondition("{$column} @> ARRAY[?]::integer[]", [$number]);
    }

    /** Several qualifiers on one heading: any of them. */
    private function qualified(Heading $node, int $number): SqlCondition
    {
        $ahead = $number.($node->narrower ? '+' : '').($node->major ? '!' : '').'/';
        $pairs = array_map(fn (string $qualifier): string => $ahead.mb_strtolower($qualifier), $node->qualifiers);
        $places = implode(', ', array_fill(0, count($pairs), '?'));

        return new SqlCondition("{$this->table->qualifiedColumn} && ARRAY[{$places}]::text[]", $pairs);
    }

    private function limit(Limit $node): SqlCondition
    {
        $column =
            $this->table->limits[$node->kind->value] ??
            throw CannotAnswer::because("There is no limit “{$node->kind->value}” here.");
        if ($node->kind !== LimitKind::Year) {
            $value = mb_strtolower((string) $node->value);

            return str_ends_with($column, '[]')
                ? new SqlCondition(substr($column, 0, -2).' @> ARRAY[?]::text[]', [$value])
                : new SqlCondition("{$column} = ?", [$value]);
        }
        $parts = [];
        if ($node->from !== null) {
            $parts[] = new SqlCondition("{$column} >= ?", [$node->from]);
        }
        if ($node->to !== null) {
            $parts[] = new SqlCondition("{$column} <= ?", [$node->to]);
        }

        return $parts === [] ? new SqlCondition("{$column} IS NOT NULL", []) : SqlCondition::joined('AND', $parts);
    }

    private function weight(Field $field): ?string
    {
        return $field === Field::Author && $this->table->authorWords !== null ? null : IndexedText::weight($field);
    }

    /** @param  list<Field>  $fields */
    private function weights(array $fields): ?string
    {
        $weights = '';
        foreach ($fields as $field) {
            $weight = $this->weight($field);
            if ($weight === null) {
                return null;
            }
            $weights .= $weight;
        }

        return $weights;
    }

    /** The node as tsquery text, or null where a part of it is not free text in these fields. */
    private function tsquery(Node $node, string $weights): ?string
    {
        if ($node instanceof Word) {
            return $this->phrase([$node], $weights);
        }
        if ($node instanceof Phrase) {
            return $this->phrase($node->words, $weights);
        }
        if ($node instanceof Near) {
            return $this->near($node, $weights);
        }
        if ($node instanceof Fielded) {
            $own = $this->weights($node->fields);

            return $own === null || $weights === '' ? null : $this->tsquery($node->inner, $own);
        }
        if (! ($node instanceof Operation)) {
            return null;
        }
        $parts = [];
        foreach ($node->operands as $i => $operand) {
            $part = $this->tsquery($operand, $weights);
            if ($part === null) {
                return null;
            }
            $parts[] = $node->operator === Operator::Not && $i > 0 ? "!{$part}" : $part;
        }

        return '('.implode($node->operator === Operator::Or ? ' | ' : ' & ', $parts).')';
    }

    /**
     * Where the words are all in default fields: asking for no weights spares looking at every row that the index
     * finds.
     */
    private function withoutWeights(Node $node): ?string
    {
        $query = $this->tsquery($node, 'ABC');

        return $query === null ? null : str_replace([':*ABC', ':ABC'], [':*', ''], $query);
    }

    /**
     * Where the authors' words are in the same column: to ask for weights reads all the words of every row that the
     * index finds. Of most rows it is enough that none of the words is an author's, which their own short column
     * tells.
     */
    private function besideAuthors(Node $node): ?SqlCondition
    {
        $exact = $this->tsquery($node, 'ABC');
        $all = $this->withoutWeights($node);
        $any = self::anyWord($node);
        if (
            $exact === null ||
            $all === null ||
            $any === null ||
            str_contains($exact, '<') ||
            substr_count($any, ' | ') > self::FEW
        ) {
            return null;
        }

        return new SqlCondition(
            "({$this->table->words} @@ ?::tsquery AND (NOT {$this->table->authorsAlone} @@ ?::tsquery OR {$this->table->words} @@ ?::tsquery))",
            [$all, $any, $exact],
        );
    }

    /**
     * Words of titles or authors together with words from anywhere: all of them are found by one index without asking
     * for weights, which would read all the words of every row found; what stands where is then told by the short
     * columns.
     */
    private function byColumns(Operation $node): ?SqlCondition
    {
        $fielded = $rest = [];
        foreach ($node->operands as $operand) {
            $isFielded = $operand instanceof Fielded && in_array($operand->fields, [[Field::Title], [Field::Author]], true);
            $isFielded ? $fielded[] = $operand : $rest[] = $operand;
        }
        $all = $this->tsquery($node, 'ABC');
        $isPlain = $node->operator === Operator::And &&
            $this->table->titleWords !== null &&
            $this->table->authorsAlone !== null &&
            array_filter([...array_column($fielded, 'inner'), ...$rest], fn (Node $one): bool => ! self::isOnlyAdded($one)) === [];
        if (! $isPlain || $fielded === [] || $rest === [] || $all === null || str_contains($all, '<')) {
            return null;
        }
        $beside = $this->besideAuthors(count($rest) === 1 ? $rest[0] : new Operation(Operator::And, $rest));
        if ($beside === null) {
            return null;
        }

        return SqlCondition::joined('AND', [
            new SqlCondition("{$this->table->words} @@ ?::tsquery", [(string) preg_replace(["/(?<='):\\*[A-D]+/", "/(?<='):[A-D]+/"], [':*', ''], $all)]),
            ...array_map(fn (Fielded $one): SqlCondition => $this->print($one, self::DEFAULT_FIELDS), $fielded),
            $beside,
        ]);
    }

    /** Whether more words can only make it find more or less, never take away: there is no NOT in it. */
    private static function isOnlyAdded(Node $node): bool
    {
        return match (true) {
            $node instanceof Word => ! $node->isMasked(),
            $node instanceof Operation => $node->operator !== Operator::Not &&
                array_filter($node->operands, fn (Node $one): bool => ! self::isOnlyAdded($one)) === [],
            default => false,
        };
    }

    /** @param  list<Word>  $words */
    private function phrase(array $words, string $weights): string
    {
        $lexemes = [];
        foreach ($words as $word) {
            $parts = $word->isMasked() ? Mask::words($word->text) : Words::of($word->text);
            foreach ($parts as $i => $part) {
                $mayGoOn = $word->truncated && $i === count($parts) - 1;
                if (Mask::isIn($part)) {
                    $lexemes[] = $this->written($part.($mayGoOn ? Mask::ANY : ''), $weights);

                    continue;
                }
                // longer words are not in the index, and PostgreSQL refuses them in a query
                $lexemes[] = self::lexeme(
                    mb_strcut($part, 0, IndexedText::LONGEST_WORD + 1),
                    ($mayGoOn ? '*' : '').$weights,
                );
            }
        }

        return count($lexemes) === 1 ? $lexemes[0] : '('.implode(' <-> ', $lexemes).')';
    }

    private static function lexeme(string $word, string $flags): string
    {
        return "'{$word}'".($flags === '' ? '' : ":{$flags}");
    }

    /** What a masked word stands for in this index, any of it. */
    private function written(string $masked, string $weights): string
    {
        $list =
            $this->table->wordList ??
            throw CannotAnswer::because('Signs for letters within a word are not understood here.');
        $words = $list->matching(Mask::pattern($masked), self::WRITTEN_OUT + 1);
        if (count($words) > self::WRITTEN_OUT) {
            throw CannotAnswer::because(
                "“{$masked}” stands for more than ".self::WRITTEN_OUT.' words here. Write more of its letters.',
            );
        }
        sort($words);
        // a sign that is no word, where there is none: it finds nothing
        $lexemes = array_map(fn (string $word): string => self::lexeme($word, $weights), $words === [] ? ['~'] : $words);

        return count($lexemes) === 1 ? $lexemes[0] : '('.implode(' | ', $lexemes).')';
    }

    /** @return list<string> */
    private static function rankedBy(Word $word): array
    {
        $lexemes = [];
        foreach ($word->isMasked() ? Mask::words($word->text) : Words::of($word->text) as $part) {
            $known = Mask::beginning($part);
            if ($known !== '') {
                $lexemes[] =
                    "'".
                    mb_strcut($known, 0, IndexedText::LONGEST_WORD).
                    "'".
                    ($word->truncated || $known !== $part ? ':*' : '');
            }
        }

        return $lexemes;
    }

    private function near(Near $node, string $weights): ?string
    {
        $left = $this->tsquery($node->left, $weights);
        $right = $this->tsquery($node->right, $weights);
        if ($left === null || $right === null) {
            return null;
        }
        // each further NEAR around this one multiplies it
        if ((strlen($left) + strlen($right)) * 2 * $node->distance > self::LONGEST_NEAR) {
            throw CannotAnswer::because(
                'NEAR within NEAR, or between groups as large as these, is too much to search. Use smaller groups or distances, or AND.',
            );
        }
        $ways = [];
        for ($distance = 1; $distance <= $node->distance; $distance++) {
            $ways[] = "({$left} <{$distance}> {$right})";
            $ways[] = "({$right} <{$distance}> {$left})";
        }

        return '('.implode(' | ', $ways).')';
    }
}
