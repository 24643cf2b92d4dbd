<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;
use WaryHeron\Core\Synthesis\Report\Group;

/** An analysis as rows of a file: each study with what is used of it, then the pooled estimate. */
final class AnalysisRows
{
    private const HEADS = [
        'study', 'group', 'events 1', 'people 1', 'mean 1', 'SD 1', 'events 2', 'people 2', 'mean 2', 'SD 2',
        'estimate (analysis scale)', 'standard error', 'estimate', 'from', 'to', 'weight %', 'why these rows',
    ];

    /** @return \Generator<int, list<string|int|float|null>> */
    public static function of(PooledAnalysis $analysis): \Generator
    {
        yield self::HEADS;
        $pooled = $analysis->pooled();
        $measure = $analysis->terms->measure;
        foreach ($analysis->rows as $row) {
            yield self::row($row, $measure, $pooled->weights[$row->key] ?? null);
        }
        $shown = fn (?float $one): ?float => $measure->shown($one, $analysis->size());
        yield [
            $analysis->terms->by->label(),
            '',
            ...array_fill(0, 8, null),
            $pooled->estimate,
            null,
            ...array_map($shown, [$pooled->estimate, $pooled->low, $pooled->high]),
            null,
            '',
        ];
    }

    /** @return list<string|int|float|null> */
    private static function row(PooledRow $row, AnalysisMeasure $measure, ?float $weight): array
    {
        $used = $row->chosen->used;
        $interval = $row->effect->interval();
        $shown = fn (?float $one): ?float => $measure->shown($one, $used->one?->n);

        return [
            $row->label,
            $row->group,
            ...self::group($used->one),
            ...self::group($used->two),
            $row->effect->estimate,
            $row->effect->standardError(),
            ...array_map($shown, [$row->effect->estimate, $interval->low, $interval->high]),
            $weight,
            $row->isHidden ? 'left out by hand' : $row->chosen->why,
        ];
    }

    /** @return list<?float> */
    private static function group(?Group $group): array
    {
        return [$group?->events, $group?->n, $group?->mean, $group?->sd];
    }
}
