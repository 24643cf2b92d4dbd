<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Models\FullText;
use App\Queries\FullTexts\PaperPages;
use App\Queries\FullTexts\WordsFound;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\FullText\Selector\Selector;

/** What the demo's coders read off the second table of a report: a row of it for each number, with light and without. */
final readonly class ReadNumbers
{
    private const ROWS = [
        'n' => 'People analysed',
        'e' => 'People with a near miss',
        'm' => 'Sleepiness at 04:00 from 1 to 9, mean',
        'sd' => 'Sleepiness at 04:00, SD',
    ];

    /**
     * @param  array<string, string>  $given  by field
     * @param  array<string, list<Evidence>>  $evidence  by field
     */
    private function __construct(private array $given, private array $evidence)
    {
    }

    /** Null where the report has no such table. */
    public static function of(FullText $copy): ?self
    {
        $text = implode("\n", array_column(PaperPages::paper($copy->review_id, $copy->id)->blocks, 'text'));
        $given = $evidence = [];
        foreach (self::ROWS as $key => $label) {
            $pattern = '/'.preg_quote($label, '/').'[\s|]+([\d.]+)[\s|]+([\d.]+)/u';
            if (preg_match($pattern, $text, $row) !== 1) {
                return null;
            }
            foreach ([1, 2] as $arm) {
                $given["{$key}{$arm}"] = $row[$arm];
                $evidence["{$key}{$arm}"] = self::row($copy, "{$label} {$row[1]} {$row[2]}");
            }
        }

        return new self($given, $evidence);
    }

    /**
     * @param  list<string>  $keys  of ROWS
     * @return array{array<string, string>, array<string, list<Evidence>>} what was given and what it rests on, by field
     */
    public function some(array $keys): array
    {
        $fields = array_flip(array_merge(...array_map(fn (string $key): array => ["{$key}1", "{$key}2"], $keys)));

        return [array_intersect_key($this->given, $fields), array_intersect_key($this->evidence, $fields)];
    }

    /** @return list<Evidence> */
    private static function row(FullText $copy, string $quote): array
    {
        $found = WordsFound::in($copy->review_id, $copy->id, $quote)[0] ?? null;

        return $found === null
            ? []
            : [new Evidence(new Selector($quote, '', '', $found->page, -1, -1, $found->boxes), $copy->id)];
    }
}
