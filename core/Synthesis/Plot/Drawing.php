<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

/**
 * An SVG in the making. Ink is the colour of the text around it, so that a page shows it in light and in dark; a file of
 * its own has dark ink on white.
 */
final class Drawing
{
    public const ACCENT = '#15566a';

    public const SOFT = '#5f93a8';

    /** How much wider bold characters are. */
    public const BOLD = 1.06;

    /** How wide a character of the text is, as a part of its height: on the generous side, so that nothing overlaps. */
    private const CHARACTER = 0.56;

    /** Pages let no drawing become smaller than this, and enlarge none that is smaller by itself. */
    private const NARROW = 600;

    private string $body = '';

    public function __construct(public readonly float $size = 13.0)
    {
    }

    public function widthOf(string $text, bool $isBold = false): float
    {
        return mb_strlen($text) * $this->size * ($isBold ? self::CHARACTER * self::BOLD : self::CHARACTER);
    }

    /** @param  array<string, string|float|int>  $with */
    public function text(float $x, float $y, string $text, array $with = []): void
    {
        if ($text !== '') {
            $this->body .= sprintf('<text x="%s" y="%s"%s>%s</text>', self::n($x), self::n($y), self::attributes($with), self::escaped($text));
        }
    }

    /** @param  array<string, string|float|int>  $with */
    public function line(float $x1, float $y1, float $x2, float $y2, array $with = []): void
    {
        $this->shape('line', ['x1' => $x1, 'y1' => $y1, 'x2' => $x2, 'y2' => $y2, 'stroke' => 'currentColor', ...$with]);
    }

    /** @param  array<string, string|float|int>  $with */
    public function rect(float $x, float $y, float $width, float $height, array $with = []): void
    {
        $this->shape('rect', ['x' => $x, 'y' => $y, 'width' => $width, 'height' => $height, ...$with]);
    }

    /** @param  array<string, string|float|int>  $with */
    public function circle(float $x, float $y, float $r, array $with = []): void
    {
        $this->shape('circle', ['cx' => $x, 'cy' => $y, 'r' => $r, ...$with]);
    }

    /** @param  array<string, string|float|int>  $with */
    public function path(string $d, array $with = []): void
    {
        $this->shape('path', ['d' => $d, ...$with]);
    }

    /** @param  array<string, string|float|int>  $with */
    public function shape(string $name, array $with): void
    {
        $this->body .= "<{$name}".self::attributes($with).'/>';
    }

    /** @param  array<string, string|float|int>  $with */
    public function open(string $name, array $with = [], string $title = ''): void
    {
        $this->body .= "<{$name}".self::attributes($with).'>'.($title === '' ? '' : '<title>'.self::escaped($title).'</title>');
    }

    public function close(string $name): void
    {
        $this->body .= "</{$name}>";
    }

    /**
     * @param  bool  $isFile  a file of its own; else a part of a page
     * @param  bool  $hasLinks  whether parts of it are links, so that it is no picture to be read as one
     */
    public function svg(float $width, float $height, string $title, string $about, bool $isFile, bool $hasLinks = false): string
    {
        $frame = sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %1$s %2$s" width="%1$s" height="%2$s" role="%4$s" aria-label="%5$s" class="%6$s" font-size="%3$s"',
            self::n($width),
            self::n($height),
            self::n($this->size),
            $hasLinks ? 'group' : 'img',
            self::escaped($title),
            $width < self::NARROW ? 'plot plot-narrow' : 'plot',
        );
        $ink = $isFile ? ' font-family="Liberation Sans, Arial, sans-serif" color="#12222c" fill="#12222c"' : ' fill="currentColor"';
        $words = '<title>'.self::escaped($title).'</title><desc>'.self::escaped($about).'</desc>';

        return ($isFile ? '<?xml version="1.0" encoding="UTF-8"?>'."\n" : '').
            "{$frame}{$ink}>{$words}".
            ($isFile ? '<rect width="100%" height="100%" fill="#ffffff"/>' : '').
            "{$this->body}</svg>".
            ($isFile ? "\n" : '');
    }

    public static function n(float $number): string
    {
        return rtrim(rtrim(sprintf('%.2f', $number), '0'), '.');
    }

    /** @param  array<string, string|float|int>  $with */
    private static function attributes(array $with): string
    {
        $text = '';
        foreach ($with as $name => $value) {
            $text .= ' '.$name.'="'.self::escaped(is_float($value) ? self::n($value) : (string) $value).'"';
        }

        return $text;
    }

    private static function escaped(string $text): string
    {
        return htmlspecialchars(preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', '', $text) ?? '', ENT_XML1 | ENT_QUOTES, 'UTF-8');
    }
}
