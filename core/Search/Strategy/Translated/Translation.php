<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy\Translated;

use WaryHeron\Core\Search\Dialect\Compiled;
use WaryHeron\Core\Search\Dialect\Dialect;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\LineReference;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Strategy;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** A strategy compiled into one database's dialect and thesaurus. */
final readonly class Translation
{
    /** @param  ?TargetHeadings  $headings  null where the database has no thesaurus that we know */
    public function __construct(private Dialect $dialect, private ?TargetHeadings $headings)
    {
    }

    /** One query, without line references. Its text is empty where nothing of it can be said there. */
    public function query(Node $node): Compiled
    {
        $said = $this->said($node);
        if ($said->node === null) {
            return new Compiled('', [
                ...$said->notes,
                TranslationNote::lost('This line', 'nothing of it can be searched here'),
            ]);
        }
        $compiled = Printer::print($said->node, $this->dialect);

        return new Compiled($compiled->text, [...$said->notes, ...$compiled->notes]);
    }

    /**
     * Line by line: with line numbers where the dialect has them, else each line written out.
     *
     * @return list<TranslatedLine>
     */
    public function lines(Strategy $strategy): array
    {
        $numbers = [];
        $lines = [];
        foreach ($strategy->lines as $i => $line) {
            $lines[] = $this->line($strategy, $i + 1, $line, $numbers);
        }

        return $lines;
    }

    /** @param  array<int, int>  $numbers  numbers there by number here, of the lines that can be said there */
    private function line(Strategy $strategy, int $number, StrategyLine $line, array &$numbers): TranslatedLine
    {
        if ($line->isBlank()) {
            return new TranslatedLine($line, null, '', []);
        }
        try {
            $writtenOut = $strategy->writtenOut($number);
        } catch (BadStrategy $problem) {
            return new TranslatedLine($line, null, '', [], $problem->getMessage());
        }
        $whole = $this->query($writtenOut);
        if ($this->dialect->data['lines'] === null || $whole->text === '') {
            // what a line takes from others is noted at those
            return new TranslatedLine(
                $line,
                null,
                $whole->text,
                $line->refersTo() === [] || $whole->text === '' ? $whole->notes : $this->ownNotes($line),
            );
        }
        $root = self::renumbered($line->parsed()->root, $numbers);
        $said = $root === null ? new TranslatedNode(null) : $this->said($root);
        if ($said->node === null) {
            return new TranslatedLine($line, null, '', $said->notes);
        }
        $compiled = Printer::print($said->node, $this->dialect);
        $numbers[$number] = count($numbers) + 1;

        return new TranslatedLine($line, $numbers[$number], $compiled->text, [...$said->notes, ...$compiled->notes]);
    }

    /** @return list<TranslationNote> */
    private function ownNotes(StrategyLine $line): array
    {
        $said = $this->said($line->parsed()->root);
        $printed = $said->node === null ? [] : Printer::print($said->node, $this->dialect)->notes;
        $all = [...$said->notes, ...$printed];

        return array_values(array_filter($all, fn (TranslationNote $note): bool => ! $note->lost));
    }

    private function said(Node $node): TranslatedNode
    {
        if ($this->headings === null || $this->dialect->data['heading'] === null) {
            return new TranslatedNode($node);
        }

        return HeadingTranslation::of($node, $this->headings);
    }

    /**
     * References to lines that cannot be said there fall away, as in the line written out.
     *
     * @param  array<int, int>  $numbers
     */
    private static function renumbered(Node $node, array $numbers): ?Node
    {
        if ($node instanceof LineReference) {
            $known = array_values(
                array_filter(array_map(fn (int $line): ?int => $numbers[$line] ?? null, $node->lines()), is_int(...)),
            );
            if ($known === [] || ($node->join === Operator::And && count($known) < count($node->lines()))) {
                return null;
            }

            return new LineReference(
                array_map(fn (int $line): array => [$line, $line], $known),
                count($known) === 1 ? null : $node->join,
            );
        }
        if (! ($node instanceof Operation)) {
            return $node;
        }
        $kept = [];
        foreach ($node->operands as $i => $operand) {
            $one = self::renumbered($operand, $numbers);
            if (
                $one === null &&
                ($node->operator === Operator::And || ($node->operator === Operator::Not && $i === 0))
            ) {
                return null;
            }
            $one === null || ($kept[] = $one);
        }

        return count($kept) < 2 ? $kept[0] ?? null : new Operation($node->operator, $kept);
    }

    /** @return list<Heading> every heading in the query */
    public static function headingsOf(Node $node): array
    {
        return match (true) {
            $node instanceof Heading => [$node],
            $node instanceof Operation => array_merge(...array_map(self::headingsOf(...), $node->operands)),
            default => [],
        };
    }
}
