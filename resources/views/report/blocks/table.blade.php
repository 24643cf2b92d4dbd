@use('App\Queries\Synthesis\Tables\StudyTable')
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
        @foreach ($groups as $group => $rows)
            @if ($shown->by !== null)
                <tr>
                    <th scope="rowgroup" colspan="{{ 1 + count($shown->columns->heads) }}">{{ $shown->by->label }}: {{ $group }}</th>
                </tr>
            @endif
            @foreach ($rows as $row)
                @php([$study, $cells] = [$row->study, $row->cells])
                <tr>
                    <th scope="row">{{ StudyTable::called($study) }}</th>
                    @foreach (array_keys($shown->columns->heads) as $key)
                        <td>{!! nl2br(e($cells[$key]->words ?? '–')) !!}</td>
                    @endforeach
                </tr>
            @endforeach
        @endforeach
    </tbody>
</table>
