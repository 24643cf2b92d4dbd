@use('App\Queries\Synthesis\Tables\StudyTable')
<table>
    <thead>
        <tr>
            <th scope="col">Study</th>
            <th scope="col">Title</th>
            <th scope="col">Journal</th>
        </tr>
    </thead>
    <tbody>
        @foreach ($studies as $study)
            <tr>
                <th scope="row">{{ StudyTable::called($study) }}</th>
                <td>{{ $study->title }}</td>
                <td>{{ $study->journal }}</td>
            </tr>
        @endforeach
    </tbody>
</table>
