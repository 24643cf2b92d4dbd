@use('App\Queries\Synthesis\Tables\StudyTable')
<!doctype html>
<html lang="en-GB">

    <head>
        <meta charset="utf-8">
        <title>{{ $title }}</title>
    </head>

    <body>
        <h1>{{ $title }}</h1>
        <p>{{ $shown->studies->count() }} {{ Str::plural('study', $shown->studies->count()) }}, {{ now()->format('j M Y') }}.</p>
        @foreach ($groups as $group => $rows)
            @if ($shown->by !== null)
                <h2>{{ $shown->by->label }}: {{ $group }}</h2>
            @endif
            <table>
                <thead>
                    <tr>
                        <th scope="col">Study</th>
                        @foreach ($shown->columns->heads as $head)
                            <th scope="col">{{ $head }}</th>
                        @endforeach
                    </tr>
                </thead>
                <tbody>
                    @foreach ($rows as $row)
                                    @php([$study, $cells] = [$row->study, $row->cells])
                        <tr>
                            <td>{{ StudyTable::called($study) }}</td>
                            @foreach (array_keys($shown->columns->heads) as $key)
                                <td>{!! nl2br(e($cells[$key]->words ?? '–')) !!}
                                    @foreach ($cells[$key]->evidence ?? [] as $piece)
                                        <br>“{{ $piece->quote }}” ({{ $piece->where }})
                                    @endforeach
                                </td>
                            @endforeach
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endforeach
    </body>

</html>
