@use('WaryHeron\Core\Synthesis\Map\MapPlot')
@php
    // one file for people outside: nothing is loaded from anywhere, and no script runs
    $anchors = [];
    foreach ($map->rows as $down => $row) {
        foreach ($map->columns as $across => $column) {
            if (isset($cells[$row][$column])) {
                $anchors[$row][$column] = "#cell-{$down}-{$across}";
            }
        }
    }
    $cited = fn($one): string => trim(implode('. ', array_filter([$one->authors, trim("{$one->title} ({$one->year})"), $one->journal])), ' .') . '.';
@endphp
<!doctype html>
<html lang="en-GB">

<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:">
    <title>{{ $title }} · {{ $review->title }}</title>
    <style>
        body { font: 16px/1.5 "Source Serif 4", Georgia, serif; color: #11222c; background: #fcfefe; margin: 2rem auto; max-width: 62rem; padding: 0 1rem; }
        h1 { font-size: 1.6rem; line-height: 1.2; margin: 0; }
        h2 { font-size: 1.1rem; margin: 1.8rem 0 .3rem; border-top: 1px solid #b9c9cf; padding-top: .6rem; }
        h2:target { background: #d5e5ea; }
        p.about { color: #46606c; margin: .3rem 0 1.2rem; }
        .map { overflow-x: auto; }
        .map svg { max-width: none; height: auto; font-family: "Atkinson Hyperlegible", Verdana, sans-serif; color: #11222c; }
        table { border-collapse: collapse; margin: 1rem 0; font-size: .9rem; }
        th, td { border: 1px solid #b9c9cf; padding: .25rem .6rem; text-align: left; }
        td { text-align: right; }
        li { margin: .25rem 0; }
        a { color: #17556a; }
        @media print { h2 { break-after: avoid; } li { break-inside: avoid; } }
    </style>
</head>

<body>
    <h1>{{ $title }}</h1>
    <p class="about">{{ $review->title }}. {{ $map->studies }} {{ Str::plural('study', $map->studies) }},
        {{ $map->gaps() }} of {{ count($map->rows) * count($map->columns) }} cells without one. As of {{ now()->format('j M Y') }}. A study with several
        answers stands in several cells. Press a cell for its studies.</p>
    <div class="map">{!! (new MapPlot($map))->svg($title, isFile: false, links: $anchors) !!}</div>
    <table>
        <thead>
            <tr>
                <th scope="col">{{ $rows->label }}</th>
                @foreach ($map->columns as $column)
                    <th scope="col">{{ $column ?: 'studies' }}</th>
                @endforeach
            </tr>
        </thead>
        <tbody>
            @foreach ($map->rows as $row)
                <tr>
                    <th scope="row">{{ $row }}</th>
                    @foreach ($map->columns as $column)
                        <td>{{ $map->at($row, $column) }}</td>
                    @endforeach
                </tr>
            @endforeach
        </tbody>
    </table>
    @foreach ($map->rows as $down => $row)
        @foreach ($map->columns as $across => $column)
            @if (isset($cells[$row][$column]))
                <h2 id="cell-{{ $down }}-{{ $across }}">{{ $row }}{{ $column === '' ? '' : " × {$column}" }}</h2>
                <ul>
                    @foreach ($cells[$row][$column] as $one)
                        <li>{{ $cited($one) }}
                            @if ($one->doi !== '')
                                <a href="https://doi.org/{{ $one->doi }}" rel="noreferrer">doi.org/{{ $one->doi }}</a>
                            @endif
                        </li>
                    @endforeach
                </ul>
            @endif
        @endforeach
    @endforeach
</body>

</html>
