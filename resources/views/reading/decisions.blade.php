<x-page title="Decisions">
    @include('reading.places')
    <article class="sheet reading-report">
        <h1>What was decided on full text</h1>
        <table class="table">
            <thead>
                <tr>
                    <th scope="col">Report</th>
                    <th scope="col">Decision</th>
                    <th scope="col">Reason</th>
                    @if ($deciders !== null)
                        <th scope="col">Decided by</th>
                    @endif
                </tr>
            </thead>
            <tbody>
                @foreach ($decided as $one)
                    <tr>
                        <td>{{ $one->title }} <span class="quiet">{{ trim(Str::before((string) $one->authors, ';') . ' ' . $one->year) }}@if ($one->doi)
                                    , doi:{{ $one->doi }}
                                @endif
                            </span>
                            @isset($papers[$one->id])
                                <a href="{{ route('reading.paper', [$token, $papers[$one->id]]) }}">full text</a>
                            @endisset
                        </td>
                        <td>{{ $one->state }}</td>
                        <td>{{ $one->reason }}</td>
                        @if ($deciders !== null)
                            <td>{{ $deciders[$one->id] ?? '' }}</td>
                        @endif
                    </tr>
                @endforeach
            </tbody>
        </table>
    </article>
</x-page>
