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
use WaryHeron\Core\Search\Dialect\Compiled;
use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\Translated\TranslatedLine;
use WaryHeron\Core\Search\Strategy\Translated\Translation;

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
        $lines = $strategy->shown()->strategy();
        $translation = $this->compiler->translation($strategy->review, $source);
        $whole = $this->whole($lines, $translation, $source);
        $asked = self::asked($lines, $translation);
        $holdings = $this->counts->holdings($source);
        $texts = array_filter([...$asked, $whole->text], fn (string $text): bool => $text !== '');
        $counts = $this->counts->of($source, array_values($texts), self::SECONDS);
        $total = $this->total($counts[$whole->text] ?? null, $source);
        $byLine = array_map(fn (string $text): mixed => $counts[$text] ?? null, $asked);
        $lines = $this->lines($translation->lines($lines), $byLine, $source);
        $found = ['holdings' => $holdings, 'query_sent' => $whole->text, 'lines' => $lines, 'total' => $total];

        return DB::transaction(fn (): Run => $this->keep($by, $strategy, $source, $found));
    }

    private function total(int|string|null $counted, string $source): int
    {
        return is_int($counted) ? $counted : throw new Refused(
            is_string($counted)
                ? "{$counted} Nothing was run."
                : "{$this->sources->names()[$source]} is too slow to count every line. Nothing was run; "
                    .'try again, what was counted is kept.',
        );
    }

    /** What the result of the strategy is in the database's own words. */
    private function whole(Lines $lines, Translation $translation, string $source): Compiled
    {
        $result = $lines->resultNumber()
            ?? throw new Refused('The strategy has no terms yet, so there is nothing to run.');
        try {
            $whole = $translation->query($lines->writtenOut($result));
        } catch (BadStrategy $problem) {
            throw new Refused("{$problem->getMessage()} Nothing was run.");
        }
        if (! $whole->isUsable()) {
            throw new Refused("{$this->sources->names()[$source]} cannot be asked this: ".self::lost($whole).'.');
        }

        return $whole;
    }

    private static function lost(Compiled $whole): string
    {
        $lost = array_values(array_filter($whole->notes, fn (TranslationNote $note): bool => $note->lost));

        return $lost === [] ? 'nothing of it can be said there' : $lost[0]->message();
    }

    /** @return array<int, string> each line by its number, written out, whatever it is sent as; '' where it is wrong */
    private static function asked(Lines $lines, Translation $translation): array
    {
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

        return $asked;
    }

    /**
     * @param  list<TranslatedLine>  $translated
     * @param  array<int, mixed>  $counts  by number of the line
     * @return list<array<string, string|int|list<string>|null>>
     */
    private function lines(array $translated, array $counts, string $source): array
    {
        $command = (string) ($this->sources->dialect($source)->data['lines']['command'] ?? '{text}');

        return array_map(
            fn (int $i, TranslatedLine $line): array => [
                'number' => $i + 1,
                'note' => $line->line->note,
                'text' => $line->line->text,
                'sent' => $line->number === null
                    ? $line->text
                    : "S{$line->number} ".strtr($command, ['{text}' => $line->text]),
                'count' => is_int($counts[$i + 1] ?? null) ? $counts[$i + 1] : null,
                'notes' => array_map(fn (TranslationNote $note): string => $note->message(), $line->notes),
            ],
            array_keys($translated),
            $translated,
        );
    }

    /** @param  array<string, mixed>  $found */
    private function keep(User $by, Strategy $strategy, string $source, array $found): Run
    {
        $name = $this->sources->names()[$source];
        $version = $this->strategies->freeze($by, $strategy);
        $run = $strategy->runs()->create([
            'review_id' => $strategy->review_id,
            'version' => $version->number,
            'source' => $source,
            'source_title' => $name,
            'dialect' => $this->sources->dialect($source)->title(),
            'ran_by' => $by->id,
            'ran_at' => now(),
            ...$found,
        ]);
        $total = number_format($found['total']);
        $words = "Ran version {$version->number} of “{$strategy->name}” in {$name}: {$total} records";
        $about = ['query' => $found['query_sent'], 'total' => $found['total']];
        ($this->log)($strategy->review_id, $by, 'strategy.run', $words, $run, $about);

        return $run;
    }
}
