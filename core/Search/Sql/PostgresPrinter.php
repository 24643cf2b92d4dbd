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
use WaryHeron\Core\Search\Text\Words;

/**
 * Turns a query into a PostgreSQL condition over indexed columns.
 *
 * Every part of a tree that is free text becomes one tsquery, so that one index scan answers it.
 */
final readonly class PostgresPrinter
{
    private const DEFAULT_FIELDS = [Field::Title, Field::Abstract, Field::Keyword];

    /** Bytes of one proximity written out. */
    private const LONGEST_NEAR = 300_000;

    public function __construct(private TableLayout $table)
    {
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
        if ($weights !== null && ($query = $this->tsquery($node, $weights)) !== null) {
            return new SqlCondition("{$this->table->words} @@ ?::tsquery", [$query]);
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

    /** @param  non-empty-list<Field>  $fields */
    private function operation(Operation $node, array $fields): SqlCondition
    {
        $parts = array_map(fn (Node $operand): SqlCondition => $this->print($operand, $fields), $node->operands);

        return match ($node->operator) {
            Operator::And => SqlCondition::joined('AND', $parts),
            Operator::Or => SqlCondition::joined('OR', $parts),
            Operator::Not => SqlCondition::joined('AND', [$parts[0], ...array_map(fn (SqlCondition $p): SqlCondition => $p->negated(), array_slice($parts, 1))]),
        };
    }

    /** @param  non-empty-list<Field>  $fields */
    private function eachField(Node $node, array $fields): SqlCondition
    {
        $text = array_values(array_filter($fields, fn (Field $field): bool => IndexedText::weight($field) !== null));
        $parts = $text === [] ? [] : [$this->print($node, $text)];
        foreach ($fields as $field) {
            if ($field === Field::Journal) {
                $parts[] = $this->journal($node);
            } elseif (IndexedText::weight($field) === null) {
                $parts[] = $this->exact($node, $field);
            }
        }

        /** @var non-empty-list<SqlCondition> $parts */
        return SqlCondition::joined('OR', $parts);
    }

    private function journal(Node $node): SqlCondition
    {
        $query = $this->table->journalWords === null ? null : $this->tsquery($node, '');
        if ($query === null) {
            throw CannotAnswer::because('A journal is searched by words, phrases and combinations of them.');
        }

        return new SqlCondition("{$this->table->journalWords} @@ ?::tsquery", [$query]);
    }

    private function exact(Node $node, Field $field): SqlCondition
    {
        $column = $this->table->exact[$field->value] ?? throw CannotAnswer::because("There is no field “{$field->value}” here.");
        $values = [];
        foreach ($node instanceof Operation && $node->operator === Operator::Or ? $node->operands : [$node] as $operand) {
            $values[] = match (true) {
                $operand instanceof Word && ! $operand->truncated => mb_strtolower($operand->text),
                $operand instanceof Phrase => mb_strtolower(implode(' ', array_map(fn (Word $w): string => $w->text, $operand->words))),
                default => throw CannotAnswer::because("The field “{$field->value}” is compared whole: give it a value, or several joined by OR."),
            };
        }

        return new SqlCondition("{$column} IN (".implode(', ', array_fill(0, count($values), '?')).')', $values);
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
        $number = $this->table->headings->numberOf($node->label);
        if ($number === null) {
            throw CannotAnswer::because("The thesaurus has no heading “{$node->label}”.");
        }
        if ($node->qualifiers !== []) {
            $pairs = array_map(fn (string $qualifier): string => $number.($node->narrower ? '+' : '').($node->major ? '!' : '').'/'.mb_strtolower($qualifier), $node->qualifiers);

            // several qualifiers on one heading: any of them
            return new SqlCondition("{$this->table->qualifiedColumn} && ARRAY[".implode(', ', array_fill(0, count($pairs), '?')).']::text[]', $pairs);
        }
        $column = match (true) {
            $node->major && $node->narrower => $this->table->majorClosureColumn,
            $node->major => $this->table->majorColumn,
            $node->narrower => $this->table->closureColumn,
            default => $this->table->headingColumn,
        };

        return new SqlCondition("{$column} @> ARRAY[?]::integer[]", [$number]);
    }

    private function limit(Limit $node): SqlCondition
    {
        $column = $this->table->limits[$node->kind->value] ?? throw CannotAnswer::because("There is no limit “{$node->kind->value}” here.");
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

    /** @param  list<Field>  $fields */
    private function weights(array $fields): ?string
    {
        $weights = '';
        foreach ($fields as $field) {
            $weight = IndexedText::weight($field);
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
        if (! $node instanceof Operation) {
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

    /** @param  list<Word>  $words */
    private function phrase(array $words, string $weights): string
    {
        $lexemes = [];
        foreach ($words as $word) {
            $parts = Words::of($word->text);
            foreach ($parts as $i => $part) {
                $flags = ($word->truncated && $i === count($parts) - 1 ? '*' : '').$weights;
                // longer words are not in the index, and PostgreSQL refuses them in a query
                $part = mb_strcut($part, 0, IndexedText::LONGEST_WORD + 1);
                $lexemes[] = "'{$part}'".($flags === '' ? '' : ":{$flags}");
            }
        }

        return count($lexemes) === 1 ? $lexemes[0] : '('.implode(' <-> ', $lexemes).')';
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
            throw CannotAnswer::because('NEAR within NEAR, or between groups as large as these, is too much to search. Use smaller groups or distances, or AND.');
        }
        $ways = [];
        for ($distance = 1; $distance <= $node->distance; $distance++) {
            $ways[] = "({$left} <{$distance}> {$right})";
            $ways[] = "({$right} <{$distance}> {$left})";
        }

        return '('.implode(' | ', $ways).')';
    }
}
