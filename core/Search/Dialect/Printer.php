<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect;

use WaryHeron\Core\Search\Query\Field;
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
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Text\Mask;

/** Prints a query in a dialect, with a note for everything the dialect cannot say. Brackets are its business alone. */
final class Printer
{
    private const NO_NARROWER = 'narrower headings are not included here, which finds less; add them by name';

    private const NO_MAJOR = 'major topics are not marked here; searched in all topics, which finds more';

    /** @var list<TranslationNote> */
    private array $notes = [];

    /** @var list<Field> the fields that a term takes on itself where the dialect cannot give them to a group */
    private array $fields = [];

    private function __construct(private readonly Dialect $dialect)
    {
    }

    public static function print(Node $node, Dialect $dialect): Compiled
    {
        $printer = new self($dialect);
        $text = $printer->node($node, Printed::LOOSEST);
        $longest = $dialect->data['longest'];
        if ($longest !== null && mb_strlen($text) > $longest) {
            $printer->notes[] = TranslationNote::lost(
                'The whole query',
                'it is '.
                    number_format(mb_strlen($text)).
                    ' characters long, and this database takes '.
                    number_format($longest).
                    ' at most; run it in parts',
            );
        }

        return new Compiled($text, $printer->notes);
    }

    /**
     * Every group inside another is bracketed, whatever the dialect's own precedence: what is copied elsewhere finds
     * the same there.
     */
    private function node(Node $node, int $around): string
    {
        $printed = match (true) {
            $node instanceof Operation => $this->operation($node),
            $node instanceof Near => $this->near($node),
            $node instanceof Fielded => $this->fielded($node),
            $node instanceof Word => $this->term($this->wordText($node)),
            $node instanceof Phrase => $this->term($this->phraseText($node)),
            $node instanceof Heading => new Printed($this->heading($node)),
            $node instanceof Limit => new Printed($this->limit($node)),
            $node instanceof LineReference => $this->lines($node),
            $node instanceof Missing => throw new \LogicException('A query with a gap cannot be printed.'),
        };

        return $printed->within($around);
    }

    private function operation(Operation $node): Printed
    {
        $binds = $this->binds($node->operator);
        $operands = [];
        $kept = $this->withoutUnknownLimits($node);
        if (count($kept) === 1) {
            return $this->loosely($kept[0]);
        }
        foreach ($kept as $operand) {
            $operands[] = $this->node($operand, $binds + 1);
        }

        return $this->joined($node->operator, $operands, $binds);
    }

    /**
     * A limit that the database lacks comes off with a note, so that the rest can be sent.
     *
     * @return non-empty-list<Node>
     */
    private function withoutUnknownLimits(Operation $node): array
    {
        $kept = [];
        foreach ($node->operands as $i => $operand) {
            $isUnknown = $operand instanceof Limit && ! $this->dialect->has($operand->kind);
            if ($isUnknown && $node->operator !== Operator::Or && ($node->operator === Operator::And || $i > 0)) {
                $this->notes[] = TranslationNote::changed(
                    $this->inOurWords($operand),
                    'this database has no such limit; it is left off, which finds more',
                );
            } else {
                $kept[] = $operand;
            }
        }

        return $kept === [] ? [$node->operands[0]] : $kept;
    }

    private function binds(Operator $operator): int
    {
        return $this->dialect->readsLeftToRight()
            ? 1
            : match ($operator) {
                Operator::Or => 1,
                Operator::And => 2,
                Operator::Not => 3,
            };
    }

    private function near(Near $node): Printed
    {
        $proximity = $this->dialect->data['proximity'];
        if ($proximity === null) {
            $this->notes[] = TranslationNote::changed(
                $this->inOurWords($node),
                'no distance in this dialect; searched as AND, which finds more',
            );

            return $this->operation(new Operation(Operator::And, [$node->left, $node->right]));
        }
        if (count($this->fields) > 1 && $this->dialect->data['fieldScope'] === 'term') {
            return $this->eachField($node);
        }
        $distance = $this->distance($node, $proximity['furthest']);
        $binds = $proximity['binds'] === 'as-boolean' ? 1 : 4;
        $text = strtr($proximity['form'], [
            '{left}' => $this->node($node->left, $binds + 1),
            '{right}' => $this->node($node->right, $binds + 1),
            '{distance}' => (string) $distance,
        ]);

        return new Printed($text, $binds);
    }

    private function distance(Near $node, int $furthest): int
    {
        if ($node->distance > $furthest) {
            $this->notes[] = TranslationNote::changed(
                $this->inOurWords($node),
                "the distance goes to {$furthest} at most here, which finds less",
            );
        }

        return min($node->distance, $furthest);
    }

    private function fielded(Fielded $node): Printed
    {
        $outer = $this->fields;
        if ($this->dialect->data['fieldScope'] === 'term') {
            $this->fields = $node->fields;
            $printed = $this->loosely($node->inner);
            $this->fields = $outer;

            return $printed;
        }
        $names = array_map(fn (Field $field): string => $this->dialect->field($field) ?? $field->value, $node->fields);
        $text = strtr($this->dialect->data['fieldForm'], [
            '{fields}' => implode($this->dialect->data['fieldJoin'] ?? ',', $names),
            '{text}' => $this->node($node->inner, Printed::ATOM),
        ]);

        return new Printed($text);
    }

    private function loosely(Node $node): Printed
    {
        return match (true) {
            $node instanceof Operation => $this->operation($node),
            $node instanceof Near => $this->near($node),
            $node instanceof Fielded => $this->fielded($node),
            $node instanceof LineReference => $this->lines($node),
            default => new Printed(
                $this->node($node, Printed::LOOSEST),
                $this->fieldsOfTerm($node) > 1 ? 1 : Printed::ATOM,
            ),
        };
    }

    private function fieldsOfTerm(Node $node): int
    {
        return $node instanceof Word || $node instanceof Phrase ? count($this->fields) : 1;
    }

    private function term(string $text): Printed
    {
        if ($this->fields === []) {
            return new Printed($text);
        }
        $clause = fn (Field $field): string => $this->clause($field, $text);
        $clauses = array_values(array_unique(array_map($clause, $this->fields)));

        return $this->joined(Operator::Or, $clauses, count($clauses) > 1 ? $this->binds(Operator::Or) : Printed::ATOM);
    }

    private function clause(Field $field, string $text): string
    {
        $name = $this->dialect->field($field);
        if ($name === null) {
            $this->notes[] = TranslationNote::changed(
                "{$field->value}:{$text}",
                'no such field here; searched in the default fields, which finds more',
            );
        }

        return $name === null ? $text : strtr($this->dialect->data['fieldForm'], ['{field}' => $name, '{text}' => $text]);
    }

    private function eachField(Near $node): Printed
    {
        $outer = $this->fields;
        $clauses = [];
        foreach ($outer as $field) {
            $this->fields = [$field];
            $clauses[] = $this->node($node, 2);
        }
        $this->fields = $outer;

        return $this->joined(Operator::Or, $clauses, $this->binds(Operator::Or));
    }

    private function wordText(Word $word): string
    {
        $text = $this->masked($word);
        $bare = str_replace(str_split(Mask::SIGNS), '', $word->text);

        return preg_match($this->dialect->data['plainWord'], $bare) === 1 ? $text : $this->quoted($text);
    }

    private function phraseText(Phrase $phrase): string
    {
        return $this->quoted(implode(' ', array_map($this->masked(...), $phrase->words)));
    }

    private function masked(Word $word): string
    {
        return $word->isMasked() ? $this->withMasks($word) : $this->escaped($word->text).$this->ending($word);
    }

    /** The sign for any ending, where the word asks for one and there is one. */
    private function ending(Word $word): string
    {
        if (! $word->truncated) {
            return '';
        }
        $truncation = $this->dialect->data['truncation'];
        if ($truncation === null) {
            $this->notes[] = TranslationNote::changed(
                "{$word->text}*",
                'no truncation here; searched as the bare word, which finds less; write the endings out',
            );

            return '';
        }
        if (mb_strlen($word->text) < $truncation['minimumStem']) {
            $this->notes[] = TranslationNote::changed(
                "{$word->text}*",
                "at least {$truncation['minimumStem']} letters are needed before the sign here; searched as the bare word, which finds less; write the endings out",
            );

            return '';
        }

        return $truncation['sign'];
    }

    /**
     * Letters with the signs that stand for letters here; what has no sign is said by a wider one, by the ending, or
     * not at all.
     */
    private function withMasks(Word $word): string
    {
        $signs = $this->dialect->data['masking'] ?? [];
        $any = $signs['any'] ?? null;
        $own = [Mask::ANY => $any, Mask::ONE => $signs['one'] ?? $any, Mask::MAYBE => $signs['maybe'] ?? $any];
        $shown = $word->text.($word->truncated ? '*' : '');
        $used = array_filter(array_keys($own), fn (string $mask): bool => str_contains($word->text, $mask));
        if (array_filter($used, fn (string $mask): bool => $own[$mask] === null) !== []) {
            return $this->cutAtMask($word, $shown);
        }
        $this->noteWider(in_array(Mask::ONE, $used, true) && ! isset($signs['one']), $shown, 'one letter');
        $this->noteWider(in_array(Mask::MAYBE, $used, true) && ! isset($signs['maybe']), $shown, 'one letter or none');
        $pieces = preg_split('/([*?~])/', $word->text, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [];

        return implode('', array_map(fn (string $piece): string => $own[$piece] ?? $this->escaped($piece), $pieces)).
            $this->ending($word);
    }

    private function noteWider(bool $isWider, string $shown, string $what): void
    {
        if ($isWider) {
            $this->notes[] = TranslationNote::changed(
                $shown,
                "no sign for {$what} here; searched with the sign for any number of letters, which finds more",
            );
        }
    }

    private function cutAtMask(Word $word, string $shown): string
    {
        $beginning = Mask::beginning($word->text);
        $truncation = $this->dialect->data['truncation'];
        if ($truncation !== null && mb_strlen($beginning) >= $truncation['minimumStem']) {
            $this->notes[] = TranslationNote::changed(
                $shown,
                "no sign for letters within a word here; searched as “{$beginning}{$truncation['sign']}”, which finds more",
            );

            return $this->escaped($beginning).$truncation['sign'];
        }
        $this->notes[] = TranslationNote::lost(
            $shown,
            'no sign for letters within a word here, and too few letters before it; write the spellings out',
        );

        return $this->escaped(str_replace(str_split(Mask::SIGNS), '', $word->text));
    }

    private function escaped(string $text): string
    {
        $escape = $this->dialect->data['escape'];

        return $escape === null
            ? str_replace(['"', ...$this->marks()], '', $text)
            : addcslashes($text, $this->dialect->data['escaped'] ?? '');
    }

    private function quoted(string $text): string
    {
        [$open, $close] = $this->marks();

        return $open.$text.$close;
    }

    /** @return non-empty-list<string> quotation marks */
    private function marks(): array
    {
        return $this->dialect->data['quote'] ?? ['"', '"'];
    }

    private function value(string $value): string
    {
        return preg_match($this->dialect->data['plainWord'], $value) === 1
            ? $this->escaped($value)
            : $this->quoted($this->escaped($value));
    }

    private function heading(Heading $node): string
    {
        $forms = $this->dialect->data['heading'];
        if ($forms === null) {
            $this->notes[] = TranslationNote::changed(
                $this->inOurWords($node),
                'no headings here; searched as a phrase',
            );
            $words = array_values(array_filter(explode(' ', $node->label))) ?: [$node->label];

            return $this->node(new Phrase(array_map(fn (string $w): Word => new Word($w), $words)), Printed::ATOM);
        }

        return strtr($forms['form'], [
            '{modifiers}' => $this->modifiers($node, $forms),
            '{label}' => $this->quoted($this->escaped($node->label)),
        ]);
    }

    /** @param  array<string, mixed>  $forms */
    private function modifiers(Heading $node, array $forms): string
    {
        $name = fn (string $text): string => $this->quoted($this->escaped($text));
        $written = $node->narrower ? $this->modifier($node, $forms, 'narrower', [], self::NO_NARROWER) : '';
        $written .= $node->major ? $this->modifier($node, $forms, 'major', [], self::NO_MAJOR) : '';
        foreach ($node->less as $branch) {
            $lost = "the branch “{$branch}” cannot be left out here, which finds more";
            $written .= $this->modifier($node, $forms, 'less', ['{label}' => $name($branch)], $lost);
        }
        foreach ($node->qualifiers as $qualifier) {
            $with = ['{qualifier}' => $name($qualifier)];
            $written .= $this->modifier($node, $forms, 'qualifier', $with, 'no qualifiers here; left out, which finds more');
        }

        return $written;
    }

    /**
     * @param  array<string, mixed>  $forms
     * @param  array<string, string>  $with
     * @param  string  $lost  what is said where the dialect has no form for it
     */
    private function modifier(Heading $node, array $forms, string $which, array $with, string $lost): string
    {
        $form = $forms[$which] ?? null;
        if (! is_string($form)) {
            $this->notes[] = TranslationNote::changed($this->inOurWords($node), $lost);

            return '';
        }

        return strtr($form, $with);
    }

    private function limit(Limit $node): string
    {
        $form = $this->dialect->data['limits'][$node->kind->value] ?? null;
        if ($form === null) {
            $this->notes[] = TranslationNote::lost(
                $this->inOurWords($node),
                'this database has no such limit; take it off here',
            );

            return '';
        }
        if (is_string($form)) {
            return strtr($form, ['{value}' => $this->value((string) $node->value)]);
        }
        $which = match (true) {
            $node->from === null => 'to',
            $node->to === null => 'from',
            $node->from === $node->to => 'one',
            default => 'between',
        };

        return strtr($form[$which], ['{from}' => (string) $node->from, '{to}' => (string) $node->to]);
    }

    private function lines(LineReference $node): Printed
    {
        $forms = $this->dialect->data['lines'];
        if ($forms === null) {
            $this->notes[] = TranslationNote::lost(
                $this->inOurWords($node),
                'this dialect has no line numbers; the lines have to be written out',
            );

            return new Printed('');
        }
        if ($node->join === null) {
            return new Printed(strtr($forms['one'], ['{line}' => (string) $node->ranges[0][0]]));
        }
        $list = $forms[$node->join === Operator::Or ? 'any' : 'all'] ?? null;
        if ($list === null) {
            $numbers = self::oneByOne($node->lines(), $forms['one']);

            return $this->joined(
                $node->join,
                $numbers,
                count($numbers) === 1 ? Printed::ATOM : $this->binds($node->join),
            );
        }

        return new Printed(strtr($list, ['{lines}' => implode(',', self::ranges($node, $forms))]));
    }

    /**
     * @param  array<string, ?string>  $forms
     * @return list<string>
     */
    private static function ranges(LineReference $node, array $forms): array
    {
        $ranges = [];
        foreach ($node->ranges as [$from, $to]) {
            $range = $from === $to ? null : $forms['range'] ?? null;
            $written = $range === null
                ? self::oneByOne(range($from, $to), (string) $forms['one'])
                : [strtr($range, ['{from}' => (string) $from, '{to}' => (string) $to])];
            array_push($ranges, ...$written);
        }

        return $ranges;
    }

    /**
     * @param  list<int>  $lines
     * @return list<string>
     */
    private static function oneByOne(array $lines, string $form): array
    {
        return array_map(fn (int $line): string => strtr($form, ['{line}' => (string) $line]), $lines);
    }

    /** @param  list<string>  $parts */
    private function joined(Operator $operator, array $parts, int $binds): Printed
    {
        return new Printed(implode(" {$this->dialect->data['boolean'][$operator->value]} ", $parts), $binds);
    }

    private function inOurWords(Node $node): string
    {
        return $this->dialect->name() === 'heron' ? '' : self::print($node, Dialects::heron())->text;
    }
}
