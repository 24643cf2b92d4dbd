<?php

declare(strict_types=1);

namespace Bench\Fuzz;

use Random\Randomizer;

/** Bytes that are nearly a valid file: one to a few changes of the kinds that break readers. */
final readonly class Mutations
{
    private const LONGEST = 400_000;

    /** What readers watch for, and what upsets them. */
    private const PIECES = [
        "\0", "\r", "\n\n", "\t", '{', '}', '{{{{', '"', '""', "'", '<', '</', '<![CDATA[', ']]>', '&amp;', '&x;', '<!DOCTYPE a>', '@', '@string{',
        '@comment', '#', '\\', '\\"{', '%', '(', ')', '((((', ',', ';', '=', '==', ':', '-', '--', '  - ', 'TY  - ', 'ER  - ', 'PMID- ', '[', ']', '[[',
        '[]', 'null', '1e999', '-0', "\xFF", "\xC0\x80", "\xED\xA0\x80", "\xE2\x80\xAE", "\xEF\xBB\xBF", "\x1B\$B", "\xFE\xFF", ' AND ', ' OR ', ' NOT ',
        ' NEAR/', ' prox/', '*', '?', '$', 'any(#', '#1', '../', 'http://', '9999999999999999999', '0000', 'ü', '水',
    ];

    public function __construct(private Randomizer $chance)
    {
    }

    /** @param  non-empty-string  $valid */
    public function of(string $valid): string
    {
        $bytes = $valid;
        for ($i = $this->chance->getInt(1, 4); $i > 0; $i--) {
            $bytes = substr($this->once($bytes), 0, self::LONGEST);
        }

        return $bytes;
    }

    private function once(string $bytes): string
    {
        $length = strlen($bytes);
        $from = $this->chance->getInt(0, $length);
        $to = min($length, $from + $this->chance->getInt(1, 60));
        [$before, $taken, $after] = [substr($bytes, 0, $from), substr($bytes, $from, $to - $from), substr($bytes, $to)];

        return match ($this->chance->getInt(0, 9)) {
            0 => $before,
            1 => $after,
            2 => $before.$after,
            3 => $before.$taken.$taken.$after,
            4 => $before.str_repeat($taken, $this->chance->getInt(2, 2000)).$after,
            5 => $before.$this->piece().$taken.$after,
            6 => $before.str_repeat($this->piece(), $this->chance->getInt(2, 5000)).$after,
            7 => $before.$this->chance->getBytes(max(1, strlen($taken))).$after,
            8 => $this->linesMixed($bytes),
            default => $this->flipped($bytes),
        };
    }

    private function piece(): string
    {
        return self::PIECES[$this->chance->getInt(0, count(self::PIECES) - 1)];
    }

    private function linesMixed(string $bytes): string
    {
        $lines = explode("\n", $bytes);

        return implode("\n", $this->chance->shuffleArray($lines));
    }

    private function flipped(string $bytes): string
    {
        if ($bytes === '') {
            return $this->piece();
        }
        $at = $this->chance->getInt(0, strlen($bytes) - 1);
        $bytes[$at] = chr(ord($bytes[$at]) ^ (1 << $this->chance->getInt(0, 7)));

        return $bytes;
    }
}
