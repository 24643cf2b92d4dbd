<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Book;

use WaryHeron\Core\Coding\Code;

/** Options as people write them: one on a line, a narrower one indented under its broader one. */
final class Outline
{
    /** @return list<string> each with its broader ones before it: “Ward › Emergency”; each once */
    public static function read(string $text): array
    {
        $options = [];
        /** @var list<array{int, string}> $above how far in, and the option */
        $above = [];
        foreach (preg_split('/\R/u', $text) ?: [] as $line) {
            $label = trim($line);
            if ($label === '') {
                continue;
            }
            preg_match('/^[ \t]*/', $line, $indent);
            $in = strlen(str_replace("\t", '    ', $indent[0] ?? ''));
            while ($above !== [] && $above[count($above) - 1][0] >= $in) {
                array_pop($above);
            }
            $option = $above === [] ? $label : $above[count($above) - 1][1].Code::NARROWER.$label;
            $above[] = [$in, $option];
            $options[] = $option;
        }

        return array_values(array_unique($options));
    }

    /** @param  list<string>  $options */
    public static function write(array $options): string
    {
        $lines = array_map(function (string $option): string {
            $parts = explode(Code::NARROWER, $option);

            return str_repeat('  ', count($parts) - 1).$parts[count($parts) - 1];
        }, $options);

        return implode("\n", $lines);
    }
}
