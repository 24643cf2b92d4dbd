<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect\Cql;

use WaryHeron\Core\Search\Dialect\Dialect;
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
use WaryHeron\Core\Search\Text\Mask;
use WaryHeron\Core\Text\Words;

/**
 * Reads CQL 1.2 (the query language of SRU) into the same tree as our own language.
 *
 * All Boolean operators, prox among them, are of equal strength and read from the left. Indexes are those of the
 * dialect's file plus cql.serverChoice and cql.anywhere. Source: CQL grammar as published with SRU 1.2 (OASIS
 * searchRetrieve part 5).
 */
final class CqlParser
{
    private const COMPARISONS = ['=', '<', '>', '<=', '>=', '<>'];

    public const LONGEST = 100_000;

    private const DEEPEST = 60;

    /** @var list<CqlToken> */
    private array $tokens = [];

    private const EVERYWHERE = ['cql.serverchoice', 'cql.anywhere', 'cql.any', 'serverchoice', 'anywhere'];

    /** Relation modifiers that ask for what is done anyhow. */
    private const ALWAYS_SO = ['ignorecase', 'ignoreaccents', 'masked', 'word'];

    /** Addresses of context sets, and the prefix they have in our files; none where the address names it. */
    private const CONTEXT_SETS = [
        '~^info:srw/(?:cql-context-set|context-sets)/1/cql-v1\.[12]$~' => 'cql',
        '~^info:srw/(?:cql-context-set|context-sets)/1/dc-v1\.1$~' => 'dc',
        '~^info:srw/(?:cql-context-set|context-sets)/2/rec-1\.[01]$~' => 'rec',
        '~^urn:x-wary-heron:([a-z]+)$~' => '',
    ];

    private int $at = 0;

    /** @var array<string, string> prefixes given in the query; that of indexes without one under '' */
    private array $prefixes = [];

    private int $depth = 0;

    private function __construct(private readonly Dialect $dialect)
    {
    }

    /** @throws CqlProblem If the text is no CQL, or asks for what the dialect lacks. */
    public static function parse(string $text, Dialect $dialect): Node
    {
        $sorted = self::parseSorted($text, $dialect);

        return $sorted->order === [] ? $sorted->query : throw new CqlProblem(80, '', $sorted->order[0]->column);
    }

    /**
     * The query, and the order asked for with sortBy.
     *
     * @throws CqlProblem
     */
    public static function parseSorted(string $text, Dialect $dialect): SortedQuery
    {
        if (strlen($text) > self::LONGEST) {
            throw new CqlProblem(12, (string) self::LONGEST, 1);
        }
        $parser = new self($dialect);
        $parser->tokens = self::tokens(mb_scrub($text, 'UTF-8'));
        $node = $parser->query();
        $order = $parser->peek()->keyword() === 'sortby' ? $parser->order() : [];
        $token = $parser->peek();
        if ($token->kind !== 'end') {
            throw new CqlProblem($token->is(')') ? 13 : 10, $token->text, $token->column);
        }

        return new SortedQuery($node, $order);
    }

    /** @return non-empty-list<SortKey> */
    private function order(): array
    {
        $this->next();
        $order = [];
        do {
            $index = $this->next();
            if (! $index->isTerm()) {
                throw new CqlProblem(10, 'an index was expected after sortBy', $index->column);
            }
            $ascending = true;
            foreach ($this->modifiers() as $modifier) {
                $ascending = match ($modifier->name) {
                    'sort.ascending', 'ascending' => true,
                    'sort.descending', 'descending' => false,
                    default => throw new CqlProblem(86, $modifier->name, $modifier->column),
                };
            }
            $order[] = new SortKey($this->resolved($index), $ascending, $index->column);
        } while ($this->peek()->isTerm());

        return $order;
    }

    /** @return list<CqlToken> */
    private static function tokens(string $text): array
    {
        $tokens = [];
        $column = 1;
        $offset = 0;
        $pattern = '~\G(?:(\s+)|(<=|>=|<>|==|[()=<>/])|"((?:[^"\\\\]|\\\\.)*+)"|([^\s()=<>"/]+))~su';
        while ($offset < strlen($text)) {
            if (preg_match($pattern, $text, $match, PREG_UNMATCHED_AS_NULL, $offset) !== 1) {
                throw new CqlProblem(14, 'the quotation mark is never closed', $column);
            }
            if (($match[2] ?? null) !== null) {
                $tokens[] = new CqlToken('symbol', $match[2], $column);
            } elseif (($match[3] ?? null) !== null) {
                $tokens[] = new CqlToken('quoted', $match[3], $column);
            } elseif (($match[4] ?? null) !== null) {
                $tokens[] = new CqlToken('word', $match[4], $column);
            }
            $offset += strlen((string) $match[0]);
            $column += mb_strlen((string) $match[0]);
        }
        $tokens[] = new CqlToken('end', '', $column);

        return $tokens;
    }

    private function query(): Node
    {
        $outer = $this->prefixes;
        while ($this->peek()->is('>')) {
            $this->prefixAssignment();
        }
        $left = $this->clause();
        $open = null; // the operator that may still take further operands
        while (($keyword = $this->peek()->keyword()) !== null && $keyword !== 'sortby') {
            $token = $this->next();
            if ($keyword === 'prox') {
                $left = $this->proximity($left, $token);
                $open = null;

                continue;
            }
            if ($this->peek()->is('/')) {
                throw new CqlProblem(46, $this->peek(1)->text, $this->peek()->column);
            }
            $operator = Operator::from($keyword);
            $right = $this->clause();
            $left =
                $open === $operator && $left instanceof Operation
                    ? new Operation($operator, [...$left->operands, $right])
                    : new Operation($operator, [$left, $right]);
            $open = $operator;
        }
        if ($this->depth > 0) {
            $this->prefixes = $outer; // they hold within the brackets
        }

        return $left;
    }

    private function prefixAssignment(): void
    {
        $this->next();
        $first = $this->next();
        if ($this->peek()->is('=')) {
            $this->next();
            $uri = $this->next();
            if (! $first->isTerm() || ! $uri->isTerm()) {
                throw new CqlProblem(10, 'a prefix is given as > name = "address"', $first->column);
            }
            $this->prefixes[strtolower($first->text)] = $this->contextSet($uri);

            return;
        }
        if (! $first->isTerm()) {
            throw new CqlProblem(10, 'a prefix is given as > name = "address"', $first->column);
        }
        $this->prefixes[''] = $this->contextSet($first);
    }

    /** The prefix by which the dialect's file knows the context set. */
    private function contextSet(CqlToken $address): string
    {
        $address->text === '' && throw new CqlProblem(15, '', $address->column);
        foreach (self::CONTEXT_SETS as $pattern => $prefix) {
            if (preg_match($pattern, strtolower($address->text), $own) === 1) {
                return $prefix === '' ? $own[1] ?? '' : $prefix;
            }
        }
        throw new CqlProblem(15, $address->text, $address->column);
    }

    /** An index as the dialect's file names it, with its prefix mapped. */
    private function resolved(CqlToken $index): string
    {
        $name = strtolower($index->text);
        [$prefix, $rest] = str_contains($name, '.') ? explode('.', $name, 2) : ['', $name];
        $mapped = $this->prefixes[$prefix] ?? null;

        return $mapped === null ? $name : "{$mapped}.{$rest}";
    }

    private function clause(): Node
    {
        $token = $this->next();
        if ($token->is('(')) {
            return $this->bracketed($token);
        }
        if (! $token->isTerm() || $token->keyword() !== null) {
            $isEnd = $token->kind === 'end';
            $found = "a term was expected, not “{$token->text}”";
            throw new CqlProblem(10, $isEnd ? 'the query ends where a term was expected' : $found, $token->column);
        }
        $relation = $this->peek();
        $named = $relation->kind === 'word' && $relation->keyword() === null;
        $compares =
            $relation->kind === 'symbol' && in_array($relation->text, ['=', '==', '<', '>', '<=', '>=', '<>'], true);
        if (! $named && ! $compares) {
            return $this->text($token, '=');
        }
        $this->next();
        $modifiers = $this->modifiers();
        $term = $this->next();
        if (! $term->isTerm()) {
            throw new CqlProblem(10, 'a term was expected after the relation', $term->column);
        }

        return $this->indexed($token, $relation, $modifiers, $term);
    }

    private function bracketed(CqlToken $open): Node
    {
        if (++$this->depth > self::DEEPEST) {
            throw new CqlProblem(13, 'nested deeper than '.self::DEEPEST, $open->column);
        }
        $node = $this->query();
        if (! $this->peek()->is(')')) {
            throw new CqlProblem(13, 'a bracket is never closed', $open->column);
        }
        $this->next();
        $this->depth--;

        return $node;
    }

    /** @return list<CqlModifier> */
    private function modifiers(): array
    {
        $modifiers = [];
        while ($this->peek()->is('/')) {
            $this->next();
            $name = $this->next();
            if (! $name->isTerm()) {
                throw new CqlProblem(10, 'a modifier was expected after the /', $name->column);
            }
            $comparison = $value = '';
            if ($this->peek()->kind === 'symbol' && in_array($this->peek()->text, self::COMPARISONS, true)) {
                $comparison = $this->next()->text;
                $value = $this->next()->text;
            }
            $modifiers[] = new CqlModifier(strtolower($name->text), $comparison, $value, $name->column);
        }

        return $modifiers;
    }

    /** @param  list<CqlModifier>  $modifiers */
    private function indexed(CqlToken $index, CqlToken $relation, array $modifiers, CqlToken $term): Node
    {
        $name = $this->resolved($index);
        $how = strtolower($relation->text);
        $how = str_starts_with($how, 'cql.') ? substr($how, 4) : $how;
        $headings = $this->dialect->data['heading']['form'] ?? null;
        if ($headings !== null && str_starts_with(strtolower($headings), "{$name} ")) {
            return $this->heading($how, $relation, $modifiers, $term);
        }
        $this->refuseModifiers($modifiers);
        foreach ($this->dialect->data['limits'] as $kind => $form) {
            $sample = is_array($form) ? $form['one'] : $form;
            if (str_starts_with(strtolower($sample), "{$name} ")) {
                return $this->limit(LimitKind::from($kind), $how, $relation, $term);
            }
        }
        $everywhere = in_array($name, self::EVERYWHERE, true);
        $field = $everywhere ? null : $this->dialect->fieldNamed($name) ?? $this->bareField($name);
        if (! $everywhere && $field === null) {
            throw new CqlProblem(16, $index->text, $index->column);
        }
        if (! in_array($how, ['=', '==', 'adj', 'exact', 'any', 'all', 'scr'], true)) {
            $isOrder = in_array($how, ['<', '>', '<=', '>=', 'within'], true);
            throw new CqlProblem($isOrder ? 22 : 19, $relation->text, $relation->column);
        }
        $text = $this->text($term, $how);

        return $field === null ? $text : new Fielded([$field], $text);
    }

    /** @param  list<CqlModifier>  $modifiers */
    private function refuseModifiers(array $modifiers): void
    {
        foreach ($modifiers as $modifier) {
            if (! in_array(preg_replace('/^cql\./', '', $modifier->name), self::ALWAYS_SO, true)) {
                throw new CqlProblem(20, $modifier->name, $modifier->column);
            }
        }
    }

    /** dc.title may be written title, as the default context set allows. */
    private function bareField(string $name): ?Field
    {
        foreach ($this->dialect->data['fields'] as $field => $own) {
            if (substr(strtolower((string) strstr($own, '.')), 1) === $name) {
                return Field::from($field);
            }
        }

        return null;
    }

    /** @param  list<CqlModifier>  $modifiers */
    private function heading(string $how, CqlToken $relation, array $modifiers, CqlToken $term): Heading
    {
        if (! in_array($how, ['=', '==', 'exact'], true)) {
            throw new CqlProblem(22, $relation->text, $relation->column);
        }
        $narrower = $major = false;
        $qualifiers = [];
        foreach ($modifiers as $modifier) {
            $name = str_contains($modifier->name, '.')
                ? substr((string) strstr($modifier->name, '.'), 1)
                : $modifier->name;
            match (true) {
                $name === 'narrower' => ($narrower = true),
                $name === 'major' => ($major = true),
                $name === 'qualifier' && $modifier->value !== '' => ($qualifiers[] = stripslashes(
                    $modifier->value,
                )),
                default => throw new CqlProblem(20, $modifier->name, $modifier->column),
            };
        }

        return new Heading($this->literal($term), $narrower, $major, $qualifiers);
    }

    private function limit(LimitKind $kind, string $how, CqlToken $relation, CqlToken $term): Limit
    {
        if ($kind !== LimitKind::Year) {
            return in_array($how, ['=', '==', 'exact'], true)
                ? Limit::to($kind, $this->literal($term))
                : throw new CqlProblem(22, $relation->text, $relation->column);
        }
        $value = $this->literal($term);
        $pattern = $how === 'within' ? '/^(\d{4})\s+(\d{4})$/' : '/^(\d{4})$/';
        if (preg_match($pattern, trim($value), $years) !== 1) {
            throw new CqlProblem(36, $value, $term->column);
        }
        $year = (int) $years[1];

        return match ($how) {
            '=', '==', 'exact' => Limit::years($year, $year),
            '>=' => Limit::years($year, null),
            '<=' => Limit::years(null, $year),
            '>' => Limit::years($year + 1, null),
            '<' => Limit::years(null, $year - 1),
            'within' => Limit::years($year, (int) ($years[2] ?? $year)),
            default => throw new CqlProblem(22, $relation->text, $relation->column),
        };
    }

    private function text(CqlToken $term, string $how): Node
    {
        $words = [];
        foreach (preg_split('/\s+/u', trim($term->text), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $typed) {
            $word = $this->word($typed, $term->column);
            if ($word !== null) {
                $words[] = $word;
            }
        }
        if ($words === []) {
            throw new CqlProblem(27, '', $term->column);
        }
        if (($how === 'any' || $how === 'all') && count($words) > 1) {
            return new Operation($how === 'any' ? Operator::Or : Operator::And, $words);
        }

        return $term->kind === 'word' ? $words[0] : new Phrase($words);
    }

    private function word(string $typed, int $column): ?Word
    {
        $truncated = false;
        $text = '';
        $length = strlen($typed);
        for ($i = 0; $i < $length; $i++) {
            $sign = $typed[$i];
            if ($sign === '\\' && $i + 1 < $length) {
                $i++;
                $text .= str_contains(Mask::SIGNS, $typed[$i]) ? '' : $typed[$i]; // a literal sign is no part of a word
            } elseif ($sign === '*' && $i === $length - 1) {
                $truncated = true;
            } elseif ($sign === '*' || $sign === '?') {
                $text .= $this->mask($sign, $column);
            } elseif ($sign === '^') {
                throw new CqlProblem(31, '^', $column);
            } else {
                $text .= $sign === Mask::MAYBE ? '' : $sign;
            }
        }
        $length = mb_strlen(implode('', Words::of($text)));
        if (Mask::isIn($text) && $length < Mask::LETTERS) {
            throw new CqlProblem(29, $typed, $column);
        }
        if ($truncated && $length < ($this->dialect->data['truncation']['minimumStem'] ?? PHP_INT_MAX)) {
            throw new CqlProblem(29, $typed, $column);
        }

        return $length === 0 ? null : new Word($text, $truncated);
    }

    /**
     * CQL has * for any number of letters and ? for one, as we have; which of them a database understands its dialect
     * says.
     */
    private function mask(string $sign, int $column): string
    {
        if (($this->dialect->data['masking'][$sign === '*' ? 'any' : 'one'] ?? null) === null) {
            throw new CqlProblem(28, $sign === '*' ? '* is understood at the end of a word only' : $sign, $column);
        }

        return $sign === '*' ? Mask::ANY : Mask::ONE;
    }

    private function literal(CqlToken $term): string
    {
        return (string) preg_replace('/\\\\(.)/su', '$1', $term->text);
    }

    private function proximity(Node $left, CqlToken $token): Node
    {
        if ($this->dialect->data['proximity'] === null) {
            throw new CqlProblem(37, 'prox', $token->column);
        }
        $distance = $this->distance($token);
        $right = $this->clause();
        [$left, $right] = [$this->lifted($left, $token), $this->lifted($right, $token)];
        if (! $left->isInSame($right)) {
            throw new CqlProblem(48, 'both sides of prox have to be in the same index', $token->column);
        }
        $near = new Near($left->text, $right->text, $distance);

        return $left->fields === [] ? $near : new Fielded($left->fields, $near);
    }

    /** How far apart prox lets its sides be, by its modifiers. */
    private function distance(CqlToken $token): int
    {
        $distance = 1;
        foreach ($this->modifiers() as $one) {
            match ($one->name) {
                'unit' => $one->value === 'word' || throw new CqlProblem(42, $one->value, $one->column),
                'distance' => $distance = self::atMost($one),
                'unordered' => true,
                'ordered' => throw new CqlProblem(43, 'ordered', $one->column),
                default => throw new CqlProblem(46, $one->name, $one->column),
            };
        }

        return $distance >= 1 && $distance <= Near::FURTHEST
            ? $distance
            : throw new CqlProblem(41, (string) $distance, $token->column);
    }

    /** Only next to each other can be asked for exactly. */
    private static function atMost(CqlModifier $modifier): int
    {
        $distance = (int) $modifier->value - ($modifier->comparison === '<' ? 1 : 0);
        if (! in_array($modifier->comparison, ['<=', '<', '='], true)) {
            throw new CqlProblem(40, $modifier->comparison, $modifier->column);
        }

        return $modifier->comparison !== '=' || $distance === 1
            ? $distance
            : throw new CqlProblem(40, '=', $modifier->column);
    }

    /** A side of prox with its index taken off: dc.title = a or dc.title = b becomes title, a or b. */
    private function lifted(Node $node, CqlToken $token): ProximitySide
    {
        if ($node instanceof Word || $node instanceof Phrase || $node instanceof Near) {
            return new ProximitySide([], $node);
        }
        if ($node instanceof Fielded) {
            return new ProximitySide($node->fields, $this->lifted($node->inner, $token)->text);
        }
        if ($node instanceof Operation && $node->operator === Operator::Or) {
            $sides = array_map(fn (Node $one): ProximitySide => $this->lifted($one, $token), $node->operands);
            $others = array_filter($sides, fn (ProximitySide $one): bool => ! $one->isInSame($sides[0]));
            if ($others === []) {
                return new ProximitySide($sides[0]->fields, new Operation(Operator::Or, array_column($sides, 'text')));
            }
        }
        throw new CqlProblem(48, 'prox takes terms, and groups of them joined by or', $token->column);
    }

    private function peek(int $ahead = 0): CqlToken
    {
        return $this->tokens[min($this->at + $ahead, count($this->tokens) - 1)];
    }

    private function next(): CqlToken
    {
        $token = $this->peek();
        $this->at = min($this->at + 1, count($this->tokens) - 1);

        return $token;
    }
}
