<?php

declare(strict_types=1);

namespace App\Console;

use WaryHeron\Core\Synthesis\Effect\Effect;
use WaryHeron\Core\Synthesis\Effect\Measure;
use WaryHeron\Core\Synthesis\Effect\Reported;
use WaryHeron\Core\Synthesis\Effect\TwoByTwo;
use WaryHeron\Core\Synthesis\Effect\TwoMeans;
use WaryHeron\Core\Synthesis\Pool\Analysis;
use WaryHeron\Core\Synthesis\Pool\StudyRow;

/** Pools the studies of a CSV, as JSON. */
final class AnalyseStudies extends PureCommand
{
    private const COLUMNS = [
        'events' => ['study', 'e1', 'n1', 'e2', 'n2'],
        'means' => ['study', 'n1', 'm1', 'sd1', 'n2', 'm2', 'sd2'],
        'generic' => ['study', 'yi', 'sei'],
    ];

    protected $signature = 'heron:analyse {file : CSV with a study on each row} {--measure= : RR, OR, RD, PETO, MD, SMD, ROM or GEN}';

    protected $description = 'Pool studies';

    protected function work(): int
    {
        $measure = Measure::tryFrom(strtoupper($this->text('measure')));
        if ($measure === null) {
            return $this->unusable('Say --measure='.implode('|', array_column(Measure::cases(), 'value')).'.');
        }
        $kind = $measure->isOfEvents() ? 'events' : ($measure->isOfMeans() ? 'means' : 'generic');
        $csv = CsvRows::open($this->text('file'));
        if ($csv === null || ! $csv->has(...self::COLUMNS[$kind])) {
            $needed = implode(', ', self::COLUMNS[$kind]);

            return $this->unusable("{$this->text('file')} cannot be read, or lacks one of the columns {$needed}.");
        }

        return $this->print(Analysis::of($measure, $this->rows($measure, $csv))->toArray());
    }

    /** @return \Generator<int, StudyRow> */
    private function rows(Measure $measure, CsvRows $csv): \Generator
    {
        foreach ($csv->rows() as $row) {
            $table = $measure->isOfEvents() ? TwoByTwo::of(...$row->numbers('e1', 'n1', 'e2', 'n2')) : null;
            yield new StudyRow(
                $row->text('study'),
                $this->effect($measure, $row, $table),
                $row->number('year'),
                $row->text('group'),
                $table,
            );
        }
    }

    private function effect(Measure $measure, CsvRow $row, ?TwoByTwo $table): Effect
    {
        if ($measure->isOfEvents()) {
            return $table === null ? Effect::undefined() : $measure->ofEvents($table);
        }
        if ($measure->isOfMeans()) {
            $means = TwoMeans::of(...$row->numbers('n1', 'm1', 'sd1', 'n2', 'm2', 'sd2'));

            return $means === null ? Effect::undefined() : $measure->ofMeans($means);
        }

        return Reported::effect(false, $row->number('yi'), $row->number('sei'), null, null);
    }
}
