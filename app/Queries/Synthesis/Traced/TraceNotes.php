<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Traced;

use App\Models\Review;
use App\Queries\Synthesis\PooledAnalysis;
use App\Queries\Synthesis\PooledRow;
use Carbon\CarbonImmutable;
use stdClass;
use WaryHeron\Core\Coding\Evidence;

/** What the studies of an analysis rest on, in sentences, for notes to its plot on paper. */
final readonly class TraceNotes
{
    private function __construct(private Review $review, private Provenance $provenance)
    {
    }

    public static function of(Review $review, PooledAnalysis $pooled): self
    {
        $publications = array_map(fn (PooledRow $one): string => $one->publication, $pooled->rows);

        return new self($review, Provenance::of($review, array_values(array_unique($publications))));
    }

    /** @return list<string> a sentence for each result: its numbers, and the words they rest on with their places */
    public function numbers(PooledRow $row, PooledAnalysis $pooled): array
    {
        $sentences = [];
        foreach ((new Trace($this->review, $row))->numbers($pooled->reported->results, $pooled->outcome) as $of) {
            $told = array_map(fn (TracedNumber $one): string => "{$one->label} {$one->given}", $of->numbers);
            $quotes = array_map(
                fn (Evidence $one): string => "“{$one->selector->quote}” ({$one->whereabouts()})",
                $of->words(),
            );
            $sentences[] = implode('; ', $told).'. '.($quotes === [] ? 'No words are marked.' : implode('; ', $quotes).'.');
        }

        return $sentences;
    }

    private static function place(stdClass $record): string
    {
        return match (true) {
            $record->run_id !== null => ", line #{$record->last_number}",
            $record->line !== null => ", line {$record->line} of the file",
            default => '',
        };
    }

    /** When it was included, and which search found it. */
    public function found(PooledRow $row): string
    {
        $day = fn (?string $at): string => $at === null ? '' : ', '.CarbonImmutable::parse($at)->format('j M Y');
        $in = $this->provenance->inclusions($row->publication)->last();
        $records = $this->provenance->records($row->publication)->map(
            fn (stdClass $one): string => $one->source_name.$day($one->searched_on).self::place($one),
        );

        return trim(
            ($in === null ? '' : 'Included at '.mb_strtolower($in->name).$day($in->opened_at).'. ').
            ($records->isEmpty() ? '' : "Found by {$records->implode('; ')}."),
        );
    }
}
