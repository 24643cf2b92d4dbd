<!doctype html>
<html lang="en-GB">

    <head>
        <meta charset="utf-8">
        <title>{{ $strategy->name }}</title>
    </head>

    <body>
        <h1>{{ $strategy->name }}</h1>
        <p>{{ $review->title }}. Translation table, {{ now()->format('j M Y') }}.</p>
        <table>
            <thead>
                <tr>
                    <th scope="col">Line</th>
                    @foreach ($table->columns as $column)
                        <th scope="col">{{ $column->name }}</th>
                    @endforeach
                </tr>
            </thead>
            <tbody>
                @foreach ($table->rows as $row)
                    <tr>
                        <td>#{{ $row->number }} {{ $row->note }}<br><code>{{ $row->text }}</code></td>
                        @foreach ($table->columns as $column)
                            @php $cell = $row->cells[$column->key]; @endphp
                            <td><code>{{ $cell->text }}</code>
                                {{ $cell->count === null ? '' : '(' . number_format($cell->count) . ' records)' }} @foreach ($cell->notes as $note)
                                    <br>{{ $note }}
                                    @endforeach @if ($cell->marked !== '')
                                        <br>Confirmed by {{ $cell->marked }}
                                    @endif
                            </td>
                        @endforeach
                    </tr>
                @endforeach
            </tbody>
        </table>
    </body>

</html>
