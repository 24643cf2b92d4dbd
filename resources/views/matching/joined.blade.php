<x-page title="Joined publications" :review="$review" stage="records" place="matching.joined">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Joined</h1> <span>{{ number_format($joined->byMachine + $joined->asTheyCame) }} by machine,
                    {{ number_format($joined->byPeople) }} by people</span>
            </header>
            @if ($joined->asTheyCame > 0)
                <p class="section small">Of those by machine, {{ number_format($joined->asTheyCame) }}
                    {{ $joined->asTheyCame === 1 ? 'record was' : 'records were' }} joined as
                    {{ $joined->asTheyCame === 1 ? 'it' : 'they' }} came in: the same DOI, or the same title, year and place in a journal.
                    <a href="{{ route('library', [$review, 'duplicates' => 1]) }}">The publications with more than one record</a>; on the
                    page of each, a record can be parted again.</p>
            @endif
            <div class="section row">
                @if ($joined->sample)
                    <a class="button" href="{{ route('matching.joined', [$review, 'sample' => 1]) }}">Draw others</a> <a
                        href="{{ route('matching.joined', $review) }}">All of them</a>
                @else
                    <a class="button" href="{{ route('matching.joined', [$review, 'sample' => 1]) }}">Look at 20 of the machine’s at
                        random</a>
                @endif
                @can('deliver', $review) @if ($joined->matchingId)
                    <x-menu label="Take apart all that was joined by machine…" class="button button-plain" end>
                        <form method="post" action="{{ route('matching.undo-all', [$review, $joined->matchingId]) }}">@csrf <p>Each goes
                                back to what it was, with its decisions. What people ruled stays.</p><button class="button mt-1">Take them
                                apart</button></form>
                    </x-menu>
                @endif @endcan
            </div>
            @if ($joined->rows->isEmpty())
                <x-empty title="Nothing has been joined by matching or at the Pairing Desk yet">What <a
                        href="{{ route('matching', $review) }}">matching</a> finds certain is joined in one go; the rest is judged at the
                    Pairing Desk.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Publication that is kept</th>
                            <th scope="col">What went into it</th>
                            <th scope="col" class="number">Records</th>
                            <th scope="col">Joined</th>
                            <td></td>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($joined->rows as $row)
                            <tr>
                                <td><a class="title-link"
                                        href="{{ route('publications.show', [$review, $row->publication_id]) }}">{{ $row->title }}</a>
                                    <span class="quiet">{{ $row->year }}</span></td>
                                <td class="small">
                                    {{ $row->other }}{{ $row->folded ? ' · with people’s decisions, which are kept' : '' }}</td>
                                <td class="number">{{ $row->records_count }}</td>
                                <td class="small quiet whitespace-nowrap">
                                    {{ $row->matching_id ? 'by machine'
                                        : "by {$row->name}" }}<br>{{ \Carbon\CarbonImmutable::parse($row->created_at)->format('j M Y') }}
                                </td>
                                <td>
                                    @can('deliver', $review)
                                        <form method="post" action="{{ route('matching.undo', [$review, $row->id]) }}">@csrf <button
                                                class="button-plain">Take apart</button></form>
                                    @endcan
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                @unless ($joined->sample)
                    <footer class="sheet-foot">
                        @if ($joined->page > 1)
                            <a class="button" rel="prev"
                                href="{{ route('matching.joined', [$review, 'page' => $joined->page - 1]) }}">Previous</a>
                            @endif @if ($joined->byMachine + $joined->byPeople > 50 * $joined->page)
                                <a class="button" rel="next"
                                    href="{{ route('matching.joined', [$review, 'page' => $joined->page + 1]) }}">Next</a>
                            @endif
                    </footer>
                @endunless
            @endif
        </section>
    </div>
</x-page>
