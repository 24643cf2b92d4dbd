<x-page title="Older wording" :review="$review" stage="question" place="question">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Decided by an older wording</h1> <span><a href="{{ route('question', $review) }}#criteria">Back to the
                        criteria</a></span>
            </header>
            <div class="sheet-body">
                <p class="serif">{{ $criterion->question }}</p>
                @foreach ($wordings as $one)
                    <p class="small quiet">Version {{ $one->version }}, until
                        {{ \Carbon\CarbonImmutable::parse($one->until)->format('j M Y, H:i') }}: “{{ $one->question }}”
                        ({{ $one->reason }})</p>
                @endforeach
                @if ($count > 0)
                    <form class="mt-2" method="post" action="{{ route('criteria.again', [$review, $criterion]) }}">@csrf
                        <p>{{ number_format($count) }}
                            {{ $count === 1 ? 'decision names this criterion or answers it, and was' : 'decisions name this criterion or answer it, and were' }}
                            made before it was reworded on {{ $criterion->reworded_at->format('j M Y, H:i') }}. Sent round again,
                            {{ $count === 1 ? 'it is' : 'they are' }} kept as history and asked of the same people once more; what was
                            settled on these items is open again, and what went on because of them comes back.</p>
                        <button class="button button-go mt-2">Send {{ number_format($count) }} round again</button>
                    </form>
                @endif
            </div>
            @if ($items === [])
                <x-empty title="Nothing rests on an older wording">All decisions on this criterion were made by its present
                    wording.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Publication</th>
                            <th scope="col">Stage</th>
                            <th scope="col" class="number">Decisions</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($items as $one)
                            <tr>
                                <td><a class="serif" href="{{ route('publications.show', [$review, $one->id]) }}">{{ $one->title }}</a>
                                </td>
                                <td>{{ $one->stage }}</td>
                                <td class="number">{{ $one->n }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                @if (count($items) === \App\Queries\Question\OlderWording::LISTED)
                    <p class="section small quiet">The first {{ \App\Queries\Question\OlderWording::LISTED }}.</p>
                @endif
            @endif
        </section>
    </div>
</x-page>
