<?php

declare(strict_types=1);

namespace App\Console;

use Symfony\Component\Console\Output\OutputInterface;
use WaryHeron\Core\Bibliography\Format\Csv\CsvLine;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Matching\Conflict;
use WaryHeron\Core\Matching\Fingerprints;
use WaryHeron\Core\Matching\Matcher;
use WaryHeron\Core\Matching\MatchField;
use WaryHeron\Core\Matching\MatchResult;
use WaryHeron\Core\Matching\MatchSettings;
use WaryHeron\Core\Matching\Pair;

/** Finds the records of files that are one publication; the groups joined without asking go to standard output. */
final class MatchFiles extends OfReferences
{
    protected $signature = 'heron:match {file* : in any format that is read} {--with-likely : also join what a person would be asked about and is likely} {--evidence= : write all weighed pairs with the weight of each field to this CSV file} {--preset=balanced : cautious, balanced or keen}';

    protected $description = 'Deduplicate files of references';

    protected function work(): int
    {
        if (! isset(MatchSettings::PRESETS[$this->text('preset')])) {
            return $this->unusable('The presets are: '.implode(', ', array_keys(MatchSettings::PRESETS)).'.');
        }
        $fingerprints = new Fingerprints();
        $prints = [];
        try {
            foreach ($this->references() as $key => $reference) {
                $prints[] = $fingerprints->of($reference, $key);
            }
        } catch (UnusableFile $unusable) {
            return $this->unusable($unusable->getMessage());
        }
        $result = (new Matcher(MatchSettings::preset($this->text('preset'))))->match($prints);
        $this->output->write(
            $this->clusters($this->option('with-likely') ? $result->groupsWithLikely() : $result->groups()),
            false,
            OutputInterface::OUTPUT_RAW,
        );
        if ($this->text('evidence') !== '' && ! $this->writeEvidence($result, $this->text('evidence'))) {
            return $this->unusable("{$this->text('evidence')} cannot be written.");
        }
        $this->say(
            number_format(count($prints)).
                ' records read; '.
                number_format(array_sum(array_map(count(...), $result->groups()))).
                ' of them joined to '.
                number_format(count($result->groups())).
                ' publications; '.
                number_format(count($result->recordsAsked())).
                ' records for people to look at.',
        );

        return $this->rejected > 0 ? self::FAILURE : self::SUCCESS;
    }

    /** @param  list<list<string>>  $groups */
    private function clusters(array $groups): string
    {
        $lines = "record_id,cluster_id\n";
        foreach ($groups as $group) {
            foreach ($group as $key) {
                $lines .= self::cells([$key, $group[0]]);
            }
        }

        return $lines;
    }

    private function writeEvidence(MatchResult $result, string $path): bool
    {
        $file = @fopen($path, 'wb');
        if ($file === false) {
            return false;
        }
        $ofField = fn (MatchField $field): array => ["{$field->value}_level", "{$field->value}_bits"];
        $heads = array_merge(...array_map($ofField, MatchField::cases()));
        fwrite($file, self::cells(['record_a', 'record_b', 'verdict', 'bits', ...$heads, 'against']));
        foreach ($result->pairs as $pair) {
            fwrite($file, self::cells(self::evidence($result, $pair)));
        }
        fclose($file);

        return true;
    }

    /** @return list<string> */
    private static function evidence(MatchResult $result, Pair $pair): array
    {
        $parts = $result->judge->parts($pair->comparison, $pair->rarity);
        $bits = fn (?float $one): string => $one === null ? '' : number_format($one, 2, '.', '');
        $cells = [
            $result->prints[$pair->a]->key,
            $result->prints[$pair->b]->key,
            $pair->verdict->value,
            $bits($pair->score),
        ];
        foreach (MatchField::cases() as $field) {
            $level = $pair->comparison->level($field);
            $words = $level === 0 ? 'not compared' : $field->levels()[$level][0];
            array_push($cells, $words, $bits($parts[$field->value] ?? null));
        }
        $against = Conflict::in($pair->comparison->conflicts());
        $cells[] = implode(' ', array_map(fn (Conflict $conflict): string => $conflict->words(), $against));

        return $cells;
    }

    /** @param  list<string>  $cells */
    private static function cells(array $cells): string
    {
        return rtrim(CsvLine::of($cells), "\r\n")."\n";
    }
}
