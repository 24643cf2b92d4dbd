<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Files\Out\ReportReader;
use App\Models\Report;
use Illuminate\Support\Facades\DB;

/** Who wrote which of the words that stand in a report. What came from no page was there at the beginning. */
final readonly class WrittenBy
{
    public const NOBODY = '';

    /**
     * @param  list<array{isHeading: bool, runs: list<array{by: string, text: string}>}>  $paragraphs  by: an id, or nobody
     * @param  array<string, array{name: string, words: int, number: int}>  $people  by id, those with most words first
     */
    private function __construct(public array $paragraphs, public array $people)
    {
    }

    public static function of(Report $report): self
    {
        $writers = self::writers($report);
        $paragraphs = $words = [];
        foreach (ReportReader::written(ReportBase::of($report)) as $block) {
            $runs = self::runs($block['runs'], $writers);
            foreach ($runs as ['by' => $by, 'text' => $text]) {
                $words[$by] = ($words[$by] ?? 0) + (int) preg_match_all('/[\p{L}\p{N}]+/u', $text);
            }
            $paragraphs[] = ['isHeading' => $block['type'] === 'heading', 'runs' => $runs];
        }
        $names = array_column($writers, 1, 0);
        arsort($words);
        $people = [];
        foreach ($words as $by => $count) {
            $name = $by === self::NOBODY ? 'there at the beginning' : $names[$by];
            $people[$by] = ['name' => $name, 'words' => $count, 'number' => count($people) + 1];
        }

        return new self($paragraphs, $people);
    }

    /**
     * @param  list<array{client: int, text: string}>  $runs
     * @param  array<int, array{string, string}>  $writers
     * @return list<array{by: string, text: string}> what one person wrote on several pages is one
     */
    private static function runs(array $runs, array $writers): array
    {
        $joined = [];
        $last = null;
        foreach ($runs as ['client' => $client, 'text' => $text]) {
            $by = $writers[$client][0] ?? self::NOBODY;
            if ($last !== null && $last['by'] === $by) {
                $last['text'] .= $text;
            } else {
                $joined[] = $last;
                $last = ['by' => $by, 'text' => $text];
            }
        }

        return array_values(array_filter([...$joined, $last]));
    }

    /** @return array<int, array{string, string}> id and name of a person by the client of a page of theirs */
    private static function writers(Report $report): array
    {
        $writers = [];
        $rows = DB::table('report_updates')
            ->join('users', 'users.id', '=', 'report_updates.user_id')
            ->where('review_id', $report->review_id)
            ->where('report_id', $report->id)
            ->distinct()
            ->get(['client', 'users.id', 'users.name']);
        foreach ($rows as $row) {
            $writers[(int) $row->client] = [$row->id, $row->name];
        }

        return $writers;
    }
}
