<x-page title="A first draft" :review="$review" stage="question" place="scouting">
    @php
        $mayChange = Gate::allows('search', $review);
        $mayAddPdf = Gate::allows('obtain', $review);
        $counts = $page->standing->counts();
        $waiting = $page->waiting();
        $to = fn(string $step, array $more = []): string => route('drafts.show', [$review, $draft, 'step' => $step, ...$more]);
    @endphp
    <div class="desk desk-side" @if ($isUnderWay || $isWaiting) data-reload-when-done @endif
        @if ($isWaiting && $counts->read === 0) data-reload-when-begun="draft" @endif>
        <section class="sheet draft">
            <header class="scout-head">
                <h1 class="serif">{{ $draft->scouting->question }}</h1>
                <p class="small quiet">A review drafted by machine. All of it is proposed; nothing of it is part of the review until
                    somebody takes it over. <a href="{{ route('scouting.show', [$review, $draft->scouting_id]) }}">The papers that it
                        is drawn from</a></p>
            </header>
            <nav class="draft-steps" aria-label="Steps of the draft">
                @foreach ([
                    'papers' => ['Papers', number_format($counts->read) . ' read, ' . number_format($counts->in) . ' fit'],
                    'criteria' => ['Criteria', $page->criteriaInUse()->count() . ' in use'],
                    'items' => [
                        'Asked of each',
                        $page->itemsInUse()->count() . ' things, ' . number_format($counts->inFull) . ' ' . Str::plural('paper', $counts->inFull),
                    ],
                    'report' => ['Report', count($page->sections()) . ' sections'],
                ] as $key => [$name, $told])
                    <a href="{{ $to($key) }}" @if ($step === $key) aria-current="step" @endif><strong>{{ $name }}</strong>
                        <span>{{ $told }}</span></a>
                @endforeach
            </nav>
            @if ($isWaiting || $isUnderWay)
                <p class="draft-running small" role="status">{{ $isWaiting
                    ? 'Papers are still being gathered; the draft begins when they are there.'
                    : 'Being drafted. What is there already can be looked at; the page draws itself anew at the end.' }}</p>
            @endif
            @include("drafting.{$step}")
        </section>
        @include('drafting.beside')
    </div>
</x-page>
