<?php

namespace Tests\Core\Coding;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\HtmlPaper;

/** A paper that says one thing of itself, under the heading where papers say it. */
final class SmallPaper
{
    public static function answer(AskedItem $item, string $heading, string $said): ?string
    {
        return (new LeadEngine())->lead($item, self::of($heading, $said))?->value;
    }

    /** @param  string  $said  a paragraph; with cells between bars, a table of a row on each line */
    public static function of(string $heading, string $said): Passages
    {
        $parts = ['Abstract' => 'We tried lamps.', 'Methods' => 'Lamps were lit.', 'Results' => 'People slept.', 'Discussion' => 'Lamps help.'];
        $html = '<h1>Lamps on wards</h1>';
        foreach ([...$parts, $heading => $said] as $name => $text) {
            $html .= "<h2>{$name}</h2>".(str_contains($text, '|') ? self::table($text) : '<p>'.htmlspecialchars($text).'</p>');
        }

        return Passages::of(HtmlPaper::read($html));
    }

    /** By what it says of itself in title, abstract, methods and results. */
    public static function study(string $title, string $abstract, string $methods, string $results = 'People slept.'): Passages
    {
        $html = '<h1>'.htmlspecialchars($title).'</h1>';
        foreach (['Abstract' => $abstract, 'Methods' => $methods, 'Results' => $results, 'Discussion' => 'Lamps help.'] as $name => $text) {
            $html .= "<h2>{$name}</h2><p>".htmlspecialchars($text).'</p>';
        }

        return Passages::of(HtmlPaper::read($html));
    }

    private static function table(string $rows): string
    {
        $cell = fn (string $cell): string => '<td>'.htmlspecialchars(trim($cell)).'</td>';
        $row = fn (string $row): string => '<tr>'.implode('', array_map($cell, explode('|', $row))).'</tr>';

        return '<table>'.implode('', array_map($row, explode("\n", $rows))).'</table>';
    }

    public static function age(): AskedItem
    {
        return new AskedItem('age', 'Mean age', ItemType::Number, unit: 'years');
    }

    public static function women(): AskedItem
    {
        return new AskedItem('female', 'Per cent female', ItemType::Number, unit: '%');
    }

    public static function entered(): AskedItem
    {
        return new AskedItem('entered', 'Participants randomised or enrolled', ItemType::Number);
    }

    public static function analysed(): AskedItem
    {
        return new AskedItem('analysed', 'Participants analysed', ItemType::Number);
    }
}
