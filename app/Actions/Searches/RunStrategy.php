<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Run;
use App\Models\Strategy;
use App\Models\User;
use App\Queries\Searches\Compiler;
use App\Sources\Counts;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\TranslatedLine;

/**
 * Runs the strategy as it stands in one database: freezes it, counts every line, and keeps what was sent. Nothing is
 * fetched.
 */
final readonly class RunStrategy
{
    private const SECONDS = 40.0;

    public function __construct(
        private ChangeStrategy $strategies,
        private Compiler $compiler,
        private Counts $counts,
        private Sources $sources,
        private WriteLog $log,
    ) {
    }

    /**
     * @throws Refused If the strategy cannot be run there as it is.
     * @throws SourceFailed
     */
    public function execute(User $by, Strategy $strategy, string $source): Run
    {
        $review = $strategy->review;
        $lines = $strategy->shown()->strategy();
        $name = $this->sources->names()[$source];
        $result =
            $lines->resultNumber() ?? throw new Refused('The strategy has no terms yet, so there is nothing to run.');
        $translation = $this->compiler->translation($review, $source);
        try {
            $whole = $translation->query($lines->writtenOut($result));
        } catch (BadStrategy $problem) {
            throw new Refused("{$problem->getMessage()} Nothing was run.");
        }
        if (! $whole->isUsable()) {
            $lost = array_values(array_filter($whole->notes, fn (TranslationNote $note): bool => $note->lost));
            throw new Refused(
                "{$name} cannot be asked this: ".
                    ($lost === [] ? 'nothing of it can be said there' : $lost[0]->message()).
                    '.',
            );
        }
        // each line is counted written out, whatever it is sent as
        $asked = [];
        foreach ($lines->lines as $i => $line) {
            if (! $line->isBlank()) {
                try {
                    $asked[$i + 1] = $translation->query($lines->writtenOut($i + 1))->text;
                } catch (BadStrategy) {
                    $asked[$i + 1] = '';
                }
            }
        }
        $holdings = $this->counts->holdings($source);
        $counts = $this->counts->of(
            $source,
            array_values(array_filter([...$asked, $whole->text], fn (string $text): bool => $text !== '')),
            self::SECONDS,
        );
        $total = $counts[$whole->text] ?? null;
        if (! is_int($total)) {
            throw new Refused(
                is_string($total)
                    ? "{$total} Nothing was run."
                    : "{$name} is too slow to count every line. Nothing was run; try again, what was counted is kept.",
            );
        }
        $kept = array_map(
            fn (int $i, TranslatedLine $line): array => [
                'number' => $i + 1,
                'note' => $line->line->note,
                'text' => $line->line->text,
                'sent' => $line->number === null
                        ? $line->text
                        : "S{$line->number} ".
                            strtr((string) ($this->sources->dialect($source)->data['lines']['command'] ?? '{text}'), [
                                '{text}' => $line->text,
                            ]),
                'count' => is_int($counts[$asked[$i + 1] ?? ''] ?? null) ? $counts[$asked[$i + 1]] : null,
                'notes' => array_map(fn (TranslationNote $note): string => $note->message(), $line->notes),
            ],
            array_keys($lines->lines),
            $translation->lines($lines),
        );

        return DB::transaction(function () use ($by, $strategy, $source, $name, $whole, $kept, $total, $holdings): Run {
            $version = $this->strategies->freeze($by, $strategy);
            $run = $strategy->runs()->create([
                'review_id' => $strategy->review_id,
                'version' => $version->number,
                'source' => $source,
                'source_title' => $name,
                'dialect' => $this->sources->dialect($source)->title(),
                'holdings' => $holdings,
                'query_sent' => $whole->text,
                'lines' => $kept,
                'total' => $total,
                'ran_by' => $by->id,
                'ran_at' => now(),
            ]);
            ($this->log)(
                $strategy->review_id,
                $by,
                'strategy.run',
                "Ran version {$version->number} of “{$strategy->name}” in {$name}: ".
                    number_format($total).
                    ' records',
                $run,
                ['query' => $whole->text, 'total' => $total],
            );

            return $run;
        });
    }
}
