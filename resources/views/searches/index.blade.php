<x-page title="Searches" :review="$review" stage="searches" place="searches">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Strategies</h1> <span>built from concepts, run in every database</span>
                @can('search', $review)
                    <span class="end"><a class="button button-go" href="{{ route('searches.create', $review) }}">New strategy</a></span>
                @endcan
            </header>
            @if ($strategies->isEmpty())
                <x-empty title="No searches yet">A strategy is built once, concept by concept, and said in the language of every database you
                    choose. You see what each word brings before anything is fetched.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Strategy</th>
                            <th scope="col">Databases</th>
                            <th scope="col" class="number">Versions</th>
                            <th scope="col">Last run</th>
                            <th scope="col" class="number">Records</th>
                            <th scope="col"><span class="visually-hidden">Change</span></th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($strategies as $strategy)
                            @if ($strategy->archived_at && ($loop->first || !$strategies[$loop->index - 1]->archived_at))
                                <tr>
                                    <th colspan="6" scope="colgroup" class="quiet">Put away</th>
                                </tr>
                            @endif
                            @php
                                $own = $runs->get($strategy->id, collect());
                                $last = $own->unique('source');
                            @endphp
                            <tr>
                                <td><a class="title-link"
                                        href="{{ route('strategies.show', [$review, $strategy]) }}">{{ $strategy->name }}</a><br><span
                                        class="small quiet">begun by {{ $strategy->creator->name }},
                                        {{ $strategy->created_at->format('j M Y') }}</span></td>
                                <td>{{ implode(', ', array_map($sources->shortName(...), array_filter($strategy->sources, $sources->has(...)))) }}
                                </td>
                                <td class="number">{{ number_format($strategy->versions->count()) }}</td>
                                <td>
                                    @forelse ($last as $run)
                                        <a
                                            href="{{ route('runs.show', [$review,
                                                $run]) }}">{{ $sources->has($run->source)
                                                ? $sources->shortName($run->source) : $run->source_title }}</a>
                                    {{ $run->ran_at->format('j M Y') }}<br> @empty <span class="quiet">not run yet</span>
                                    @endforelse
                                </td>
                                <td class="number">
                                    @foreach ($last as $run)
                                        {{ number_format($run->total) }}
                                        <br>
                                    @endforeach
                                </td>
                                <td>
                                    @can('search', $review)
                                        <form method="post" action="{{ route('strategies.archive', [$review, $strategy]) }}">@csrf <button
                                                class="button button-plain" name="away"
                                                value="{{ $strategy->archived_at ? 0 : 1 }}">{{ $strategy->archived_at ? 'Bring back' : 'Put away' }}<span
                                                    class="visually-hidden">: {{ $strategy->name }}</span></button></form>
                                    @endcan
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>What else belongs to searching</h2>
            </header>
            <ul class="sheet-body grid gap-2">
                <li><a href="{{ route('thesauri', $review) }}">Thesauri</a><br><span class="small quiet">headings with their notes, trees
                        and counts; add one of your own</span></li>
                <li><a href="{{ route('dialects', $review) }}">Dialects</a><br><span class="small quiet">how a database writes a query; add
                        the one of a database you use elsewhere</span></li>
                <li><a href="{{ route('searches.report', $review) }}">Search report</a><br><span class="small quiet">databases, dates, full
                        strategies and numbers, ready for the appendix</span></li>
            </ul>
        </section>
    </div>
</x-page>
