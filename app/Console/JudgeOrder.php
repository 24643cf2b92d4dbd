<?php

declare(strict_types=1);

namespace App\Console;

use WaryHeron\Core\Screening\Ranking\RankingQuality;

/** How early the orders of a CSV bring what is relevant, as JSON. */
final class JudgeOrder extends PureCommand
{
    private const AT = [1, 5, 10, 20, 50, 100, 500];

    protected $signature = 'heron:order {file : CSV with the columns dataset, rank, relevant}';

    protected $description = 'Quality of reading orders';

    protected function work(): int
    {
        $csv = CsvRows::open($this->text('file'));
        if ($csv === null || ! $csv->has('dataset', 'rank', 'relevant')) {
            return $this->unusable("{$this->text('file')} cannot be read, or lacks one of the columns dataset, rank, relevant.");
        }
        $ranked = [];
        foreach ($csv->rows() as $line => $row) {
            $isRelevant = in_array(strtolower($row->text('relevant')), ['1', 'true', 'yes', '1.0'], true);
            $ranked[$row->text('dataset')][] = [$row->number('rank') ?? INF, $line, $isRelevant];
        }

        return $this->print((object) array_map(self::quality(...), $ranked));
    }

    /**
     * @param  list<array{float, int, bool}>  $ranked
     * @return array<string, int|float|object|null>
     */
    private static function quality(array $ranked): array
    {
        usort($ranked, fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        $quality = RankingQuality::of(array_column($ranked, 2));
        $recall = array_map($quality->recallAt(...), self::AT);

        return [
            'n' => $quality->all,
            'relevant' => $quality->relevant(),
            'needed95' => $quality->needed95(),
            'k95' => $quality->k95(),
            'wss95' => $quality->wss95(),
            'recall_at' => (object) array_combine(array_map(strval(...), self::AT), $recall),
            'average_precision' => $quality->averagePrecision(),
        ];
    }
}
