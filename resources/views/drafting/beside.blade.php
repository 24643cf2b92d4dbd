<aside class="sheet scout-beside" aria-label="Beside the draft">
    <section>
        <h2>Waits for people</h2>
        <ul class="draft-waits">
            @foreach ([
                'criteria' => ['criterion', 'criteria'],
                'papers' => ['paper', 'papers'],
                'items' => ['item', 'items'],
                'sections' => ['section', 'sections'],
            ] as $what => [$one, $many])
                <li><a href="{{ $to($what === 'sections' ? 'report' : $what, $what === 'papers' ? ['only' => 'in'] : []) }}"><span
                            class="number">{{ number_format($waiting->{$what}) }}</span> {{ $waiting->{$what} === 1 ? $one : $many }}</a></li>
            @endforeach
        </ul>
        <p class="small quiet">Taken over, a criterion joins those of the review, papers its records, an item its codebook and a section
            its report. People screen, code and write from there.</p>
    </section>
    @if ($draft->ran_at)
        <section>
            <h2>The last run</h2>
            <p class="small">{{ $draft->ran_at->format('j M Y, H:i') }}, in
                {{ $draft->seconds < 1 ? 'less than a second' : number_format($draft->seconds) . ' ' . Str::plural('second', (int) round($draft->seconds)) }}.
            </p>
            @if ($draft->changes !== [])
                <ul class="small draft-changes">
                    @foreach ($draft->changes as $change)
                        <li>{{ Str::ucfirst($change) }}</li>
                    @endforeach
                </ul>
            @endif
        </section>
    @endif
    @if ($mayChange)
        <section>
            <h2>Go further</h2>
            <form method="post" action="{{ route('drafts.more', [$review, $draft]) }}" class="draft-more">@csrf
                <button class="button" name="what" value="abstracts">Read the next 10 papers</button>
                <button class="button" name="what" value="texts">Read 10 more closely</button>
                <button class="button" name="what" value="again">Look again for full texts</button>
            </form>
            <p class="small quiet">Read closely: asked for all items, in full text where the library has one. A paper of the library takes its PDF beside it here; one that was taken over does too.</p>
        </section>
    @endif
    <section>
        <h2>Take away</h2>
        <p class="small">This step, with answers, quotes and reasons:
            @foreach (['csv', 'xlsx'] as $format)
                <a href="{{ route('drafts.download', [$review, $draft, $step, $format]) }}" download>{{ strtoupper($format) }}</a>
            @endforeach
        </p>
    </section>
</aside>
