<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

/** What is asked of, and found out by, the reading of one file. */
final class Reading
{
    /** So many texts outside of records are named. */
    private const SHOWN = 3;

    /** The encoding the file turned out to be in; US-ASCII as long as nothing said otherwise. */
    public string $found = 'US-ASCII';

    /** Lines whose letters had been encoded twice, and were mended. */
    public int $mended = 0;

    /** @var array<int, string> the beginning of what stands outside of any record, by its first line */
    private array $outside = [];

    private int $outsides = 0;

    /** The encoding of before Unicode that the file seems to be in; null as long as there is too little to tell by. */
    public ?string $legacy = null;

    /** @param  ?string  $encoding  one of TextEncoding::known(), or null to find out */
    public function __construct(public readonly ?string $encoding = null)
    {
    }

    /** Whether nobody said in which encoding of before Unicode the file is: forms have UTF-8 where nothing is chosen. */
    public function findsOut(): bool
    {
        return $this->encoding === null || $this->encoding === 'UTF-8';
    }

    /** Text before, between or after the records, of which none is lost: headings of an export, a count, a footer. */
    public function leaveOut(int $line, string $text): void
    {
        if (preg_match('/[\p{L}\p{N}]/u', $text) !== 1) {
            return; // a line drawn, or the sign with which old systems end a file
        }
        $this->outsides++;
        if (count($this->outside) < self::SHOWN) {
            $this->outside[$line] = mb_strimwidth(trim($text), 0, 40, '…');
        }
    }

    /** What a person should know of how the text was read; empty where there is nothing to say. */
    public function remarks(): string
    {
        $remarks = [];
        if (! in_array($this->found, ['US-ASCII', 'UTF-8'], true)) {
            $remarks[] = "The text was read as {$this->found}.";
        }
        if ($this->mended > 0) {
            $remarks[] =
                'Letters that had been encoded twice were mended in '.
                number_format($this->mended).
                ($this->mended === 1 ? ' line.' : ' lines.');
        }

        if ($this->outsides > 0) {
            $remarks[] = 'Text outside of any record was left out: '.$this->leftOut().'.';
        }

        return implode(' ', $remarks);
    }

    /** The encoding that remarks() name; null for those that show themselves, of which there is no doubt. */
    public static function doubtful(string $remarks): ?string
    {
        $isTold = preg_match('/^The text was read as (?!UTF-|ISO-2022-)([^.]+)\./', $remarks, $found) === 1;

        return $isTold ? $found[1] : null;
    }

    private function leftOut(): string
    {
        $named = [];
        foreach ($this->outside as $line => $text) {
            $named[] = 'line '.number_format($line)." (“{$text}”)";
        }
        $more = $this->outsides - count($named);

        return implode(', ', $named).($more > 0 ? ' and '.number_format($more).' more' : '');
    }
}
