<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** Words beside each other, as they are read. */
final class Line
{
    /** A gap of so many heights parts cells of a table. */
    private const CELL = 0.9;

    /** Below so many heights there is no blank, as before a superscript or after a bracket set by itself. */
    private const JOINED = 0.07;

    public readonly float $left;

    public readonly float $top;

    public readonly float $right;

    public readonly float $bottom;

    private ?float $size = null;

    private ?string $text = null;

    /** @var non-empty-list<self>|null */
    private ?array $parts = null;

    /** @param  non-empty-list<Word>  $words */
    public function __construct(public readonly int $page, public readonly array $words)
    {
        [$left, $top, $right, $bottom] = [INF, INF, -INF, -INF];
        foreach ($words as $word) {
            $left = min($left, $word->left);
            $top = min($top, $word->top);
            $right = max($right, $word->right);
            $bottom = max($bottom, $word->bottom);
        }
        [$this->left, $this->top, $this->right, $this->bottom] = [$left, $top, $right, $bottom];
    }

    /** The height of most of its letters. */
    public function size(): float
    {
        return $this->size ??= $this->measured();
    }

    private function measured(): float
    {
        $letters = [];
        foreach ($this->words as $word) {
            $height = (string) round($word->height(), 1);
            $letters[$height] = ($letters[$height] ?? 0) + strlen($word->text);
        }
        arsort($letters);

        return (float) array_key_first($letters);
    }

    public function middle(): float
    {
        return ($this->top + $this->bottom) / 2;
    }

    /**
     * The same as cells of a table.
     *
     * @param  non-empty-list<self>  $parts
     */
    public function ofParts(array $parts): self
    {
        $line = clone $this;
        $line->parts = $parts;

        return $line;
    }

    /** @return non-empty-list<self> what wide gaps part, as between the cells of a table; itself where there are none */
    public function parts(): array
    {
        return $this->parts ??= $this->parted();
    }

    /** @return non-empty-list<self> */
    private function parted(): array
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

        return $parts === [] ? [$this] : [...$parts, new self($this->page, $words)];
    }

    public function text(): string
    {
        return $this->text ??= $this->joined();
    }

    private function joined(): string
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
