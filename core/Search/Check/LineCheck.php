<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Check;

use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Strategy\MixedOperators;
use WaryHeron\Core\Search\Strategy\Strategy;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** Lines that nothing uses, and lines that people read in different ways. */
final class LineCheck
{
    /** @return \Generator<int, Finding> */
    public static function of(Strategy $strategy): \Generator
    {
        $result = $strategy->resultNumber();
        foreach ($strategy->lines as $i => $line) {
            $number = $i + 1;
            if (! $line->isBlank() && $number !== $result && $strategy->usersOf($number) === []) {
                yield new Finding(
                    "unused/{$line->text}",
                    'never used',
                    "Line #{$number} (“{$line->text}”) is used by no other line and is not the result.",
                    $line->id,
                    Remedy::removeLine($line->id),
                );
            }
            if (! $line->isBlank() && MixedOperators::in($line->text)) {
                yield self::mixed($line, $number);
            }
        }
    }

    private static function mixed(StrategyLine $line, int $number): Finding
    {
        $parsed = $line->parsed();

        return new Finding(
            "mixed/{$line->text}",
            'AND and OR mixed',
            "Line #{$number} has AND and OR side by side without brackets. It is read with AND first here; write brackets, so that everybody reads it alike.",
            $line->id,
            $parsed->isComplete()
                ? Remedy::write($line->id, self::bracketed($parsed->root), 'Write the brackets')
                : null,
        );
    }

    /** As it is read here, with the brackets that make everybody read it so. */
    private static function bracketed(Node $root): string
    {
        if (! ($root instanceof Operation)) {
            return Printer::print($root, Dialects::heron())->text;
        }
        $operands = array_map(
            fn (Node $one): string => $one instanceof Operation
                ? '('.self::bracketed($one).')'
                : self::bracketed($one),
            $root->operands,
        );

        return implode(' '.strtoupper($root->operator->value).' ', $operands);
    }
}
