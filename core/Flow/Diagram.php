<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/**
 * The flow diagram for new reviews (Page et al. 2021, PRISMA 2020): boxes with their numbers, as SVG and as a table.
 *
 * What is still to be decided is named in a line of its own, so that an unfinished diagram is not taken for a finished one.
 */
final readonly class Diagram
{
    private const WIDTH = 860;

    private const LINE = 18;

    private const PADDING = 12;

    private const GAP = 34;

    /** Characters that fit in a box at this size. */
    private const FITS = 46;

    /** @param  list<array{phase: string, left: list<array{string, ?int}>, right: list<array{string, ?int}>}>  $rows  each line with its number; null where it is a heading */
    private function __construct(public array $rows)
    {
    }

    /** @param  array<string, string>  $reasons  wording by the key under which exclusions are counted */
    public static function of(Flow $flow, array $reasons): self
    {
        $facts = $flow->facts;
        $sources = array_filter(['Databases' => $facts->recordsBySource['database'] ?? 0, 'Registers' => $facts->recordsBySource['register'] ?? 0, 'Other sources' => $facts->recordsBySource['other'] ?? 0]);
        $listed = fn (array $byReason): array => array_map(fn (string $key, int $n): array => [$reasons[$key] ?? 'No reason given', $n], array_keys($byReason), $byReason);
        $pending = fn (int $n): array => $n > 0 ? [['Not decided yet', $n]] : [];
        $rows = [[
            'phase' => 'Identification',
            'left' => [['Records identified', $facts->recordsDelivered], ...array_map(fn (string $label, int $n): array => [$label, $n], array_keys($sources), $sources)],
            'right' => [['Records removed before screening', null], ['Duplicates found by machine', $flow->duplicatesByMachine()], ['Duplicates found by people', $facts->joinedByPeople], ['Removed for other reasons', $facts->removed]],
        ]];
        $full = $facts->fullTexts;
        $rows[] = [
            'phase' => 'Screening',
            'left' => [['Records screened', $flow->toScreen()], ...$pending($flow->pending())],
            'right' => [['Records excluded', $facts->excluded], ...($full === null ? $listed($facts->excludedByReason) : [])],
        ];
        if ($full !== null) {
            $rows[] = [
                'phase' => 'Screening',
                'left' => [['Reports sought for retrieval', $full->sought], ...($full->awaited > 0 ? [['Not at hand yet', $full->awaited]] : [])],
                'right' => [['Reports not retrieved', $full->notRetrieved()], ...array_map(fn (string $why, int $n): array => [$why, $n], array_map(strval(...), array_keys($full->notRetrieved)), $full->notRetrieved)],
            ];
            $rows[] = [
                'phase' => 'Screening',
                'left' => [['Reports assessed for eligibility', $full->assessed()], ...$pending($full->waiting + $full->disagreements)],
                'right' => [['Reports excluded', $full->excluded], ...$listed($full->excludedByReason)],
            ];
        }
        $rows[] = ['phase' => 'Included', 'left' => $full === null ? [['Publications included', $facts->included]] : [['Studies included in review', $full->studies()], ['Reports of included studies', $full->included]], 'right' => []];

        return new self($rows);
    }

    /** @return list<array{string, string, int}> phase, label and number */
    public function numbers(): array
    {
        $numbers = [];
        foreach ($this->rows as $row) {
            foreach ([...$row['left'], ...$row['right']] as [$label, $n]) {
                if ($n !== null) {
                    $numbers[] = [$row['phase'], $label, $n];
                }
            }
        }

        return $numbers;
    }

    public function svg(string $title): string
    {
        $left = 70;
        $right = 480;
        $boxWidth = 350;
        $y = 54;
        $body = '';
        $phases = [];
        $last = count($this->rows) - 1;
        foreach ($this->rows as $i => $row) {
            $lines = [self::lines($row['left']), self::lines($row['right'])];
            $heights = array_map(fn (array $one): int => $one === [] ? 0 : count($one) * self::LINE + 2 * self::PADDING, $lines);
            $height = max($heights);
            foreach ([[$left, $lines[0], max($heights[0], $heights[0])], [$right, $lines[1], $heights[1]]] as [$x, $text, $boxHeight]) {
                if ($text === []) {
                    continue;
                }
                $body .= sprintf('<rect x="%d" y="%d" width="%d" height="%d" fill="#ffffff" stroke="#12222c" stroke-width="1.2"/>', $x, $y, $boxWidth, $boxHeight);
                foreach ($text as $at => [$words, $bold]) {
                    $body .= sprintf('<text x="%d" y="%d"%s>%s</text>', $x + self::PADDING, $y + self::PADDING + 13 + $at * self::LINE, $bold ? ' font-weight="bold"' : '', self::escaped($words));
                }
            }
            if ($lines[1] !== []) {
                $middle = $y + min($heights) / 2;
                $body .= self::arrow($left + $boxWidth, (int) $middle, $right, (int) $middle);
            }
            if ($i < $last) {
                $body .= self::arrow($left + $boxWidth / 2, $y + $heights[0], $left + $boxWidth / 2, $y + $height + self::GAP);
            }
            $phases[$row['phase']] = [$phases[$row['phase']][0] ?? $y, $y + $height];
            $y += $height + self::GAP;
        }
        foreach ($phases as $phase => [$from, $to]) {
            $body .= sprintf('<rect x="20" y="%d" width="30" height="%d" fill="#d5e4ec" stroke="#12222c" stroke-width="1.2"/>', $from, $to - $from)
                .sprintf('<text transform="translate(40 %d) rotate(-90)" text-anchor="middle" font-weight="bold">%s</text>', intdiv($from + $to, 2), self::escaped($to - $from > 90 ? $phase : mb_substr($phase, 0, 12)));
        }
        $height = $y;

        return sprintf('<?xml version="1.0" encoding="UTF-8"?>'."\n".'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %1$d %2$d" width="%1$d" height="%2$d" role="img" font-family="Liberation Sans, Arial, sans-serif" font-size="14" fill="#12222c"><title>%3$s</title><rect width="100%%" height="100%%" fill="#ffffff"/><text x="20" y="32" font-size="16" font-weight="bold">%3$s</text>%4$s</svg>'."\n", self::WIDTH, $height, self::escaped($title), $body);
    }

    /**
     * @param  list<array{string, ?int}>  $lines
     * @return list<array{string, bool}> wrapped, the first ones heavy
     */
    private static function lines(array $lines): array
    {
        $wrapped = [];
        foreach ($lines as $i => [$label, $n]) {
            $text = $label.($n === null ? ':' : ' (n = '.number_format($n).')');
            foreach (explode("\n", wordwrap($text, self::FITS, "\n")) as $part) {
                $wrapped[] = [$part, $i === 0];
            }
        }

        return $wrapped;
    }

    private static function arrow(float $x1, float $y1, float $x2, float $y2): string
    {
        $head = $y1 === $y2
            ? sprintf('M%1$.1f %2$.1fl-9 -4.5v9z', $x2, $y2)
            : sprintf('M%1$.1f %2$.1fl-4.5 -9h9z', $x2, $y2);

        return sprintf('<path d="M%.1f %.1fL%.1f %.1f" stroke="#12222c" stroke-width="1.2" fill="none"/><path d="%s"/>', $x1, $y1, $x2, $y2, $head);
    }

    private static function escaped(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE, 'UTF-8');
    }
}
