<x-page title="Searches" :review="$review" stage="searches">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head"><h1>Searches</h1> <span>each is written once and compiled for its database</span>
                @can('search', $review) <span class="end"><a class="button button-go" href="{{ route('searches.create', $review) }}">New search</a></span> @endcan
            </header>
            @if ($searches->isEmpty())
                <x-empty title="No searches yet">A search is typed in one language for all databases. You see how many records it finds before anything is fetched. Files from elsewhere are delivered under <a href="{{ route('deliveries', $review) }}">Deliveries</a>.</x-empty>
            @else
                <table class="table">
                    <thead><tr><th>Name</th><th>Query</th><th>Database</th><th class="number">Found</th><th class="number">Fetched</th><th>By</th></tr></thead>
                    <tbody>
                        @foreach ($searches as $search)
                            <tr>
                                <td><a href="{{ route('searches.show', [$review, $search]) }}">{{ $search->name }}</a></td>
                                <td><code>{{ Str::limit($search->query, 160) }}</code></td>
                                <td>{{ $sources[$search->source] ?? $search->source }}</td>
                                <td class="number">{{ $search->count === null ? 'not counted' : number_format($search->count) }}<br><span class="small quiet">{{ $search->counted_at?->format('j M Y') }}</span></td>
                                <td class="number">{{ number_format($search->deliveries->sum('kept')) }}</td>
                                <td>{{ $search->creator->name }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
        </section>
    </div>
</x-page>
