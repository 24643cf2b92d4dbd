<?php

declare(strict_types=1);

namespace App\View\Inline;

use App\Queries\Report\Written\OwnedParagraph;
use App\Queries\Report\Written\OwnWords;
use App\Queries\Report\Written\WrittenBy;
use Illuminate\Support\HtmlString;

/** Words of a report with who wrote them. No blank may come between one person's and the next one's. */
final class Owned
{
    /** Ways of underlining; who wrote least of many shares one with somebody else, and is told by the number. */
    private const STYLES = 5;

    /** @param  string  $who  whose words alone are to be seen; empty for everybody's */
    public static function words(OwnedParagraph $paragraph, WrittenBy $written, string $who): HtmlString
    {
        $isOne = count($written->people) === 1;
        $run = fn (OwnWords $one): string => $isOne || $one->by === null ? e($one->text) : self::run($one, $written, $who);

        return new HtmlString(implode('', array_map($run, $paragraph->runs)));
    }

    private static function run(OwnWords $words, WrittenBy $written, string $who): string
    {
        $writer = $written->people[$words->by];
        $class = 'written-by written-'.(($writer->number - 1) % self::STYLES + 1);
        $class .= $who !== '' && $who !== $words->by ? ' written-other' : '';
        $name = e($writer->name);
        $text = e($words->text);

        return "<span class=\"{$class}\" title=\"{$name}\">{$text}</span><sup class=\"written-number\">{$writer->number}</sup>";
    }
}
