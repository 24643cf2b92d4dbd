@use('App\View\Inline\Owned')
<x-page title="Who wrote what" :review="$review" stage="report" place="report.text">
    <div class="desk desk-side">
        <section class="sheet" aria-label="The words that stand now">
            <header class="sheet-head">
                <h1>Who wrote what</h1> <span>of the words that stand now</span> <a class="end" href="{{ route('report.text', $review) }}">To the
                    report</a>
            </header>
            <div class="written serif">
                @foreach ($written->paragraphs as $paragraph)
                    <p @class(['written-heading' => $paragraph->isHeading])>{{ Owned::words($paragraph, $written, $who) }}</p>
                @endforeach
            </div>
        </section>
        <aside class="sheet" aria-label="Who">
            <header class="sheet-head">
                <h2>People</h2>
            </header>
            <ol class="sheet-body written-people">
                @foreach ($written->people as $id => $person)
                    <li><span class="number">{{ $person->number }}</span> <span
                            @class(['written-by' => count($written->people) > 1, 'written-' . (($person->number - 1) % 5 + 1)])>{{ $person->name }}</span> {{ number_format($person->words) }}
                        {{ Str::plural('word', $person->words) }}
                        @if ($id !== '' && $who !== $id)
                            <a href="{{ route('report.written', [$review, 'who' => $id]) }}" aria-label="Only what {{ $person->name }} wrote">only
                                these</a>
                        @endif
                    </li>
                @endforeach
            </ol>
            <p class="sheet-body small quiet">Told by the page that each word was typed or put in on, so that words that are moved are of whoever moved
                them.
                @if ($who !== '')
                    <a href="{{ route('report.written', $review) }}">All again</a>
                @endif
            </p>
        </aside>
    </div>
</x-page>
