<x-page title="Decisions">
    @include('reading.places')
    <article class="sheet reading-report">
        <h1>What was decided</h1>
        <nav class="reading-stages" aria-label="Stages">
            @foreach ($stages as $one)
                <a href="{{ route('reading.decisions', [$token, 'stage' => $one->id]) }}" @if ($one->id === $stage->id) aria-current="page" @endif>
                    {{ $one->name }} <span class="quiet">{{ number_format($one->ended) }}</span></a>
            @endforeach
        </nav>
        <table class="table decided">
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
                        <td><bdi>{{ $one->title }}</bdi>
                            <span class="quiet">{{ trim(Str::before((string) $one->authors, ';') . ' ' . $one->year) }}@if ($one->doi)
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
                            <td>{{ $deciders[$one->item] ?? '' }}</td>
                        @endif
                    </tr>
                @endforeach
            </tbody>
        </table>
        @if ($decided->isEmpty())
            <p class="quiet">Nothing was decided at this stage.</p>
        @endif
        @php($pages = (int) ceil($stage->ended / App\Queries\Report\Composed\ReadableDecisions::PAGE))
        @if ($pages > 1)
            <nav class="reading-stages" aria-label="Pages">
                @if ($page > 1)
                    <a rel="prev" href="{{ route('reading.decisions', [$token, 'stage' => $stage->id, 'page' => $page - 1]) }}">Before</a>
                @endif
                <span>Page {{ number_format($page) }} of {{ number_format($pages) }}</span>
                @if ($page < $pages)
                    <a rel="next" href="{{ route('reading.decisions', [$token, 'stage' => $stage->id, 'page' => $page + 1]) }}">Next</a>
                @endif
            </nav>
        @endif
    </article>
</x-page>
