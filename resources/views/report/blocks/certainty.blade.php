<table>
    <thead>
        <tr>
            <th scope="col">Outcome</th>
            <th scope="col">Effect</th>
            <th scope="col">In a thousand</th>
            <th scope="col">Certainty</th>
        </tr>
    </thead>
    <tbody>
        @foreach ($rows as $row)
            <tr>
                <th scope="row">{{ $row->kept->title }}</th>
                <td>{{ $row->effect() ?: '–' }}</td>
                <td>{{ $row->absolute() ?: '–' }}</td>
                <td>{{ $row->judged?->certainty()->level()->label() ?? 'not judged yet' }}</td>
            </tr>
        @endforeach
    </tbody>
</table>
