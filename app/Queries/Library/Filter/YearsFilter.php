<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;

/** Years of publication; what has none is in no span. */
final readonly class YearsFilter implements Filter
{
    private function __construct(private ?int $from, private ?int $to)
    {
    }

    public static function from(Asked $asked, Place $place): array
    {
        [$from, $to] = [$asked->year('from'), $asked->year('to')];

        return $from === null && $to === null ? [] : [new self($from, $to)];
    }

    public function key(): string
    {
        return 'from';
    }

    public function words(): string
    {
        return match (true) {
            $this->to === null => "of {$this->from} or later",
            $this->from === null => "of {$this->to} or before",
            $this->from === $this->to => "of {$this->from}",
            default => "of {$this->from} to {$this->to}",
        };
    }

    public function apply(Builder $publications): void
    {
        $publications->whereRaw('coalesce(publications.year, 0) BETWEEN ? AND ?', [
            $this->from ?? 1,
            $this->to ?? 9999,
        ]);
    }
}
