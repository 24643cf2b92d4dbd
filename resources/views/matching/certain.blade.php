<x-page title="Certain groups" :review="$review" stage="records" place="matching">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>{{ $sample ? 'Twenty drawn at random' : 'What is certain' }}</h1> <span>{{ number_format($count) }}
                    {{ $count === 1 ? 'group' : 'groups' }}; each line of a group is a publication now, and the group would be one</span>
            </header>
            <div class="section row">
                @can('deliver', $review) @if ($count > 0)
                    <form method="post" action="{{ route('matching.join', $review) }}">@csrf <button
                            class="button button-go">{{ $sample ? 'Join all that is certain' : 'Join ' . number_format($count) }}</button>
                    </form>
                @endif @endcan
                @if ($sample)
                    <a class="button" href="{{ route('matching.certain', [$review, 'sample' => 1, 'seed' => $seed + 1]) }}">Draw others</a>
                    <a href="{{ route('matching.certain', $review) }}">All of them</a>
                @else
                    <a href="{{ route('matching.certain', [$review, 'sample' => 1]) }}">Look at 20 at random</a>
                @endif
                <a class="ml-auto" href="{{ route('matching', $review) }}">Back to matching</a>
            </div>
            @if ($groups === [])
                <x-empty title="Nothing is left to join">What is certain has been joined. What is not waits at the Pairing Desk.</x-empty>
            @else
                <table class="table groups">
                    <thead>
                        <tr>
                            <th scope="col" class="number">Bits</th>
                            <th scope="col">Publication</th>
                            <th scope="col">First author</th>
                            <th scope="col" class="number">Year</th>
                            <th scope="col">Place</th>
                            <th scope="col">DOI</th>
                        </tr>
                    </thead>
                    @foreach ($groups as $group)
                        <tbody>
                            @foreach ($group->publications as $publication)
                                <tr>
                                    @if ($loop->first)
                                        <td class="number" rowspan="{{ count($group->publications) }}">
                                            {{ number_format($group->score, 0) }}</td>
                                    @endif
                                    <td><a class="title-link"
                                            href="{{ route('publications.show', [$review, $publication->id]) }}">{{ $publication->title }}</a>
                                    </td>
                                    <td><bdi>{{ Str::before($publication->authors, ';') }}</bdi></td>
                                    <td class="number">{{ $publication->year }}</td>
                                    <td><bdi>{{ $publication->journal }} {{ $publication->place }}</bdi></td>
                                    <td class="small wrap-anywhere">{{ $publication->doi }}</td>
                                </tr>
                            @endforeach
                        </tbody>
                    @endforeach
                </table>
                @unless ($sample)
                    <footer class="sheet-foot">
                        @if ($page > 1)
                            <a class="button" rel="prev"
                                href="{{ route('matching.certain', [$review, 'page' => $page - 1]) }}">Previous</a>
                            @endif @if ($count > 50 * $page)
                                <a class="button" rel="next"
                                    href="{{ route('matching.certain', [$review, 'page' => $page + 1]) }}">Next</a>
                            @endif
                    </footer>
                @endunless
            @endif
        </section>
    </div>
</x-page>
