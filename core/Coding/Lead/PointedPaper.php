<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** A paper as readers read it: with points in decimals, also where it prints commas. */
final readonly class PointedPaper
{
    /** “45,3” and “0,003”; “1,204” is a thousand and more, “ward1,2” and “[1,2]” are notes. */
    private const COMMA = '/(?<![\p{L}\d.,\[])(\d{1,4}),(\d{1,2}(?![\d,\]])|(?<=\b0,)\d{3,4}(?![\d,\]]))/u';

    private const POINT = '/(?<![\d.])\d+[.·]\d+(?![\d.])/u';

    /** Fewer may be anything. */
    private const ENOUGH = 2;

    /** @param  array<string, string>  $printed  each text that is read otherwise, as it is printed */
    private function __construct(public Passages $read, private array $printed)
    {
    }

    public static function of(Passages $paper): self
    {
        $make = fn (): self => self::hasCommas($paper) ? self::pointed($paper) : new self($paper, []);

        return $paper->once('with points', $make);
    }

    /** A text of what is read, as the paper prints it. */
    public function printed(string $text): string
    {
        return $this->printed[$text] ?? $text;
    }

    private static function hasCommas(Passages $paper): bool
    {
        $commas = $points = 0;
        foreach ($paper->told() as $passage) {
            $commas += (int) preg_match_all(self::COMMA, $passage->text);
            $points += (int) preg_match_all(self::POINT, $passage->text);
        }

        return $commas >= self::ENOUGH && $commas > $points;
    }

    private static function pointed(Passages $paper): self
    {
        $read = $printed = [];
        foreach ($paper->all as $one) {
            $text = self::withPoints($one->text);
            $printed[$text] ??= $one->text;
            $read[] = new Passage(
                $one->number,
                $text,
                $one->page,
                $one->section,
                $one->heading,
                $one->kind,
                array_map(self::withPoints(...), $one->cells),
                array_map(self::withPoints(...), $one->heads),
            );
        }

        return new self($paper->only($read), $printed);
    }

    private static function withPoints(string $text): string
    {
        return (string) preg_replace(self::COMMA, '$1.$2', $text);
    }
}
