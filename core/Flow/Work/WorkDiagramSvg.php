<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow\Work;

use WaryHeron\Core\Flow\Heading;
use WaryHeron\Core\Flow\Lines;
use WaryHeron\Core\Flow\SvgText;

/** Draws the steps of a review as SVG, one below the other or side by side in rows; each number a link with its definition. */
final class WorkDiagramSvg
{
    private const LINE = 17;

    private const PADDING = 12;

    private const WIDTH = 300;

    private const GAP = 30;

    /** Letters of this size that a box takes. */
    private const FITS = 42;

    /** Of the larger, bold ones of its title. */
    private const TITLE_FITS = 34;

    private const TOP = 52;

    private const STROKE = '<polyline points="%s" fill="none" stroke="#12222c" stroke-width="1.2"/>';

    private string $body = '';

    /** @param  list<WorkStep>  $steps */
    private function __construct(private readonly array $steps, private readonly int $columns)
    {
    }

    /**
     * @param  non-empty-list<WorkStep>  $steps
     * @param  int  $columns  how many stand side by side
     */
    public static function of(array $steps, string $title, int $columns): string
    {
        return (new self($steps, max(1, min($columns, count($steps)))))->drawn($title);
    }

    private function drawn(string $title): string
    {
        $y = self::TOP;
        $rows = array_chunk($this->steps, max(1, $this->columns));
        foreach ($rows as $r => $row) {
            $height = max(array_map(fn (WorkStep $one): int => self::height($one), $row));
            foreach ($row as $c => $step) {
                $this->box($step, self::x($c), $y, $height);
                if ($c > 0) {
                    $this->arrow([[self::x($c) - self::GAP, $y + 24], [self::x($c), $y + 24]]);
                }
            }
            if (isset($rows[$r + 1])) {
                $this->down(count($row), $y, $height);
            }
            $y += $height + self::GAP;
        }

        $width = 20 + $this->columns * (self::WIDTH + self::GAP);

        return sprintf(
            '<?xml version="1.0" encoding="UTF-8"?>'."\n".
                '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %1$d %2$d" width="%1$d" height="%2$d" '.
                'font-family="Liberation Sans, Arial, sans-serif" font-size="13" fill="#12222c"><title>%3$s</title>'.
                '<rect width="100%%" height="100%%" fill="#ffffff"/>'.
                "%4\$s%5\$s</svg>\n",
            $width,
            $y,
            SvgText::escaped($title),
            Heading::drawn($title, $width),
            $this->body,
        );
    }

    private static function x(int $column): int
    {
        return 20 + $column * (self::WIDTH + self::GAP);
    }

    /** From the last of a row to the first of the next. */
    private function down(int $count, int $y, int $height): void
    {
        $from = self::x($count - 1) + 24;
        $bottom = $y + $height;
        $to = self::x(0) + 24;
        $middle = $bottom + intdiv(self::GAP, 2);
        $this->arrow($from === $to
            ? [[$to, $bottom], [$to, $bottom + self::GAP]]
            : [[$from, $bottom], [$from, $middle], [$to, $middle], [$to, $bottom + self::GAP]]);
    }

    private function box(WorkStep $step, int $x, int $y, int $height): void
    {
        $this->body .= sprintf(
            '<rect x="%d" y="%d" width="%d" height="%d" rx="3" fill="#ffffff" stroke="#12222c" stroke-width="1.2"/>',
            $x,
            $y,
            self::WIDTH,
            $height,
        );
        $x += self::PADDING;
        $how = 'font-weight="bold" font-size="14"';
        $at = $this->words(self::title($step), $x, $y + self::PADDING + 12, $how, self::LINE + 1);
        foreach ($step->facts as $fact) {
            foreach (self::wrapped([number_format($fact->n).' '.$fact->label]) as $line) {
                $this->fact($fact, $line, $x, $at);
                $at += self::LINE;
            }
        }
        foreach ([...$step->rules, ...$step->people] as $i => $words) {
            $at += $i === 0 || $i === count($step->rules) ? 5 : 0;
            $at = $this->words(self::wrapped([$words]), $x, $at, 'font-size="12" fill="#44545e"', self::LINE - 1);
        }
    }

    /**
     * Returns where the next line begins.
     *
     * @param  list<string>  $lines
     */
    private function words(array $lines, int $x, int $at, string $how, int $step): int
    {
        foreach ($lines as $line) {
            $this->text($line, $x, $at, $how);
            $at += $step;
        }

        return $at;
    }

    private function fact(WorkFact $fact, string $words, int $x, int $y): void
    {
        $text = sprintf(
            '<text x="%d" y="%d"><title>%s</title>%s</text>',
            $x,
            $y,
            SvgText::escaped($fact->definition),
            SvgText::escaped($words),
        );
        $this->body .= $fact->link === '' ? $text : sprintf('<a href="%s">%s</a>', SvgText::escaped($fact->link), $text);
    }

    private function text(string $words, int $x, int $y, string $look): void
    {
        $this->body .= sprintf('<text x="%d" y="%d" %s>%s</text>', $x, $y, $look, SvgText::escaped($words));
    }

    /** @param  non-empty-list<array{int, int}>  $points */
    private function arrow(array $points): void
    {
        $last = $points[count($points) - 1];
        $before = $points[count($points) - 2] ?? $last;
        $isDown = $before[0] === $last[0];
        $tip = $isDown
            ? sprintf('%d,%d %d,%d %d,%d', $last[0] - 4, $last[1] - 6, $last[0], $last[1], $last[0] + 4, $last[1] - 6)
            : sprintf('%d,%d %d,%d %d,%d', $last[0] - 6, $last[1] - 4, $last[0], $last[1], $last[0] - 6, $last[1] + 4);
        $way = implode(' ', array_map(fn (array $point): string => "{$point[0]},{$point[1]}", $points));
        $this->body .= sprintf(self::STROKE.self::STROKE, $way, $tip);
    }

    private static function height(WorkStep $step): int
    {
        $facts = array_map(fn (WorkFact $one): string => number_format($one->n).' '.$one->label, $step->facts);

        return 2 * self::PADDING +
            count(self::title($step)) * (self::LINE + 1) +
            count(self::wrapped($facts)) * self::LINE +
            count(self::wrapped([...$step->rules, ...$step->people])) * (self::LINE - 1) +
            ($step->rules === [] ? 0 : 5) +
            ($step->people === [] ? 0 : 5);
    }

    /** @return non-empty-list<string> */
    private static function title(WorkStep $step): array
    {
        return Lines::of($step->title, self::TITLE_FITS);
    }

    /**
     * @param  array<string>  $texts
     * @return list<string>
     */
    private static function wrapped(array $texts): array
    {
        return array_merge(...array_map(fn (string $one): array => Lines::of($one, self::FITS), array_values($texts)));
    }
}
