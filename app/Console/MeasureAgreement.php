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
        $heads = array_map(
            fn (?string $head): string => strtolower(trim((string) $head, "\xEF\xBB\xBF \t")),
            fgetcsv($stream, escape: '') ?: [],
        );
        $columns = array_map(fn (string $name): int|false => array_search($name, $heads, true), [
            'item',
            'rater',
            'verdict',
        ]);
        if (in_array(false, $columns, true)) {
            return $this->unusable("{$file}:1: the columns item, rater and verdict are needed.");
        }
        $offered =
            $this->text('categories') === '' ? null : array_map(trim(...), explode(',', $this->text('categories')));
        $rows = $seen = [];
        $rejected = 0;
        for ($line = 2; ($cells = fgetcsv($stream, escape: '')) !== false; $line++) {
            if ($cells === [null]) {
                continue;
            }
            [$item, $rater, $verdict] = array_map(
                fn (int|false $at): string => trim((string) ($cells[(int) $at] ?? '')),
                $columns,
            );
            $problem = match (true) {
                $item === '' || $rater === '' => 'an item and a rater are needed.',
                $verdict === '' => '',
                $offered !== null && ! in_array($verdict, $offered, true) => "“{$verdict}” is not one of: ".
                    implode(', ', $offered).
                    '.',
                isset($seen["{$item}\0{$rater}"]) => "{$rater} has judged {$item} already.",
                default => null,
            };
            if ($problem === null) {
                $seen["{$item}\0{$rater}"] = true;
                $rows[] = [$item, $rater, $verdict];
            } elseif ($problem !== '') {
                // an empty verdict is a missing rating
                $rejected++;
                $this->say("{$file}:{$line}: {$problem}");
            }
        }
        $report = AgreementReport::of(Ratings::of($rows, $offered ?? $this->occurring($rows)));
        $this->output->writeln(
            json_encode(
                $report,
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return $rejected > 0 ? self::FAILURE : self::SUCCESS;
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
