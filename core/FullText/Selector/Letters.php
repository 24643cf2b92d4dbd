<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Selector;

use WaryHeron\Core\FullText\Reading\Word;
use WaryHeron\Core\Text\Span;

/**
 * The letters and digits of words in a row, each knowing its word. Blanks, hyphens, case and the form of signs play no
 * part, so that what is selected in a browser, quoted by a reader or set anew in another copy compares equal.
 */
final readonly class Letters
{
    /**
     * @param  list<int>  $starts  the byte of $text at which each word begins
     */
    private function __construct(public string $text, private array $starts)
    {
    }

    /** @param  list<Word>  $words */
    public static function of(array $words): self
    {
        $text = '';
        $starts = [];
        foreach ($words as $word) {
            $starts[] = strlen($text);
            $text .= self::fold($word->text);
        }

        return new self($text, $starts);
    }

    public static function fold(string $text): string
    {
        if (preg_match('/^[a-z0-9]*$/D', $text) === 1) {
            return $text;
        }
        $even = \Normalizer::normalize(mb_scrub($text), \Normalizer::FORM_KC);

        return (string) preg_replace('/[^\p{L}\p{N}]+/u', '', mb_strtolower(is_string($even) ? $even : ''));
    }

    /** @return \Generator<int, Span> the words of each place where these letters stand */
    public function places(string $folded): \Generator
    {
        $from = -1;
        while ($folded !== '' && ($from = strpos($this->text, $folded, $from + 1)) !== false) {
            yield new Span($this->wordAt($from), $this->wordAt($from + strlen($folded) - 1));
        }
    }

    /** The letters of the words before one, at most so many bytes of them. */
    public function before(int $word, int $bytes): string
    {
        $to = $this->starts[$word] ?? 0;

        return substr($this->text, max(0, $to - $bytes), min($bytes, $to));
    }

    /** The letters of the words after one, at most so many bytes of them. */
    public function after(int $word, int $bytes): string
    {
        return substr($this->text, $this->starts[$word + 1] ?? strlen($this->text), $bytes);
    }

    /** The last word that begins at a byte or before it; of several, the one that has letters. */
    private function wordAt(int $byte): int
    {
        [$low, $high] = [0, count($this->starts) - 1];
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            [$low, $high] = $this->starts[$middle] <= $byte ? [$middle, $high] : [$low, $middle - 1];
        }

        return $low;
    }
}
