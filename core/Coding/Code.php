<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

/** One item of the codebook: what is asked, and what an answer may be. */
final readonly class Code
{
    /** Between an option and a narrower one: “Ward › Emergency”. */
    public const NARROWER = ' › ';

    /**
     * @param  list<string>  $options for choices; empty for the other types
     * @param  ?float  $minimum  of a number; null for no bound
     */
    public function __construct(
        public CodeType $type,
        public array $options = [],
        public string $unit = '',
        public ?float $minimum = null,
        public ?float $maximum = null,
    ) {
    }

    /** @return list<string> what may be chosen; empty where nothing is */
    public function choosable(): array
    {
        return $this->type === CodeType::YesNo ? CodeType::YES_NO : $this->options;
    }

    /**
     * What a person gave, as the value to keep: a string, a number, a list of options, or a date as 2026-11-23; null
     * where nothing was given.
     *
     * @return string|int|float|list<string>|null
     *
     * @throws InvalidAnswer If it is not an answer to this item.
     */
    public function read(mixed $given): string|int|float|array|null
    {
        if ($given === null || $given === '' || $given === []) {
            return null;
        }
        if ($this->type === CodeType::Choices) {
            return $this->choices(is_array($given) ? $given : [$given]);
        }
        if (! is_scalar($given)) {
            throw InvalidAnswer::notOneValue();
        }
        $text = trim((string) $given);

        return $text === ''
            ? null
            : match ($this->type) {
                CodeType::Choice, CodeType::YesNo => $this->choices([$text])[0] ?? null,
                CodeType::Number => $this->bounded($this->number($text)),
                CodeType::Date => $this->date($text),
                CodeType::Text => $text,
            };
    }

    /**
     * For people: numbers with thousands separated, dates as 23 Nov 2026.
     *
     * @param  string|int|float|list<string|int|float>|null  $value  as read() gave it, or several such of parts of a study
     */
    public function show(string|int|float|array|null $value): string
    {
        $shown = match (true) {
            $value === null => '',
            is_array($value) => implode('; ', array_map(strval(...), $value)),
            is_int($value) => number_format($value),
            is_float($value) => rtrim(rtrim(number_format($value, 10), '0'), '.'),
            $this->type === CodeType::Date => (new \DateTimeImmutable($value))->format('j M Y'),
            default => $value,
        };

        return $shown !== '' && $this->unit !== '' && $this->type === CodeType::Number
            ? "{$shown} {$this->unit}"
            : $shown;
    }

    /**
     * @param  array<mixed>  $given
     * @return list<string> in the codebook's order
     */
    private function choices(array $given): array
    {
        $options = $this->choosable();
        foreach ($given as $option) {
            if (! is_string($option) || ! in_array($option, $options, true)) {
                throw InvalidAnswer::notAnOption(is_string($option) ? $option : gettype($option), $options);
            }
        }

        return array_values(array_filter($options, fn (string $option): bool => in_array($option, $given, true)));
    }

    private function number(string $text): int|float
    {
        $plain = str_replace(["\u{2212}", ' ', "\u{00A0}", "\u{202F}"], ['-', '', '', ''], $text);
        if (preg_match('/^[+-]?\d{1,3}(,\d{3})+(\.\d+)?$/', $plain) === 1) {
            $plain = str_replace(',', '', $plain);
        }
        if (preg_match('/^[+-]?\d{1,15}(\.\d{1,15})?$/', $plain) !== 1) {
            throw InvalidAnswer::notANumber($text);
        }

        return str_contains($plain, '.') ? (float) $plain : (int) $plain;
    }

    private function bounded(int|float $number): int|float
    {
        if (
            ($this->minimum !== null && $number < $this->minimum) ||
            ($this->maximum !== null && $number > $this->maximum)
        ) {
            throw InvalidAnswer::outside($number, $this->minimum, $this->maximum);
        }

        return $number;
    }

    private function date(string $text): string
    {
        if (
            preg_match('/^(\d{4})-(\d{2})-(\d{2})$/', $text, $part) !== 1 ||
            ! checkdate((int) $part[2], (int) $part[3], (int) $part[1])
        ) {
            throw InvalidAnswer::notADate($text);
        }

        return $text;
    }
}
