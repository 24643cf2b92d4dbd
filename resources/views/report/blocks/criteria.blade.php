<table>
    <thead>
        <tr>
            <th scope="col">Question</th>
            <th scope="col">Excluded as</th>
        </tr>
    </thead>
    <tbody>
        @foreach ($criteria as $criterion)
            <tr>
                <td>{{ $criterion->question }}</td>
                <td>{{ $criterion->reason }}</td>
            </tr>
        @endforeach
    </tbody>
</table>
