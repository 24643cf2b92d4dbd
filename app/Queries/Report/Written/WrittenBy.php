<?php

declare(strict_types=1);

namespace App\Queries\Report\Written;

use App\Files\Out\ReportReader;
use App\Files\Out\WrittenRun;
use App\Models\Report;
use App\Queries\Report\Composed\ReportBase;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Report\Document\Node;

/** Who wrote which of the words that stand in a report. What came from no page was there at the beginning. */
final readonly class WrittenBy
{
    public const NOBODY = '';

    /**
     * @param  list<OwnedParagraph>  $paragraphs
     * @param  array<string, Writer>  $people  by id, those with most words first
     */
    private function __construct(public array $paragraphs, public array $people)
    {
    }

    public static function of(Report $report): self
    {
        $writers = self::writers($report);
        $paragraphs = $words = [];
        foreach (ReportReader::written(ReportBase::of($report)) as $block) {
            $runs = self::runs($block->runs, $writers);
            foreach ($runs as $run) {
                if ($run->by !== null) {
                    $words[$run->by] = ($words[$run->by] ?? 0) + (int) preg_match_all('/[\p{L}\p{N}]+/u', $run->text);
                }
            }
            $paragraphs[] = new OwnedParagraph($block->type === Node::HEADING, $runs);
        }

        return new self($paragraphs, self::people($words, array_column($writers, 'name', 'id')));
    }

    /**
     * @param  array<string, int>  $words  how many each wrote
     * @param  array<string, string>  $names
     * @return array<string, Writer> who wrote most first
     */
    private static function people(array $words, array $names): array
    {
        arsort($words);
        $people = [];
        foreach ($words as $by => $count) {
            $name = $by === self::NOBODY ? 'there at the beginning' : $names[$by];
            $people[$by] = new Writer($name, $count, count($people) + 1);
        }

        return $people;
    }

    /**
     * @param  list<WrittenRun>  $runs
     * @param  array<int, stdClass>  $writers
     * @return list<OwnWords> what one person wrote on several pages is one
     */
    private static function runs(array $runs, array $writers): array
    {
        $joined = [];
        foreach ($runs as $run) {
            $by = $run->client === null ? null : $writers[$run->client]->id ?? self::NOBODY;
            $last = array_pop($joined);
            array_push($joined, ...match (true) {
                $last === null => [new OwnWords($by, $run->text)],
                $last->by === $by => [new OwnWords($by, $last->text.$run->text)],
                default => [$last, new OwnWords($by, $run->text)],
            });
        }

        return $joined;
    }

    /** @return array<int, stdClass> id and name of a person by the client of a page of theirs */
    private static function writers(Report $report): array
    {
        return DB::table('report_updates')
            ->join('users', 'users.id', '=', 'report_updates.user_id')
            ->where('review_id', $report->review_id)
            ->where('report_id', $report->id)
            ->distinct()
            ->get(['client', 'users.id', 'users.name'])
            ->keyBy('client')
            ->all();
    }
}
