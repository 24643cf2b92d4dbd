@use('App\Queries\Synthesis\Shown')
@use('WaryHeron\Core\Synthesis\Map\CellFigure')
@php
    $cellsAs = $as ?? CellFigure::Studies;
    $percent = fn (int $count, int $of): string => $of === 0 ? '–' : Shown::number((100 * $count) / $of, 0);
    $figure = fn (string $row, string $column): string => match (true) {
        $cellsAs === CellFigure::Studies => (string) $map->at($row, $column),
        ($value = $map->figure($row, $column, $cellsAs)) === null => '–',
        default => Shown::number($value, 0) . ' %',
    };
    $tests = $map->tests();
@endphp
<div class="overflow-x-auto" tabindex="0" role="region" aria-label="{{ $name }} as numbers">
    <table class="table">
        <thead>
            <tr>
                <th scope="col">{{ $rows->label }}</th>
                @foreach ($map->columns as $column)
                    <th scope="col" class="number">{{ $column ?: 'studies' }}</th>
                @endforeach
                @if ($columns)
                    <th scope="col" class="number">all</th>
                @endif
                <th scope="col" class="number">% of studies</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($map->rows as $row)
                <tr>
                    <th scope="row">{{ $row }}</th>
                    @foreach ($map->columns as $column)
                        <td class="number">{{ $figure($row, $column) }}</td>
                    @endforeach
                    @if ($columns)
                        <td class="number">{{ $map->rowTotals[$row] ?? 0 }}</td>
                    @endif
                    <td class="number">{{ $percent($map->rowTotals[$row] ?? 0, $map->studies) }}</td>
                </tr>
            @endforeach
            @if ($columns)
                <tr>
                    <th scope="row">all</th>
                    @foreach ($map->columns as $column)
                        <td class="number">{{ $map->columnTotals[$column] ?? 0 }}</td>
                    @endforeach
                    <td class="number">{{ $map->studies }}</td>
                    <td class="number">{{ $percent($map->studies, $map->studies) }}</td>
                </tr>
            @endif
        </tbody>
    </table>
</div>
@if ($tests !== null && $tests['pearson']->chi2 !== null)
    <p class="small">χ² {{ Shown::number($tests['pearson']->chi2) }} on {{ $tests['pearson']->df }}, p
        {{ Shown::p($tests['pearson']->p) }}{{ isset($tests['fisher_p']) ? ', Fisher’s exact p ' . Shown::p($tests['fisher_p']) : '' }}</p>
@endif
