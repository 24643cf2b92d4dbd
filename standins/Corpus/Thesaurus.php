<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Corpus;

/** A stand-in's thesaurus, read from its text file: each heading has a number, in the order of the file from 1. */
final class Thesaurus
{
    /** @var array<int, string> */
    public array $labels = [];

    /** @var array<int, list<string>> */
    public array $alternatives = [];

    /** @var array<int, string> */
    public array $notes = [];

    /** @var array<int, list<int>> numbers right above */
    public array $above = [];

    /** @var array<int, list<int>> numbers of headings that are near in sense, though of another branch */
    public array $related = [];

    /** @var array<string, int> by label in lower case */
    private array $numbers = [];

    /** @var array<string, int> by any name in lower case, the preferred ones first */
    private array $names = [];

    public function __construct(string $file)
    {
        $open = [];
        foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            if (str_starts_with($line, '#')) {
                continue;
            }
            if (str_starts_with($line, '~ ')) {
                $this->relate(...explode(' ; ', substr($line, 2)));

                continue;
            }
            preg_match('/^( *)([^;|]+?)(?: ; ([^|]+?))?(?: \| (.+))?$/', $line, $part, PREG_UNMATCHED_AS_NULL) === 1 ||
                throw new \LogicException("{$file}: {$line}");
            $depth = intdiv(strlen((string) $part[1]), 2);
            $label = (string) $part[2];
            $number = $this->numbers[mb_strtolower($label)] ??= count($this->numbers) + 1;
            $this->labels[$number] = $label;
            if (isset($part[3])) {
                $this->alternatives[$number] = explode(', ', $part[3]);
            }
            if (isset($part[4])) {
                $this->notes[$number] = $part[4];
            }
            $this->above[$number] ??= [];
            if ($depth > 0) {
                $this->above[$number][] = $open[$depth - 1];
            }
            $open[$depth] = $number;
        }
        $this->names = $this->numbers;
        foreach ($this->alternatives as $number => $names) {
            foreach ($names as $name) {
                $this->names[mb_strtolower($name)] ??= $number;
            }
        }
    }

    private function relate(string $one, string $other): void
    {
        $numbers = [
            $this->numberOf($one) ?? throw new \LogicException("No heading {$one}"),
            $this->numberOf($other) ?? throw new \LogicException("No heading {$other}"),
        ];
        $this->related[$numbers[0]][] = $numbers[1];
        $this->related[$numbers[1]][] = $numbers[0];
    }

    public function numberOf(string $label): ?int
    {
        return $this->numbers[mb_strtolower($label)] ?? null;
    }

    /** By a preferred or another name. */
    public function named(string $name): ?int
    {
        return $this->names[mb_strtolower($name)] ?? null;
    }

    /** @return array<string, int> every name in lower case with its heading */
    public function names(): array
    {
        return $this->names;
    }

    /**
     * The headings and everything above them, so that a broad heading finds the narrow ones.
     *
     * @param  list<int>  $numbers
     * @return list<int>
     */
    public function closure(array $numbers): array
    {
        $all = [];
        while ($numbers !== []) {
            $number = array_pop($numbers);
            if (! isset($all[$number])) {
                $all[$number] = true;
                array_push($numbers, ...$this->above[$number]);
            }
        }

        return array_keys($all);
    }

    /** @return list<int> numbers of the tops above a heading */
    public function tops(int $number): array
    {
        return array_values(array_filter($this->closure([$number]), fn (int $one): bool => $this->above[$one] === []));
    }
}
