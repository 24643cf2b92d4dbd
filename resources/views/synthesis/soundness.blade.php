<x-page title="Soundness" :review="$review" stage="synthesis" place="soundness">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Soundness</h1> @php($count = count(array_unique($soundness->studies)))
                <span>{{ $count }} {{ Str::plural('study', $count) }} judged: the fuller, the
                    worse</span>
                <span class="end">
                    @if ($soundness->names !== [])
                        @foreach (['svg', 'png', 'pdf', 'csv', 'xlsx'] as $format)
                            {{ $loop->first ? '' : '· ' }}<a href="{{ route('soundness.download', [$review, $format, 'items' => $chosen]) }}">{{ strtoupper($format) }}</a>
                        @endforeach
                    @endif
                </span>
            </header>
            @if ($soundness->names === [])
                <x-empty title="Nothing is judged yet">Judgements are answers of the codebook on a scale, such as the risk of bias from low to high. A set of
                    them can be taken into the <a href="{{ route('codebook', $review) }}">codebook</a>.</x-empty>
            @else
                <div class="plot-scroll" tabindex="0" role="region" aria-label="Judgements of the studies">{!! $soundness->plot()->svg("{$review->title}: how far its studies can be trusted", isFile: false, links: array_map(fn(string $one) => route('coding.show', [$review, $one]), $soundness->studies)) !!}</div>
            @endif
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>In what regard</h2>
            </header>
            @if ($scales->isEmpty())
                <p class="sheet-body quiet">The codebook has no item whose answers are a scale.</p>
            @else
                <form class="sheet-body grid gap-2" method="get" action="{{ route('soundness', $review) }}">
                    @foreach ($scales as $item)
                        <label><input type="checkbox" name="items[]" value="{{ $item->id }}" @checked(in_array($item->id, $chosen, true))> {{ $item->label }}
                            <span class="small quiet">{{ implode(', ', $item->code()->choosable()) }}</span></label>
                    @endforeach
                    <button class="button button-go">Show these</button>
                    <p class="field-help">Answers stand in the order of the codebook, the best first.</p>
                </form>
            @endif
        </section>
    </div>
</x-page>
