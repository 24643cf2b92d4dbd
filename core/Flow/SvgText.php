<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** Words as an SVG can hold them. */
final class SvgText
{
    public static function escaped(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE, 'UTF-8');
    }
}
