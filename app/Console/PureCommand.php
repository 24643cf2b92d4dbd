<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Symfony\Component\Console\Exception\ExceptionInterface;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * A command that needs no database: results to standard output, messages to standard error, 2 where it cannot be used.
 */
abstract class PureCommand extends Command
{
    public const UNUSABLE = 2;

    private ?OutputInterface $messages = null;

    abstract protected function work(): int;

    public function run(InputInterface $input, OutputInterface $output): int
    {
        $this->messages = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        try {
            return parent::run($input, $output);
        } catch (ExceptionInterface $misused) {
            return $this->unusable($misused->getMessage());
        }
    }

    public function handle(): int
    {
        return $this->work();
    }

    protected function unusable(string $message): int
    {
        $this->say($message);

        return self::UNUSABLE;
    }

    /** As JSON with all digits. */
    protected function print(mixed $result): int
    {
        $flags = JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR;
        $this->output->writeln(json_encode($result, $flags), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    protected function say(string $message): void
    {
        $this->messages?->writeln($message, OutputInterface::OUTPUT_RAW);
    }

    protected function text(string $name): string
    {
        $given = $this->hasArgument($name) ? $this->argument($name) : $this->option($name);

        return is_string($given) ? $given : '';
    }
}
