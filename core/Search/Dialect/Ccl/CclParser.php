<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect\Ccl;

use WaryHeron\Core\Search\Dialect\Dialect;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\LimitKind;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Limit;
use WaryHeron\Core\Search\Query\Node\LineReference;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Text\Mask;
use WaryHeron\Core\Text\Words;

/**
 * Reads the FIND command of a command language in the style of ISO 8777 into the same tree as our own language.
 *
 * AND, OR and NOT are of equal strength and read from the left; %n (in either order, at most n apart) binds tightest;
 * S1 is an earlier set. The notation of fields, headings, limits and truncation is that of the dialect's file.
 */
final class CclParser
{
    public const LONGEST = 100_000;

    private const DEEPEST = 60;

    /** @var list<CclToken> */
    private array $tokens = [];

    private int $at = 0;

    private int $depth = 0;

    private bool $insideField = false;

    private readonly string $mask;

    private function __construct(private readonly Dialect $dialect)
    {
        $this->mask = $dialect->data['truncation']['sign'] ?? '';
    }

    /** @throws CclProblem */
    public static function parse(string $text, Dialect $dialect): Node
    {
        if (strlen($text) > self::LONGEST) {
            throw new CclProblem('the command is longer than '.number_format(self::LONGEST).' bytes.', 1);
        }
        $parser = new self($dialect);
        $parser->read(mb_scrub($text, 'UTF-8'));
        if ($parser->isWord('find') || $parser->isWord('f')) {
            $parser->at++;
        }
        $node = $parser->query();
        $token = $parser->peek();
        if ($token->kind !== 'end') {
            throw new CclProblem(
                $token->kind === ')'
                    ? 'this closing bracket has no opening one.'
                    : "AND, OR or NOT was expected before “{$token->text}”.",
                $token->column,
            );
        }

        return $node;
    }

    private function read(string $text): void
    {
        $offset = 0;
        $column = 1;
        while ($offset < strlen($text)) {
            if (
                preg_match(
                    '~\G(?:(\s+)|"([^"]*)"|%(\d*)|([()=,])|([^\s()=,%"]+))~u',
                    $text,
                    $match,
                    PREG_UNMATCHED_AS_NULL,
                    $offset,
                ) !== 1
            ) {
                throw new CclProblem('this quotation mark is never closed.', $column);
            }
            if (isset($match[2])) {
                $this->tokens[] = new CclToken('quoted', $match[2], $column);
            } elseif (isset($match[3])) {
                $this->tokens[] = new CclToken('%', $match[3], $column);
            } elseif (isset($match[4])) {
                $this->tokens[] = new CclToken($match[4], $match[4], $column);
            } elseif (isset($match[5])) {
                $this->tokens[] = new CclToken('word', $match[5], $column);
            }
            $offset += strlen((string) $match[0]);
            $column += mb_strlen((string) $match[0]);
        }
        $this->tokens[] = new CclToken('end', '', $column);
    }

    private function query(): Node
    {
        $left = $this->near();
        $open = null;
        while (($operator = $this->operator()) !== null) {
            $this->at++;
            $right = $this->near();
            $left =
                $open === $operator && $left instanceof Operation
                    ? new Operation($operator, [...$left->operands, $right])
                    : new Operation($operator, [$left, $right]);
            $open = $operator;
        }

        return $left;
    }

    private function operator(): ?Operator
    {
        $token = $this->peek();

        return $token->kind === 'word' ? Operator::tryFrom(strtolower($token->text)) : null;
    }

    private function near(): Node
    {
        $left = $this->operand();
        while ($this->peek()->kind === '%') {
            $token = $this->next();
            $distance = $token->text === '' ? 1 : (int) $token->text;
            $furthest = $this->dialect->data['proximity']['furthest'] ?? 0;
            if ($distance < 1 || $distance > $furthest) {
                throw new CclProblem("the distance after % goes from 1 to {$furthest}.", $token->column);
            }
            $right = $this->operand();
            if (! self::canBeNear($left) || ! self::canBeNear($right)) {
                throw new CclProblem('% takes words, phrases and groups of them joined by OR.', $token->column);
            }
            $left = new Near($left, $right, $distance);
        }

        return $left;
    }

    private static function canBeNear(Node $node): bool
    {
        return match (true) {
            $node instanceof Word, $node instanceof Phrase, $node instanceof Near => true,
            $node instanceof Operation => $node->operator === Operator::Or &&
                array_filter($node->operands, fn (Node $n): bool => ! self::canBeNear($n)) === [],
            default => false,
        };
    }

    private function operand(): Node
    {
        $token = $this->next();
        if ($token->kind === '(') {
            return $this->group($token->column);
        }
        if ($token->kind === 'quoted') {
            return $this->phrase($token);
        }
        if ($token->kind !== 'word' || Operator::tryFrom(strtolower($token->text)) !== null) {
            $isEnd = $token->kind === 'end';
            $other = "a term was expected, not “{$token->text}”.";
            throw new CclProblem($isEnd ? 'the command ends where a term was expected.' : $other, $token->column);
        }
        if (preg_match('/^S(\d{1,4})$/i', $token->text, $set) === 1 && (int) $set[1] > 0) {
            return new LineReference([[(int) $set[1], (int) $set[1]]]);
        }
        if (in_array($this->peek()->kind, ['=', ','], true)) {
            return $this->qualified($token);
        }

        return $this->word($token->text, $token->column);
    }

    private function group(int $column): Node
    {
        if (++$this->depth > self::DEEPEST) {
            throw new CclProblem('brackets are nested deeper than '.self::DEEPEST.'.', $column);
        }
        $node = $this->query();
        if ($this->next()->kind !== ')') {
            throw new CclProblem('this bracket is never closed.', $column);
        }
        $this->depth--;

        return $node;
    }

    private function qualified(CclToken $first): Node
    {
        $names = [$first];
        while ($this->peek()->kind === ',') {
            $this->at++;
            $names[] = $this->next();
        }
        if ($this->next()->kind !== '=') {
            throw new CclProblem('an = was expected after the field.', $first->column);
        }
        if (count($names) === 1) {
            $special = $this->heading($first) ?? $this->limit($first);
            if ($special !== null) {
                return $special;
            }
        }
        $fields = [];
        foreach ($names as $name) {
            $field =
                $this->dialect->fieldNamed($name->text) ??
                throw new CclProblem(
                    "“{$name->text}” is no field here; fields are ".
                        implode(', ', $this->dialect->data['fields']).
                        '.',
                    $name->column,
                );
            in_array($field, $fields, true) || ($fields[] = $field);
        }
        [$outer, $this->insideField] = [$this->insideField, true];
        $inner = $this->operand();
        $this->insideField = $outer;

        /** @var non-empty-list<Field> $fields */
        return new Fielded($fields, $inner);
    }

    private function heading(CclToken $name): ?Heading
    {
        $forms = $this->dialect->data['heading'];
        $plain = $forms === null ? null : strstr($forms['form'], '{', true);
        if ($forms === null || ! is_string($plain) || strncasecmp($name->text, $plain, strlen($plain)) !== 0) {
            return null;
        }
        $rest = substr($name->text, strlen($plain));
        $isNarrower = $rest !== '' && strcasecmp($rest, (string) ($forms['narrower'] ?? '')) === 0;
        if ($rest !== '' && ! $isNarrower) {
            return null;
        }
        $this->refuseInField($name);

        return new Heading($this->value('a heading'), $isNarrower);
    }

    private function limit(CclToken $name): ?Limit
    {
        foreach ($this->dialect->data['limits'] as $kind => $form) {
            $sample = is_array($form) ? $form['one'] : $form;
            if (strcasecmp((string) strstr($sample, '=', true), $name->text) !== 0) {
                continue;
            }
            $this->refuseInField($name);
            $column = $this->peek()->column;
            $value = $this->value('a value');
            if ($kind !== LimitKind::Year->value) {
                return Limit::to(LimitKind::from((string) $kind), $value);
            }
            if (
                preg_match('/^(?:(\d{4})|(\d{4})?-(\d{4})?)$/', $value, $years, PREG_UNMATCHED_AS_NULL) !== 1 ||
                $value === '-'
            ) {
                throw new CclProblem('years are written 2010, 2005-2024, 2005- or -2024.', $column);
            }
            [$from, $to] = isset($years[1])
                ? [(int) $years[1], (int) $years[1]]
                : [isset($years[2]) ? (int) $years[2] : null, isset($years[3]) ? (int) $years[3] : null];
            if ($from !== null && $to !== null && $from > $to) {
                throw new CclProblem('the earlier year comes first.', $column);
            }

            return Limit::years($from, $to);
        }

        return null;
    }

    private function refuseInField(CclToken $name): void
    {
        if ($this->insideField) {
            throw new CclProblem('a heading or a limit cannot stand inside a field.', $name->column);
        }
    }

    private function value(string $what): string
    {
        $token = $this->next();
        $value = trim($token->text);
        if (! in_array($token->kind, ['word', 'quoted'], true) || $value === '') {
            throw new CclProblem("{$what} was expected here.", $token->column);
        }

        return (string) preg_replace('/\s+/u', ' ', $value);
    }

    private function phrase(CclToken $token): Phrase
    {
        $words = [];
        foreach (preg_split('/\s+/u', trim($token->text), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $typed) {
            if (Words::of($typed) !== []) {
                $words[] = $this->word($typed, $token->column);
            }
        }

        return $words === []
            ? throw new CclProblem('there is no word between these quotation marks.', $token->column)
            : new Phrase($words);
    }

    private function word(string $typed, int $column): Word
    {
        $stem =
            $this->mask !== '' && str_ends_with($typed, $this->mask) ? substr($typed, 0, -strlen($this->mask)) : $typed;
        $isCut = $stem !== $typed;
        $stem = $this->withOurMasks($stem, $column);
        $letters = mb_strlen(implode('', Words::of($stem)));
        if ($letters === 0) {
            throw new CclProblem("“{$typed}” has no letter or digit to search for.", $column);
        }
        $least = $this->dialect->data['truncation']['minimumStem'] ?? 0;
        if ($isCut && $letters < $least) {
            throw new CclProblem("at least {$least} letters are needed before {$this->mask}.", $column);
        }

        return new Word($stem, $isCut);
    }

    /** The word with our signs for the dialect's. */
    private function withOurMasks(string $word, int $column): string
    {
        $masking = array_filter($this->dialect->data['masking'] ?? []);
        $word = str_replace(array_diff(str_split(Mask::SIGNS), $masking, [$this->mask]), '', $word);
        if ($this->mask !== '' && ! in_array($this->mask, $masking, true) && str_contains($word, $this->mask)) {
            throw new CclProblem("{$this->mask} is understood at the end of a word only.", $column);
        }
        $ours = [];
        foreach (['one' => Mask::ONE, 'any' => Mask::ANY, 'maybe' => Mask::MAYBE] as $key => $mask) {
            $ours += isset($masking[$key]) ? [$masking[$key] => $mask] : [];
        }
        $word = strtr($word, $ours);
        if (Mask::isIn($word) && Mask::letters($word) < Mask::LETTERS) {
            throw new CclProblem(
                'at least '.Mask::LETTERS.' letters are needed beside signs that stand for letters.',
                $column,
            );
        }

        return $word;
    }

    private function isWord(string $word): bool
    {
        return $this->peek()->kind === 'word' &&
            strtolower($this->peek()->text) === $word &&
            ! in_array($this->peek(1)->kind, ['=', ',', 'end'], true);
    }

    private function peek(int $ahead = 0): CclToken
    {
        return $this->tokens[min($this->at + $ahead, count($this->tokens) - 1)];
    }

    private function next(): CclToken
    {
        $token = $this->peek();
        $this->at = min($this->at + 1, count($this->tokens) - 1);

        return $token;
    }
}
