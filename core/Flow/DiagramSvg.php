<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/**
 * Draws a flow diagram as SVG: arms side by side under heading bars, phases at the left, each line a link where one is
 * given.
 */
final class DiagramSvg
{
    private const LINE = 17;

    private const PADDING = 10;

    private const GAP = 30;

    private const BOX = 248;

    /** Characters that fit in a box at this size of letters. */
    private const FITS = 34;

    private const TOP = 92;

    private string $body = '';

    /** @param  array<string, string>  $links  addresses by the key of a line */
    private function __construct(private readonly Diagram $diagram, private readonly array $links)
    {
    }

    /** @param  array<string, string>  $links  addresses by the key of a line */
    public static function of(Diagram $diagram, string $title, array $links = []): string
    {
        return (new self($diagram, $links))->drawn($title);
    }

    private function drawn(string $title): string
    {
        $columns = $this->columns();
        $width =
            max(0, ...array_values(array_map(fn (ArmColumn $column): int => $column->x + $column->width, $columns))) +
            20;
        $rows = max(array_map(count(...), $this->diagram->arms));
        $y = self::TOP;
        $phases = $bottoms = [];
        for ($i = 0; $i < $rows; $i++) {
            $height = $this->heightOfRow($i);
            $room = $this->pendingOfRow($i);
            $y += $room;
            foreach ($this->diagram->arms as $arm => $of) {
                if (isset($of[$i])) {
                    $this->row($of[$i], $i, $columns[$arm]->x, $y, $room, $i === count($of) - 1);
                    $bottoms[$arm] = $y + self::heightOf($of[$i]->box);
                }
            }
            $phase = $i === 0 ? 'Identification' : 'Screening';
            $phases[$phase] = [$phases[$phase][0] ?? $y, $y + $height];
            $y += $height + self::GAP;
        }
        $included = $this->diagram->included;
        $x = $columns[Diagram::DATABASES]->x;
        $this->arrowsTo($columns, $bottoms, $x, $y);
        $this->box($included, $x, $y);
        $phases['Included'] = [$y, $y + self::heightOf($included)];
        $y += self::heightOf($included) + 20;
        $this->bars($columns, $phases);

        return sprintf(
            '<?xml version="1.0" encoding="UTF-8"?>'.
                "\n".
                '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %1$d %2$d" width="%1$d" height="%2$d" role="img" '.
                'font-family="Liberation Sans, Arial, sans-serif" font-size="13" fill="#12222c"><title>%3$s</title><rect width="100%%" height="100%%" fill="#ffffff"/>'.
                "%4\$s%5\$s</svg>\n",
            $width,
            $y,
            SvgText::escaped($title),
            Heading::drawn($title, $width),
            $this->body,
        );
    }

    /** @return array<string, ArmColumn> by arm */
    private function columns(): array
    {
        $columns = [];
        $x = 62;
        foreach ($this->diagram->arms as $arm => $rows) {
            $width =
                max(array_map(fn (FlowRow $row): int => count($row->boxes()), $rows)) * (self::BOX + self::GAP) -
                self::GAP;
            $columns[$arm] = new ArmColumn($x, $width);
            $x += $width + self::GAP;
        }

        return $columns;
    }

    private function heightOfRow(int $i): int
    {
        $heights = [0];
        foreach ($this->diagram->arms as $rows) {
            foreach (isset($rows[$i]) ? $rows[$i]->boxes() : [] as $box) {
                $heights[] = self::heightOf($box);
            }
        }

        return max($heights);
    }

    /** Room above a row for what waits before it. */
    private function pendingOfRow(int $i): int
    {
        $lines = [0];
        foreach ($this->diagram->arms as $rows) {
            $lines[] = isset($rows[$i]) ? count($rows[$i]->box->pending) : 0;
        }

        return max($lines) === 0 ? 0 : max($lines) * self::LINE + 12;
    }

    private function row(FlowRow $row, int $at, int $x, int $y, int $room, bool $isLast): void
    {
        $this->pending($row->box, $x, $y - $room);
        $bottom = $y + self::heightOf($row->box);
        foreach ($row->boxes() as $i => $box) {
            $this->box($box, $x + $i * (self::BOX + self::GAP), $y);
        }
        if ($row->leaving !== null) {
            $middle = $y + intdiv(min(self::heightOf($row->box), self::heightOf($row->leaving)), 2);
            $this->line([[$x + self::BOX, $middle], [$x + self::BOX + self::GAP, $middle]]);
        }
        if (! $isLast) {
            $this->line([
                [$x + 24, $bottom],
                [$x + 24, $y + $this->heightOfRow($at) + self::GAP + $this->pendingOfRow($at + 1)],
            ]);
        }
    }

    /** What waits before a box stands outside of it, in a dashed frame beside the arrow. */
    private function pending(FlowBox $box, int $x, int $y): void
    {
        if ($box->pending === []) {
            return;
        }
        $height = count($box->pending) * self::LINE + 8;
        $this->body .= sprintf(
            '<rect x="%d" y="%d" width="%d" height="%d" fill="none" stroke="#12222c" stroke-dasharray="4 3"/>',
            $x + 44,
            $y,
            self::BOX - 44,
            $height,
        );
        foreach ($box->pending as $i => $line) {
            $this->words($line, $line->words(), $x + 52, $y + 16 + $i * self::LINE, false);
        }
    }

    private function box(FlowBox $box, int $x, int $y): void
    {
        $this->body .= sprintf(
            '<rect x="%d" y="%d" width="%d" height="%d" fill="#ffffff" stroke="#12222c" stroke-width="1.2"/>',
            $x,
            $y,
            self::BOX,
            self::heightOf($box),
        );
        $at = 0;
        foreach ($box->lines as $i => $line) {
            foreach (self::wrapped($line) as $part) {
                $this->words(
                    $line,
                    $part,
                    $x + self::PADDING + ($line->isPart ? 10 : 0),
                    $y + self::PADDING + 12 + $at * self::LINE,
                    $i === 0,
                );
                $at++;
            }
        }
    }

    private function words(FlowLine $line, string $words, int $x, int $y, bool $bold): void
    {
        $definition = Definitions::of($line->key);
        $text = sprintf(
            '<text x="%d" y="%d"%s>%s%s</text>',
            $x,
            $y,
            $bold ? ' font-weight="bold"' : '',
            $definition === '' ? '' : '<title>'.SvgText::escaped($definition).'</title>',
            SvgText::escaped($words),
        );
        $link = $this->links[$line->key] ?? '';
        $this->body .= $link === '' ? $text : sprintf('<a href="%s">%s</a>', SvgText::escaped($link), $text);
    }

    /**
     * @param  array<string, ArmColumn>  $columns
     * @param  array<string, int>  $bottoms  where each arm ends
     */
    private function arrowsTo(array $columns, array $bottoms, int $x, int $y): void
    {
        foreach ($bottoms as $arm => $bottom) {
            $from = $columns[$arm]->x + 24;
            match (true) {
                $arm === Diagram::DATABASES => $this->line([[$from, $bottom], [$from, $y]]),
                $from < $x => $this->line([[$from, $bottom], [$from, $y + 24], [$x, $y + 24]]),
                default => $this->line([[$from, $bottom], [$from, $y + 24], [$x + self::BOX, $y + 24]]),
            };
        }
    }

    /**
     * @param  array<string, ArmColumn>  $columns
     * @param  array<string, array{int, int}>  $phases
     */
    private function bars(array $columns, array $phases): void
    {
        foreach ($columns as $arm => $column) {
            $this->head($arm, $column);
        }
        foreach ($phases as $phase => [$from, $to]) {
            $this->phase($phase, $from, $to);
        }
    }

    private function head(string $arm, ArmColumn $column): void
    {
        $lines = Lines::of($arm, (int) floor($column->width / 7.4));
        $this->body .= sprintf(
            '<rect x="%d" y="44" width="%d" height="34" rx="4" fill="#d5e4ec" stroke="#12222c" stroke-width="1.2"/>',
            $column->x,
            $column->width,
        );
        foreach ($lines as $i => $words) {
            $this->body .= sprintf(
                '<text x="%d" y="%d" text-anchor="middle" font-weight="bold">%s</text>',
                $column->x + intdiv($column->width, 2),
                (count($lines) === 1 ? 66 : 58) + $i * 15,
                SvgText::escaped($words),
            );
        }
    }

    private function phase(string $phase, int $from, int $to): void
    {
        $this->body .=
            sprintf(
                '<rect x="20" y="%d" width="28" height="%d" fill="#d5e4ec" stroke="#12222c" stroke-width="1.2"/>',
                $from,
                $to - $from,
            ).
            sprintf(
                '<text transform="translate(39 %d) rotate(-90)" text-anchor="middle" font-weight="bold"%s>%s</text>',
                intdiv($from + $to, 2),
                $to - $from < 90 ? ' font-size="11"' : '',
                SvgText::escaped($phase),
            );
    }

    /** @param  non-empty-list<array{int, int}>  $points  the last with an arrow's head */
    private function line(array $points): void
    {
        $path = 'M'.implode('L', array_map(fn (array $point): string => "{$point[0]} {$point[1]}", $points));
        [[$x1, $y1], [$x2, $y2]] = array_slice($points, -2);
        $head = match (true) {
            $y1 !== $y2 => "M{$x2} {$y2}l-4.5 -9h9z",
            $x2 > $x1 => "M{$x2} {$y2}l-9 -4.5v9z",
            default => "M{$x2} {$y2}l9 -4.5v9z",
        };
        $this->body .= "<path d=\"{$path}\" stroke=\"#12222c\" stroke-width=\"1.2\" fill=\"none\"/><path d=\"{$head}\"/>";
    }

    private static function heightOf(FlowBox $box): int
    {
        return array_sum(array_map(fn (FlowLine $line): int => count(self::wrapped($line)), $box->lines)) * self::LINE +
            2 * self::PADDING;
    }

    /** @return list<string> */
    private static function wrapped(FlowLine $line): array
    {
        $fits = self::FITS - ($line->isPart ? 2 : 0);
        // a number stays with what says that it is one
        $held = strtr($line->words(), ['(n = ' => "(n\x1F=\x1F"]);

        return array_map(fn (string $part): string => strtr($part, ["\x1F" => ' ']), Lines::of($held, $fits));
    }
}
