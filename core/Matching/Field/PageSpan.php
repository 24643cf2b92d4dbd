<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

/** First and last page as numbers, however they are shortened, or the number of an article that has no pages. */
final readonly class PageSpan
{
    private function __construct(
        public string $letters,
        public ?int $first,
        public ?int $last,
        public bool $isArticleNumber,
    ) {
    }

    /** @param  string  $first  may hold the whole range */
    public static function of(string $first, string $last = ''): self
    {
        if (trim($first) === '') {
            return new self('', null, null, false);
        }
        $text = strtolower($last === '' ? $first : "{$first}-{$last}");
        // "429629 (12 pp.)", "art. no. 540016", "pp. 131–44"
        $text = (string) preg_replace(
            ['/\([^)]*\)/', '/\b(?:art(?:icle)?|no|id|number|pp?|pages?)\b\.?:?/', '/[\x{2010}-\x{2015}\x{2212}]/u'],
            ['', '', '-'],
            $text,
        );
        if (preg_match('/([a-z]{0,4})\.?(\d{1,9})[a-z]?\s*(?:-+\s*([a-z]{0,4})(\d{1,9}))?/', $text, $found) !== 1) {
            return new self('', null, null, false);
        }
        $start = $found[2];
        $end = $found[4] ?? '';
        if ($end !== '' && strlen($end) < strlen($start)) {
            $end = substr($start, 0, strlen($start) - strlen($end)).$end;
        }
        $isArticle = $end === '' && (strlen(ltrim($start, '0')) >= 5 || in_array($found[1], ['e', 'id', 'art'], true));

        return new self($found[1], (int) $start, $end === '' ? null : (int) $end, $isArticle);
    }

    public function isKnown(): bool
    {
        return $this->first !== null;
    }

    /** Pages counted from 1 within an article that has a number of its own say nothing of where it is. */
    public function isWithin(): bool
    {
        return $this->first === 1 && $this->last !== null;
    }
}
