<x-page :title="$search->name" :review="$review" stage="searches">
    <div class="desk desk-side">
        <div class="grid gap-3">
            <section class="sheet">
                <header class="sheet-head"><h1>{{ $search->name }}</h1> <span>{{ $sources[$search->source] ?? $search->source }}</span> <span class="end"><a href="{{ route('searches', $review) }}">All searches</a></span></header>
                @can('search', $review)
                    <x-search-editor :review="$review" :sources="$sources" :search="$search" :action="route('searches.update', [$review, $search])" method="put" />
                @else
                    <dl class="sheet-body facts"><dt>Query</dt><dd><code>{{ $search->query }}</code></dd><dt>Sent as</dt><dd><code>{{ $compiled->text }}</code></dd></dl>
                @endcan
            </section>
            <section class="sheet">
                @if ($failure !== '')
                    <x-empty title="No answer">{{ $failure }} The search is saved; reload the page to try again.</x-empty>
                @elseif (! $compiled->isUsable())
                    <x-empty title="This query cannot be sent as it stands"><ul>@foreach ($compiled->notes as $note) <li>{{ $note->message() }}</li> @endforeach</ul></x-empty>
                @elseif ($page->total === 0)
                    <x-empty title="No records are found">Look for a misspelt word, a phrase that is too long, or a limit that takes everything away.</x-empty>
                @else
                    <header class="sheet-head"><h2>{{ number_format($page->total) }} {{ $page->total === 1 ? 'record' : 'records' }}</h2> <span>newest first; {{ number_format(1 + ($number - 1) * $perPage) }} to {{ number_format(min($page->total, $number * $perPage)) }}</span></header>
                    @foreach ($page->records as $record)
                        @if ($record instanceof \WaryHeron\Core\Bibliography\Reference)
                            <article class="section">
                                <h3 class="serif text-lg leading-snug !mb-1 !text-inherit"><x-highlighted :text="$record->title" :by="$highlighter" /></h3>
                                <p class="small quiet">{{ implode(', ', array_map(fn ($name) => $name->short(), array_slice($record->authors, 0, 6))) }}{{ count($record->authors) > 6 ? ' and others' : '' }} · {{ $record->journal }} · {{ $record->year }} · {{ $record->place() }} · {{ $record->accession }}</p>
                                @if ($record->abstract !== '')
                                    <details class="mt-1"><summary class="small cursor-pointer"><x-highlighted :text="Str::limit($record->abstract, 260)" :by="$highlighter" /></summary><p class="serif mt-1"><x-highlighted :text="$record->abstract" :by="$highlighter" /></p></details>
                                @else
                                    <p class="small quiet">no abstract</p>
                                @endif
                            </article>
                        @else
                            <p class="section quiet">{{ $record->message }}</p>
                        @endif
                    @endforeach
                    <footer class="sheet-foot">
                        @if ($number > 1) <a class="button" href="{{ route('searches.show', [$review, $search, 'page' => $number - 1]) }}">Previous</a> @endif
                        @if ($number < $pages) <a class="button" href="{{ route('searches.show', [$review, $search, 'page' => $number + 1]) }}">Next</a> @endif
                        <span class="quiet small">page {{ number_format($number) }} of {{ number_format($pages) }}</span>
                    </footer>
                @endif
            </section>
        </div>
        <div class="grid gap-3">
            <section class="sheet">
                <header class="sheet-head"><h2>Fetch</h2></header>
                <div class="sheet-body">
                    @if ($page && $page->total > 0)
                        @can('deliver', $review)
                            <form method="post" action="{{ route('searches.fetch', [$review, $search]) }}">@csrf <button class="button button-go">Fetch {{ number_format($page->total) }} {{ $page->total === 1 ? 'record' : 'records' }}</button></form>
                            <p class="small quiet mt-2">They come in the background, as a delivery with its own log. Those already here are recognised.</p>
                        @else
                            <p class="small quiet">The information specialist and the lead can fetch these records.</p>
                        @endcan
                    @else
                        <p class="small quiet">There is nothing to fetch.</p>
                    @endif
                </div>
                @if ($deliveries->isNotEmpty())
                    <table class="table"><thead><tr><th>Fetched on</th><th class="number">Kept</th><th class="number">New</th></tr></thead><tbody>
                        @foreach ($deliveries as $delivery)
                            <tr><td><a href="{{ route('deliveries.show', [$review, $delivery]) }}">{{ $delivery->created_at->format('j M Y') }}</a></td><td class="number">{{ number_format($delivery->kept) }}</td><td class="number">{{ number_format($delivery->new) }}</td></tr>
                        @endforeach
                    </tbody></table>
                @endif
            </section>
            @include('searches.language')
        </div>
    </div>
</x-page>
