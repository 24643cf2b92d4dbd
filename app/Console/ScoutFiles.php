<?php

declare(strict_types=1);

namespace App\Console;

use Symfony\Component\Console\Output\OutputInterface;
use WaryHeron\Core\Bibliography\Format\Csv\CsvLine;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Scouting\Finding;
use WaryHeron\Core\Scouting\Named\NamedThing;
use WaryHeron\Core\Scouting\Named\NameKind;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Scout;

/** Ranks the records of files by how well they answer a plain question, one row each. */
final class ScoutFiles extends OfReferences
{
    protected $signature = 'heron:scout {question : in plain words} {file* : in any format that is read} {--named= : instead the things of one kind that they name: instrument, measure, dataset, intervention or outcome}';

    protected $description = 'Answer a plain question from references';

    protected function work(): int
    {
        $kind = NameKind::tryFrom($this->text('named'));
        if ($kind === null && $this->text('named') !== '') {
            return $this->unusable('The kinds are: '.implode(', ', array_column(NameKind::cases(), 'value')).'.');
        }
        $records = [];
        try {
            foreach ($this->references() as $key => $reference) {
                $records[] = ReadRecord::of(
                    $key,
                    $reference->title,
                    $reference->abstract,
                    $reference->firstFamily(),
                );
            }
        } catch (UnusableFile $unusable) {
            return $this->unusable($unusable->getMessage());
        }
        $scout = new Scout();
        $question = $scout->question($this->text('question'));
        if ($question->concepts === []) {
            return $this->unusable('The question names nothing to look for.');
        }
        $this->output->write(
            $kind === null
                ? $this->ranked($scout->findings($question, $records))
                : $this->named($scout->named($question, $records, $kind)),
            false,
            OutputInterface::OUTPUT_RAW,
        );

        return $this->rejected > 0 ? self::FAILURE : self::SUCCESS;
    }

    /** @param  list<Finding>  $findings */
    private function ranked(array $findings): string
    {
        $rows = CsvLine::of(['rank', 'record_id', 'score', 'sentence', 'direction', 'confidence', 'reason']);
        foreach ($findings as $i => $finding) {
            $rows .= $this->row($i + 1, $finding);
        }

        return $rows;
    }

    /** @param  list<NamedThing>  $things */
    private function named(array $things): string
    {
        $rows = CsvLine::of(['name', 'variants', 'papers', 'ids', 'definition']);
        foreach ($things as $thing) {
            $rows .= CsvLine::of([
                $thing->name,
                implode('; ', $thing->variants),
                (string) count($thing->ids),
                implode('; ', $thing->ids),
                $thing->definition,
            ]);
        }

        return $rows;
    }

    private function row(int $rank, Finding $finding): string
    {
        return CsvLine::of([
            (string) $rank,
            $finding->id,
            number_format($finding->score, 4, '.', ''),
            $finding->sentence,
            $finding->direction->value ?? '',
            $finding->confidence->value,
            $finding->reason,
        ]);
    }
}
