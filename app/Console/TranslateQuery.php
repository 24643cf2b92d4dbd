<?php

declare(strict_types=1);

namespace App\Console;

use Symfony\Component\Console\Output\OutputInterface;
use WaryHeron\Core\Search\Dialect\Ccl\CclParser;
use WaryHeron\Core\Search\Dialect\Ccl\CclProblem;
use WaryHeron\Core\Search\Dialect\Cql\CqlParser;
use WaryHeron\Core\Search\Dialect\Cql\CqlProblem;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Query\Tree;

/** Parses a query and prints it in a dialect, or as a tree; translation notes go to standard error. */
final class TranslateQuery extends PureCommand
{
    protected $signature = 'heron:query {text} {--from=heron : heron, cql or ccl} {--to= : heron, cql, ccl or fen} {--tree : print the tree as JSON}';

    protected $description = 'Parse a query and print it';

    protected function work(): int
    {
        $dialect = Dialects::named($this->text('to'));
        if ($dialect === null && $this->option('tree') !== true) {
            return $this->unusable(
                'Say what to print with --to='.implode(', --to=', Dialects::NAMES).' or --tree.',
            );
        }
        $tree = match ($this->text('from')) {
            'heron' => $this->heron(),
            'cql' => $this->cql(),
            'ccl' => $this->ccl(),
            default => null,
        };
        if ($tree === null) {
            if (! in_array($this->text('from'), ['heron', 'cql', 'ccl'], true)) {
                $this->say('Queries are read --from=heron, --from=cql or --from=ccl.');
            }

            return self::UNUSABLE;
        }
        if ($dialect === null) {
            $this->output->writeln(
                json_encode(Tree::of($tree), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
                OutputInterface::OUTPUT_RAW,
            );

            return self::SUCCESS;
        }
        $compiled = Printer::print($tree, $dialect);
        foreach ($compiled->notes as $note) {
            $this->say($note->message());
        }
        $this->output->writeln($compiled->text, OutputInterface::OUTPUT_RAW);

        return $compiled->isUsable() ? self::SUCCESS : self::FAILURE;
    }

    private function heron(): ?Node
    {
        $parsed = Parser::parse($this->text('text'));
        foreach ($parsed->problems as $problem) {
            $this->say($problem->message());
        }

        return $parsed->isComplete() ? $parsed->root : null;
    }

    private function cql(): ?Node
    {
        try {
            return CqlParser::parse($this->text('text'), Dialects::cql());
        } catch (CqlProblem $problem) {
            $this->say($problem->getMessage());

            return null;
        }
    }

    private function ccl(): ?Node
    {
        try {
            return CclParser::parse(
                $this->text('text'),
                Dialects::named('ccl') ?? throw new \LogicException('It ships.'),
            );
        } catch (CclProblem $problem) {
            $this->say($problem->getMessage());

            return null;
        }
    }
}
