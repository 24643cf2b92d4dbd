<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Limit;
use WaryHeron\Core\Search\Query\Node\LineReference;
use WaryHeron\Core\Search\Query\Node\Missing;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Text\Mask;
use WaryHeron\Core\Text\Words;

/**
 * Reads a line of the query language. It reads on after a mistake and leaves a Missing node where the gap is.
 *
 * NEAR binds tightest, then NOT, AND, OR; operators of one kind in a row are one operation.
 */
final class Parser
{
    public const LONGEST = 100_000;

    public const DEEPEST = 60;

    public const SHORTEST_STEM = 2;

    /** @var list<Token> */
    private array $tokens;

    private int $at = 0;

    private int $depth = 0;

    private bool $insideField = false;

    private const MOST_PROBLEMS = 50;

    /** @var list<Problem> */
    private array $problems = [];

    /** @var array<string, true> */
    private array $kindsSeen = [];

    private function __construct(private readonly string $text)
    {
        $this->tokens = Lexer::tokens($text);
    }

    public static function parse(string $text): ParsedQuery
    {
        if (strlen($text) > self::LONGEST) {
            $limit = number_format(self::LONGEST);

            return new ParsedQuery($text, new Missing(), [
                new Problem(
                    ProblemKind::TooLong,
                    new Span(1, 1),
                    "the query is longer than {$limit} bytes. Split it into lines and combine them.",
                ),
            ]);
        }

        return (new self($text))->query();
    }

    private function query(): ParsedQuery
    {
        if ($this->peek()->kind === TokenKind::End) {
            $this->problem(
                ProblemKind::Empty,
                $this->peek()->span,
                'type a word, a phrase in quotation marks, or a heading.',
            );

            return new ParsedQuery($this->text, new Missing(), $this->problems);
        }
        $root = $this->operation(Operator::Or);
        while ($this->peek()->kind !== TokenKind::End) {
            $token = $this->next();
            $this->problem(ProblemKind::StrayBracket, $token->span, 'this closing bracket has no opening one.');
            if ($this->peek()->kind !== TokenKind::End && $this->peek()->kind !== TokenKind::Close) {
                $this->operation(Operator::Or);
            }
        }
        usort($this->problems, fn (Problem $a, Problem $b): int => $a->span->start <=> $b->span->start);

        return new ParsedQuery($this->text, $root, $this->problems);
    }

    private function operation(Operator $operator): Node
    {
        $tighter = match ($operator) {
            Operator::Or => fn (): Node => $this->operation(Operator::And),
            Operator::And => fn (): Node => $this->operation(Operator::Not),
            Operator::Not => fn (): Node => $this->near(),
        };
        $operands = [$tighter()];
        while ($this->takeOperator($operator)) {
            $operands[] = $tighter();
        }

        return count($operands) === 1 ? $operands[0] : new Operation($operator, $operands);
    }

    private function takeOperator(Operator $operator): bool
    {
        $token = $this->peek();
        if ($token->kind === TokenKind::Operator && Operator::from(strtolower($token->text)) === $operator) {
            $this->at++;

            return true;
        }
        if ($operator !== Operator::And || ! $this->startsOperand($token)) {
            return false;
        }
        $this->problem(
            ProblemKind::MissingOperator,
            $token->span,
            'an operator is missing before this. Put AND, OR or NOT between, or quotation marks around the words for a phrase.',
        );

        return true;
    }

    private function startsOperand(Token $token): bool
    {
        return match ($token->kind) {
            TokenKind::Open,
            TokenKind::Quoted,
            TokenKind::UnclosedQuoted,
            TokenKind::Word,
            TokenKind::Line,
            TokenKind::Comma,
            TokenKind::Colon,
            TokenKind::Slash,
            TokenKind::Sign => true,
            default => false,
        };
    }

    private function near(): Node
    {
        $start = $this->peek()->span->start;
        $left = $this->operand();
        while ($this->peek()->kind === TokenKind::Near) {
            $token = $this->next();
            $distance = (int) $token->text;
            if ($distance < 1 || $distance > Near::FURTHEST) {
                $this->problem(
                    ProblemKind::BadDistance,
                    $token->span,
                    'the distance after NEAR/ goes from 1 (side by side) to '.Near::FURTHEST.'.',
                );
                $distance = min(max($distance, 1), Near::FURTHEST);
            }
            $right = $this->operand();
            foreach ([$left, $right] as $side) {
                if (! $this->canBeNear($side)) {
                    $this->problem(
                        ProblemKind::BadNear,
                        new Span($start, $this->lastEnd()),
                        'NEAR takes words, phrases and groups of them joined by OR.',
                    );
                }
            }
            $left = new Near($left, $right, $distance);
        }

        return $left;
    }

    private function canBeNear(Node $node): bool
    {
        return match (true) {
            $node instanceof Word, $node instanceof Phrase, $node instanceof Near, $node instanceof Missing => true,
            $node instanceof Operation => $node->operator === Operator::Or &&
                array_filter($node->operands, fn (Node $n): bool => ! $this->canBeNear($n)) === [],
            default => false,
        };
    }

    private function operand(): Node
    {
        $token = $this->peek();

        return match ($token->kind) {
            TokenKind::Open => $this->group(),
            TokenKind::Quoted => $this->phrase($this->next()),
            TokenKind::UnclosedQuoted => $this->unclosedPhrase($this->next()),
            TokenKind::Line => $this->line($this->next()),
            TokenKind::Word => $this->wordOrField(),
            TokenKind::Comma, TokenKind::Colon, TokenKind::Slash, TokenKind::Sign => $this->unexpected($this->next()),
            TokenKind::Operator, TokenKind::Near, TokenKind::Close, TokenKind::End => $this->missingOperand($token),
        };
    }

    private function missingOperand(Token $token): Node
    {
        $what = match ($token->kind) {
            TokenKind::End => 'the query ends here',
            TokenKind::Close => 'the bracket closes here',
            default => strtoupper($token->kind === TokenKind::Near ? 'NEAR/'.$token->text : $token->text).
                ' stands here',
        };
        $this->problem(
            ProblemKind::MissingOperand,
            $token->span,
            "{$what}, where a word, a phrase, a heading or a line was expected.",
        );

        return new Missing();
    }

    private function unexpected(Token $token): Node
    {
        $this->problem(
            ProblemKind::UnexpectedSign,
            $token->span,
            "“{$token->text}” has no meaning here. To search for it, put it in quotation marks with the words around it.",
        );

        return $this->startsOperand($this->peek()) ? $this->operand() : new Missing();
    }

    private function group(): Node
    {
        $open = $this->next();
        if (++$this->depth > self::DEEPEST) {
            $this->problem(
                ProblemKind::TooDeep,
                $open->span,
                'brackets are nested deeper than '.self::DEEPEST.'. Put the inner part on a line of its own.',
            );
            $this->at = count($this->tokens) - 1;
            $this->depth--;

            return new Missing();
        }
        $inner = $this->operation(Operator::Or);
        $this->depth--;
        if ($this->peek()->kind === TokenKind::Close) {
            $this->at++;
        } elseif (! $this->has(ProblemKind::TooDeep)) {
            $this->problem(ProblemKind::UnclosedBracket, $open->span, 'this bracket is never closed.');
        }

        return $inner;
    }

    private function unclosedPhrase(Token $token): Node
    {
        $this->problem(ProblemKind::UnclosedQuote, $token->span, 'this quotation mark is never closed.');

        return new Missing();
    }

    private function phrase(Token $token): Node
    {
        $words = [];
        foreach (preg_split('/\s+/u', trim($token->text), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $typed) {
            if (Words::of($typed) !== [] || str_ends_with($typed, '*')) {
                $words[] = $this->word($typed, $token->span);
            }
        }
        $words = array_values(array_filter($words, fn (Node $node): bool => $node instanceof Word));
        if ($words === []) {
            $this->has(ProblemKind::ShortStem) ||
                $this->problem(ProblemKind::NoWord, $token->span, 'there is no word between these quotation marks.');

            return new Missing();
        }

        return new Phrase($words);
    }

    private function word(string $typed, Span $span): Node
    {
        $stem = rtrim($typed, '*');
        $truncated = $stem !== $typed;
        $isMasked = Mask::isIn($stem);
        $least = $isMasked ? Mask::LETTERS : ($truncated ? self::SHORTEST_STEM : 0);
        if (Mask::letters($stem) < $least && ($truncated || Mask::letters($stem) > 0)) {
            $signs = $isMasked
                ? 'beside '.implode(' ', array_unique(str_split((string) preg_replace('/[^*?~]+/u', '', $typed))))
                : 'before the *';
            $this->problem(ProblemKind::ShortStem, $span, "at least {$least} letters are needed {$signs}.");

            return new Missing();
        }
        if (Words::of($stem) === []) {
            $this->problem(ProblemKind::NoWord, $span, "“{$typed}” has no letter or digit to search for.");

            return new Missing();
        }

        return new Word($stem, $truncated);
    }

    private function wordOrField(): Node
    {
        $first = $this->next();
        $name = strtolower($first->text);
        if (
            in_array($name, ['any', 'all'], true) &&
            $this->peek()->kind === TokenKind::Open &&
            $this->peek(1)->kind === TokenKind::Line
        ) {
            return $this->lines($first, $name === 'any' ? Operator::Or : Operator::And);
        }
        if (in_array($this->peek()->kind, [TokenKind::Colon, TokenKind::Comma], true) && $first->touchesNext) {
            return $this->fielded($first);
        }

        return $this->word($first->text, $first->span);
    }

    private function fielded(Token $first): Node
    {
        $names = [$first];
        while ($this->peek()->kind === TokenKind::Comma && $this->peek(1)->kind === TokenKind::Word) {
            $this->at++;
            $names[] = $this->next();
        }
        if ($this->peek()->kind !== TokenKind::Colon) {
            $this->problem(
                ProblemKind::UnexpectedSign,
                $this->peek()->span,
                'a comma joins field names before a colon, as in title,abstract:light. Elsewhere use OR.',
            );

            return $this->word($first->text, $first->span);
        }
        $this->at++;
        $name = strtolower($first->text);
        if (count($names) === 1 && ($name === 'heading' || LimitKind::tryFrom($name) !== null)) {
            return $this->apart($name, $first);
        }
        $fields = $this->fields($names);
        $outer = $this->insideField;
        $this->insideField = true;
        $inner = $this->operand();
        $this->insideField = $outer;

        return $fields === [] ? new Missing() : new Fielded($fields, $inner);
    }

    /** A heading or a limit, which no field can hold. */
    private function apart(string $name, Token $first): Node
    {
        if ($this->insideField) {
            $this->problem(
                ProblemKind::Misplaced,
                $first->span,
                'a heading or a limit cannot stand inside a field. Move it out of the brackets and join it with AND.',
            );
        }

        return $name === 'heading' ? $this->heading() : $this->limit(LimitKind::from($name), $first);
    }

    /**
     * @param  list<Token>  $names
     * @return list<Field> those that there are
     */
    private function fields(array $names): array
    {
        $fields = [];
        foreach ($names as $token) {
            $field = Field::tryFrom(strtolower($token->text));
            if ($field === null) {
                $known = implode(', ', array_map(fn (Field $f): string => $f->value, Field::cases()));
                $this->problem(
                    ProblemKind::UnknownField,
                    $token->span,
                    "“{$token->text}” is not a field. Fields are {$known}; limits are year, language, type, age, species; headings are heading:\"…\".",
                );
            } elseif (! in_array($field, $fields, true)) {
                $fields[] = $field;
            }
        }

        return $fields;
    }

    private function heading(): Node
    {
        $label = $this->value('a heading, as in heading:"Shift work",');
        $narrower = $major = false;
        $qualifiers = $less = [];
        while ($this->peek()->kind === TokenKind::Slash) {
            $this->at++;
            $token = $this->next();
            $modifier = strtolower($token->text);
            if ($modifier === 'narrower') {
                $narrower = true;
            } elseif ($modifier === 'major') {
                $major = true;
            } elseif ($modifier === 'q' && $this->takeColon()) {
                $qualifier = $this->value('a qualifier, as in /q:"adverse effects",');
                if ($qualifier !== null) {
                    $qualifiers[] = $qualifier;
                }
            } elseif ($modifier === 'less' && $this->takeColon()) {
                $branch = $this->value('a narrower heading, as in /less:"Overtime",');
                if ($branch !== null) {
                    $less[] = $branch;
                }
            } else {
                $this->problem(
                    ProblemKind::UnknownModifier,
                    $token->span,
                    'a heading takes /narrower, /less:"branch", /major and /q:"qualifier".',
                );
            }
        }

        if ($less !== [] && ! $narrower) {
            $this->problem(
                ProblemKind::Misplaced,
                new Span($this->lastEnd(), $this->lastEnd()),
                '/less leaves a branch out of the narrower headings, so it needs /narrower.',
            );
        }

        return $label === null ? new Missing() : new Heading($label, $narrower, $major, $qualifiers, $less);
    }

    private function takeColon(): bool
    {
        $isColon = $this->peek()->kind === TokenKind::Colon;
        $this->at += $isColon ? 1 : 0;

        return $isColon;
    }

    private function value(string $expected): ?string
    {
        $token = $this->peek();
        if (in_array($token->kind, [TokenKind::Word, TokenKind::Quoted], true)) {
            $this->at++;
            $value = trim((string) preg_replace('/\s+/u', ' ', $token->text));
            if ($value !== '') {
                return $value;
            }
        }
        if ($token->kind === TokenKind::UnclosedQuoted) {
            $this->unclosedPhrase($this->next());

            return null;
        }
        $this->problem(ProblemKind::MissingOperand, $token->span, "{$expected} was expected here.");

        return null;
    }

    private function limit(LimitKind $kind, Token $name): Node
    {
        $token = $this->peek();
        $value = $this->value(
            $kind === LimitKind::Year
                ? 'a year or a range, as in year:2005-2024,'
                : "a value, as in {$kind->value}:english,",
        );
        if ($value === null) {
            return new Missing();
        }
        if ($kind !== LimitKind::Year) {
            return Limit::to($kind, $value);
        }
        if (
            preg_match('/^(?:(\d{4})|(\d{4})?-(\d{4})?)$/', $value, $m, PREG_UNMATCHED_AS_NULL) === 1 &&
            $value !== '-'
        ) {
            $from = isset($m[1]) ? (int) $m[1] : (isset($m[2]) ? (int) $m[2] : null);
            $to = isset($m[1]) ? (int) $m[1] : (isset($m[3]) ? (int) $m[3] : null);
            if ($from === null || $to === null || $from <= $to) {
                return Limit::years($from, $to);
            }
        }
        $this->problem(
            ProblemKind::BadYear,
            new Span($name->span->start, $token->span->end),
            'years are written year:2010, year:2005-2024, year:2005- or year:-2024, the earlier one first.',
        );

        return new Missing();
    }

    private function line(Token $token): Node
    {
        return $this->checkedLines([[(int) $token->text, (int) $token->text]], null, $token->span);
    }

    private function lines(Token $name, Operator $join): Node
    {
        $this->at++;
        $ranges = [];
        do {
            $from = $this->peek();
            if ($from->kind !== TokenKind::Line) {
                $this->problem(ProblemKind::BadLine, $from->span, 'a line number such as #3 was expected here.');
                $this->skipTo(TokenKind::Close);
                break;
            }
            $this->at++;
            $range = [(int) $from->text, (int) $from->text];
            if (
                $this->peek()->kind === TokenKind::Word &&
                $this->peek()->text === '-' &&
                $this->peek(1)->kind === TokenKind::Line
            ) {
                $this->at++;
                $range[1] = (int) $this->next()->text;
            }
            $ranges[] = $range;
            $more = $this->peek()->kind === TokenKind::Comma;
            $this->at += $more ? 1 : 0;
        } while ($more);
        if ($this->peek()->kind === TokenKind::Close) {
            $this->at++;
        } else {
            $this->problem(ProblemKind::UnclosedBracket, $name->span, 'this list of lines is never closed.');
        }

        return $ranges === [] ? new Missing() : $this->checkedLines($ranges, $join, $name->span);
    }

    private function skipTo(TokenKind $kind): void
    {
        while ($this->peek()->kind !== $kind && $this->peek()->kind !== TokenKind::End) {
            $this->at++;
        }
    }

    /** @param  non-empty-list<array{int, int}>  $ranges */
    private function checkedLines(array $ranges, ?Operator $join, Span $span): Node
    {
        foreach ($ranges as [$from, $to]) {
            if ($from < 1 || $to < $from || $to > 9999) {
                $this->problem(ProblemKind::BadLine, $span, 'lines are numbered from #1, and a range goes upwards.');

                return new Missing();
            }
        }

        return new LineReference($ranges, $join);
    }

    private function problem(ProblemKind $kind, Span $span, string $text): void
    {
        $this->kindsSeen[$kind->value] = true;
        if (count($this->problems) < self::MOST_PROBLEMS) {
            $this->problems[] = new Problem($kind, $span, $text);
        }
    }

    private function has(ProblemKind $kind): bool
    {
        return isset($this->kindsSeen[$kind->value]);
    }

    private function peek(int $ahead = 0): Token
    {
        return $this->tokens[min($this->at + $ahead, count($this->tokens) - 1)];
    }

    private function next(): Token
    {
        $token = $this->peek();
        $this->at = min($this->at + 1, count($this->tokens) - 1);

        return $token;
    }

    private function lastEnd(): int
    {
        return $this->tokens[max(0, $this->at - 1)]->span->end;
    }
}
