<?php

declare(strict_types=1);

namespace App\View\Inline;

use Illuminate\Support\HtmlString;
use WaryHeron\Core\Search\Text\Highlighter;
use WaryHeron\Core\Search\Text\Segment;

/**
 * Text with the words that a query looks for marked. No component: lists show it in each row, and a component costs as
 * much as a query.
 */
final class Marked
{
    public static function of(string $text, ?Highlighter $by): HtmlString
    {
        return $by === null ? new HtmlString(e($text)) : self::parts($by->segments($text));
    }

    /** @param  array<Segment>  $parts  cut so that nothing may stand between them */
    public static function parts(array $parts): HtmlString
    {
        return new HtmlString(implode('', array_map(
            fn (Segment $part): string => $part->marked ? '<mark>'.e($part->text).'</mark>' : e($part->text),
            $parts,
        )));
    }
}
