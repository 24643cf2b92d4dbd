<?php

declare(strict_types=1);

namespace App\Console;

use Symfony\Component\Console\Output\OutputInterface;
use WaryHeron\Core\Screening\Agreement\AgreementReport;
use WaryHeron\Core\Screening\Agreement\Ratings;
use WaryHeron\Core\Screening\Verdict;

/** Agreement between raters from a CSV of item, rater, verdict, as JSON. */
final class MeasureAgreement extends PureCommand
{
    protected $signature = 'heron:agreement {file : CSV with the columns item, rater, verdict} {--categories= : all that were offered, in order, with commas}';

    protected $description = 'Measure agreement between raters';

    protected function work(): int
    {
        $file = $this->text('file');
        $stream = is_file($file) && is_readable($file) ? fopen($file, 'rb') : false;
        if ($stream === false) {
            return $this->unusable("{$file} cannot be read.");
        }
        $given = $this->text('categories');
        $offered = $given === '' ? null : array_map(trim(...), explode(',', $given));
        $ratings = RatingsFile::read($stream, $offered);
        if ($ratings === null) {
            return $this->unusable("{$file}:1: the columns item, rater and verdict are needed.");
        }
        foreach ($ratings->rejected as $problem) {
            $this->say("{$file}:{$problem}");
        }
        $report = AgreementReport::of(Ratings::of($ratings->rows, $offered ?? $this->occurring($ratings->rows)));
        $this->output->writeln(
            json_encode(
                $report->toArray(),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return $ratings->rejected === [] ? self::SUCCESS : self::FAILURE;
    }

    /**
     * @param  list<array{string, string, string}>  $rows
     * @return list<string> our verdicts in our order, then others by the alphabet
     */
    private function occurring(array $rows): array
    {
        $found = array_values(array_unique(array_column($rows, 2)));
        sort($found);
        $ours = array_values(array_intersect(array_map(fn (Verdict $v): string => $v->value, Verdict::cases()), $found));

        return [...$ours, ...array_values(array_diff($found, $ours))];
    }
}
