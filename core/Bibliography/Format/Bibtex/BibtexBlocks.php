<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

use WaryHeron\Core\Bibliography\Format\ReferenceReader;

/**
 * @internal Cuts a BibTeX file into its blocks, @ to closing bracket. A block begins where an at sign begins a line or
 *     follows the end of another; it ends where its braces or parentheses close, or, unclosed, before the next line
 *     that begins one. All else is comment.
 */
final class BibtexBlocks
{
    /** A line that waits for the next: a type without its bracket, or an entry that ends behind its key. */
    private const HELD = '/^\s*@\s*'.BibtexEntry::TYPE.'\s*(?:[{(]\s*[^\s,{}()="#%]+\s*,?\s*[})]\s*,?\s*)?$/';

    private ?string $text = null;

    private int $start = 0;

    private bool $round = false;

    private bool $quoted = false;

    private int $depth = 0;

    /**
     * @param  iterable<int, string>  $lines
     * @return \Generator<int, string> each block by the line it starts in; several may start in one
     */
    public function of(iterable $lines): \Generator
    {
        $last = 0;
        foreach (self::joined($lines) as $number => $line) {
            [$isNew, $last] = [$number !== $last, $number];
            if ($isNew && $this->text !== null && preg_match('/^@\s*'.BibtexEntry::TYPE.'\s*[{(]/', $line) === 1) {
                yield $this->start => $this->text; // the one before was never closed
                $this->text = null;
            }
            for ($at = 0; $at !== null && $at < strlen($line);) {
                $at =
                    $this->text === null
                        ? $this->opened($line, $at, $number)
                        : $this->continued($line, $at, $isNew ? "\n" : '');
                if ($at !== null && $this->text !== null && $this->depth < 0) {
                    yield $this->start => $this->text;
                    $this->text = null;
                }
            }
        }
        if ($this->text !== null) {
            yield $this->start => $this->text;
        }
    }

    /**
     * Puts a bracket that stands in a line below its type into the line of the type, and takes away the one that
     * closes an entry behind its key although its fields follow.
     *
     * @param  iterable<int, string>  $lines
     * @return \Generator<int, string>
     */
    private static function joined(iterable $lines): \Generator
    {
        $held = '';
        $first = 0;
        foreach ($lines as $number => $line) {
            if ($held !== '' && trim($line) === '') {
                continue;
            }
            $isBelow = $held !== '' && preg_match('/^\s*[{(]/', $line) === 1;
            if ($held !== '') {
                yield $first => $isBelow ? "{$held} {$line}" : self::reopened($held, $line);
                $held = '';
            }
            if (str_contains($line, '@') && preg_match(self::HELD, $line) === 1) {
                [$held, $first] = [$line, $number];
            } elseif (! $isBelow) {
                yield $number => $line;
            }
        }
        if ($held !== '') {
            yield $first => $held;
        }
    }

    private static function reopened(string $head, string $next): string
    {
        return preg_match('/^\s*,?\s*[A-Za-z][\w-]*\s*=/', $next) === 1
            ? (string) preg_replace('/\s*[})]\s*,?\s*$/', ',', $head)
            : $head;
    }

    /** Where to go on in the line, or null where no block begins in the rest of it. */
    private function opened(string $line, int $at, int $number): ?int
    {
        if (
            preg_match('/\G[\s,]*(@\s*'.BibtexEntry::TYPE.'\s*([{(]))/', $line, $head, PREG_OFFSET_CAPTURE, $at) !==
            1
        ) {
            return null;
        }
        [$this->text, $this->start, $this->depth, $this->quoted] = ['', $number, 0, false];
        $this->round = $head[2][0] === '(';

        return $this->continued($line, $head[1][1], '', strlen($head[1][0]));
    }

    /**
     * Takes over what of the line belongs to the block, in which the first so many bytes are known; the depth is then
     * -1 where it ended.
     */
    private function continued(string $line, int $at, string $between, int $known = 0): ?int
    {
        $from = $at;
        $at += $known;
        $isComment = $known === 0 && $between !== '' && $this->isComment($line);
        for ($length = $isComment ? 0 : strlen($line); $at < $length; $at++) {
            $at += strcspn($line, '\\{}")', $at);
            $sign = $line[$at] ?? '';
            $at += $sign === '\\' ? 1 : 0;
            $this->count($sign);
            if ($this->depth < 0) {
                $this->keep(substr($line, $from, $at + 1 - $from), $between);

                return $at + 1;
            }
        }
        $this->keep(substr($line, $from), $between);

        return null;
    }

    /** A comment between fields may hold any bracket. */
    private function isComment(string $line): bool
    {
        return $this->depth === 0 && ! $this->quoted && preg_match('/^\s*%/', $line) === 1;
    }

    /** What a bracket or quotation mark does to the depth. */
    private function count(string $sign): void
    {
        $isOutermost = $this->round && $this->depth === 0;
        match ($sign) {
            '{' => $this->depth++,
            '"' => $this->quoted = $isOutermost ? ! $this->quoted : $this->quoted,
            '}' => $this->depth -= $isOutermost ? 0 : 1,
            ')' => $this->depth -= $isOutermost && ! $this->quoted ? 1 : 0,
            default => null,
        };
    }

    private function keep(string $piece, string $between): void
    {
        if (strlen((string) $this->text) <= ReferenceReader::LARGEST_RECORD) {
            $this->text .= $between.$piece;
        }
    }
}
