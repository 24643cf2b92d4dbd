<table>
    <thead>
        <tr>
            <th scope="col">Source</th>
            <th scope="col">Day</th>
            <th scope="col">Records kept</th>
        </tr>
    </thead>
    <tbody>
        @foreach ($searches as $search)
            <tr>
                <td>{{ $search->source_name }}</td>
                <td>{{ $search->searched_on ? \Carbon\CarbonImmutable::parse($search->searched_on)->format('j M Y') : '' }}</td>
                <td>{{ number_format($search->kept) }}</td>
            </tr>
        @endforeach
    </tbody>
</table>
