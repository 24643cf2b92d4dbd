<x-page title="Evidence of a copy" :review="$review" stage="full-texts" place="full-texts">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>What rests on “{{ $file->name }}”</h1>
                <span>
                    @if ($better)
                        replaced by <a href="{{ route('full-texts.file', [$review, $better]) }}">{{ $better->name }}</a>;
                        {{ count(array_filter(array_column($pieces, 'now'))) }} of {{ count($pieces) }} found again in it
                    @else
                        a copy that is in use
                    @endif
                </span>
                @if ($better)
                    @can('obtain', $review)
                        <form class="end" method="post" action="{{ route('full-texts.use-again', [$review, $file]) }}">@csrf <button class="button">Use
                                this copy again</button></form>
                    @endcan
                @endif
            </header>
            @if ($pieces === [])
                <x-empty title="Nothing rests on it">No answer, passage or number has its words as evidence.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Evidence of</th>
                            <th scope="col">Words</th>
                            <th scope="col">Here</th>
                            @if ($better)
                                <th scope="col">In the better copy</th>
                            @endif
                            <th scope="col">By</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($pieces as $one)
                            <tr>
                                <td>
                                    @if ($file->publication)
                                        <a href="{{ route('coding.show', [$review, $file->publication]) }}">{{ $one->of }}</a>
                                    @else
                                        {{ $one->of }}
                                    @endif
                                </td>
                                <td class="serif">“{{ Str::limit($one->piece->selector->quote, 240) }}”</td>
                                <td>{{ $one->piece->whereabouts() }}</td>
                                @if ($better)
                                    <td>
                                        @if ($one->now === null)
                                            <strong class="says-warn">not found again</strong>
                                        @else
                                            {{ $one->now->whereabouts() }}
                                        @endif
                                    </td>
                                @endif
                                <td>{{ $one->by }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
        </section>
    </div>
</x-page>
