@use('App\Queries\Coding\Table\TableRows')
<!doctype html>
<html lang="en-GB">

    <head>
        <meta charset="utf-8">
        <title>{{ $review->title }}: what the studies say</title>
    </head>

    <body>
        <h1>{{ $review->title }}: what the studies say</h1>
        <p>As coded by {{ now()->format('j M Y') }}.</p>
        @foreach ($rows as $row)
            @if ($loop->first)
                @php($labels = array_column(array_chunk(array_slice($row, 6), 1 + count($parts)), 0))
                @continue
            @endif
            @php([, $title, $authors, $year, $journal, $doi] = $row)
            <h2>{{ trim(Str::before((string) $authors, ';') . ' ' . $year) ?: $title }}</h2>
            <p>{{ implode('. ', array_filter([$title, $journal])) }}.{{ $doi ? " doi:{$doi}" : '' }}</p>
            <table>
                <thead>
                    <tr>
                        <th scope="col">Item</th>
                        <th scope="col">Answer</th>
                        @foreach ($parts as $part)
                            <th scope="col">{{ Str::ucfirst(TableRows::PARTS[$part]) }}</th>
                        @endforeach
                    </tr>
                </thead>
                <tbody>
                    @foreach (array_chunk(array_slice($row, 6), 1 + count($parts)) as $cells)
                        <tr>
                            <td>{{ $labels[$loop->index] }}</td>
                            @foreach ($cells as $cell)
                                <td>{!! nl2br(e((string) $cell)) !!}</td>
                            @endforeach
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endforeach
    </body>

</html>
