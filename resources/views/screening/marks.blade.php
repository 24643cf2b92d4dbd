<x-page title="Marked words" :review="$review" stage="screening" place="marks">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Marked words</h1> <span>shown at the Reading Desk while one reads; <kbd>M</kbd> there turns them off</span>
            </header>
            @if ($lists->isEmpty())
                <x-empty title="The team has no list of its own yet">Say at the right which words speak for a criterion, and which against
                    it.</x-empty>
            @endif
            @foreach ($lists as $list)
                <div class="section" id="list-{{ $list->id }}">
                    <h2><mark class="mark-{{ $list->stance }}">{{ $list->name }}</mark></h2>
                    <p class="small quiet">{{ $list->stance === 'for' ? 'speaks for' : 'speaks against' }}
                        {{ $list->criterion ? "“{$list->criterion->question}”" : 'including' }} · {{ count($list->lines()) }}
                        {{ count($list->lines()) === 1 ? 'line' : 'lines' }}</p>
                    <p class="mono small mt-1">{{ implode(' · ', $list->lines()) }}</p>
                    @can('screen', $review)
                        <details class="mt-1">
                            <summary class="cursor-pointer small">Change</summary>
                            <form method="post" action="{{ route('marks.update', [$review, $list]) }}" class="mt-2">@csrf @method('put')
                                <x-shown :of="$list" />
                                @include('screening.mark-list-fields', ['list' => $list])<button class="button button-go mt-2">Keep</button></form>
                            <form method="post" action="{{ route('marks.destroy', [$review, $list]) }}" class="mt-2">@csrf @method('delete')
                                <button class="button button-plain">Remove this list</button></form>
                        </details>
                    @endcan
                </div>
            @endforeach
            @if ($concepts !== [])
                <div class="section">
                    <h2>Concepts of the strategies</h2>
                    <p class="small quiet">Their terms are marked as well, told apart by how they are underlined; they follow the <a
                            href="{{ route('searches', $review) }}">Strategy Board</a>.</p>
                    <p class="mt-1">
                        @foreach ($concepts as $one)
                            <mark class="mark-{{ $one->style }}">{{ $one->name }}</mark>{{ $loop->last ? '' : ' · ' }}
                        @endforeach
                    </p>
                </div>
            @endif
        </section>
        @can('screen', $review)
            <section class="sheet">
                <header class="sheet-head">
                    <h2>Add a list</h2>
                </header>
                <form class="sheet-body" method="post" action="{{ route('marks.store',
                    $review) }}">@csrf @include('screening.mark-list-fields', ['list' => null])<button
                        class="button button-go mt-2">Add the list</button></form>
            </section>
        @endcan
    </div>
</x-page>
