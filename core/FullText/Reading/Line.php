<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** Words beside each other, as they are read. */
final readonly class Line
{
    /** A gap of so many heights parts cells of a table. */
    private const CELL = 0.9;

    /** Below so many heights there is no blank, as before a superscript or after a bracket set by itself. */
    private const JOINED = 0.07;

    public float $left;

    public float $top;

    public float $right;

    public float $bottom;

    /** @param  non-empty-list<Word>  $words */
    public function __construct(public int $page, public array $words)
    {
        $this->left = min(array_map(fn (Word $word): float => $word->left, $words));
        $this->top = min(array_map(fn (Word $word): float => $word->top, $words));
        $this->right = max(array_map(fn (Word $word): float => $word->right, $words));
        $this->bottom = max(array_map(fn (Word $word): float => $word->bottom, $words));
    }

    /** The height of most of its letters. */
    public function size(): float
    {
        $heights = [];
        foreach ($this->words as $word) {
            $heights = [...$heights, ...array_fill(0, mb_strlen($word->text), round($word->height(), 1))];
        }
        sort($heights);

        return $heights[intdiv(count($heights), 2)] ?? $this->bottom - $this->top;
    }

    public function middle(): float
    {
        return ($this->top + $this->bottom) / 2;
    }

    /** @return non-empty-list<self> what wide gaps part, as between the cells of a table; itself where there are none */
    public function parts(): array
    {
        $parts = [];
        $words = [];
        foreach ($this->words as $word) {
            $before = $words === [] ? null : $words[count($words) - 1];
            if (
                $before !== null &&
                $word->left - $before->right > self::CELL * max(1.0, $word->height(), $before->height())
            ) {
                $parts[] = new self($this->page, $words);
                $words = [];
            }
            $words[] = $word;
        }

        return [...$parts, new self($this->page, $words)];
    }

    public function text(): string
    {
        $text = '';
        $before = null;
        foreach ($this->words as $word) {
            if ($before !== null) {
                $gap = $word->left - $before->right;
                $height = max(1.0, $word->height(), $before->height());
                $text .= $gap < self::JOINED * $height && $gap > -$height ? '' : ' ';
            }
            $text .= $word->text;
            $before = $word;
        }

        return $text;
    }
}
