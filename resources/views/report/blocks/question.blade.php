<p>{{ $review->question }}</p>
<table>
    <tbody>
        @foreach ($concepts as $concept => $text)
            @if ($text !== '')
                <tr>
                    <th scope="row">{{ $concept }}</th>
                    <td>{{ $text }}</td>
                </tr>
            @endif
        @endforeach
    </tbody>
</table>
