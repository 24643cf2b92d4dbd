<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;

/** What a source had, in whichever delivery. */
final readonly class SourceFilter implements Filter
{
    private function __construct(private string $source)
    {
    }

    public static function from(Asked $asked, Place $place): array
    {
        $source = $asked->text('source', 120);

        return $source === '' ? [] : [new self($source)];
    }

    public function key(): string
    {
        return 'source';
    }

    public function words(): string
    {
        return "from {$this->source}";
    }

    public function apply(Builder $publications): void
    {
        RecordsOf::where(
            $publications,
            fn (Builder $records) => $records->where('deliveries.source_name', $this->source),
        );
    }
}
