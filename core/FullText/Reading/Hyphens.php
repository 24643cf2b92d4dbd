<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** Mends words that a line end parts: a hyphen there goes, unless the paper writes the word with it elsewhere. */
final class Hyphens
{
    private const AT_END = '/(\p{L}+)[-\x{2010}\x{AD}]$/u';

    /** “Sixty-” and “one” are never written without it. */
    private const NUMBER = '/^(?:twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)-'.
        '(?:one|two|three|four|five|six|seven|eight|nine|first|second|third|(?:four|fif|six|seven|eigh|nin)th)$/u';

    /** @var array<string, int>|null  how often each word stands within a line, in small letters */
    private ?array $written = null;

    /** @param  list<Line>  $lines */
    private function __construct(private readonly array $lines)
    {
    }

    /** @param  list<Line>  $lines */
    public static function of(array $lines): self
    {
        return new self($lines);
    }

    /** @return array<string, int> */
    private function written(): array
    {
        $written = [];
        foreach ($this->lines as $line) {
            preg_match_all('/\p{L}+(?:[-\x{2010}]\p{L}+)*/u', mb_strtolower($line->text()), $found);
            foreach ($found[0] as $word) {
                $word = str_replace('‐', '-', $word);
                $written[$word] = ($written[$word] ?? 0) + 1;
            }
        }

        return $written;
    }

    /** @param  non-empty-list<Line>  $lines */
    public function joined(array $lines): string
    {
        $text = '';
        foreach ($lines as $line) {
            $next = $line->text();
            if (
                $text !== '' &&
                preg_match(self::AT_END, $text, $start) === 1 &&
                preg_match('/^\p{L}+/u', $next, $end) === 1
            ) {
                $text = $this->isHyphenated($start[1], $end[0])
                    ? preg_replace('/\x{2010}$/u', '-', $text).$next
                    : mb_substr($text, 0, -1).$next;
            } else {
                $text .= ($text === '' ? '' : ' ').$next;
            }
        }

        return str_replace('‐', '-', $text);
    }

    private function isHyphenated(string $start, string $end): bool
    {
        if (preg_match('/^\p{Ll}/u', $end) !== 1) {
            return true;
        }
        [$start, $end] = [mb_strtolower($start), mb_strtolower($end)];
        if (preg_match(self::NUMBER, "{$start}-{$end}") === 1) {
            return true;
        }

        $this->written ??= $this->written();

        return ($this->written["{$start}-{$end}"] ?? 0) > ($this->written[$start.$end] ?? 0);
    }
}
