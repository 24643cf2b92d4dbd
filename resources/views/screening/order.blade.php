@use('WaryHeron\Core\Screening\ItemState')
@use('WaryHeron\Core\Screening\Ranking\ReadingOrder')
@use('WaryHeron\Core\Screening\Ranking\RecallEstimate')
@use('App\Queries\Screening\ReadingProgress')
@php
    $percent = fn(?float $of): string => $of === null ? '–' : number_format(100 * $of, $of >= 0.995 || $of === 0.0 ? 0 : 1) . '%';
    $waiting = $tallies->in(ItemState::Waiting);
@endphp
@use('WaryHeron\Core\Screening\Ranking\RoundMarks')
<x-page title="Order and recall" :review="$review" stage="screening" place="reading-order">
    <div class="desk desk-side">
        <div class="grid gap-3">
            <section class="sheet">
                <header class="sheet-head">
                    <h1>Included found against publications read</h1> <span>{{ number_format($curve->found) }} included among
                        {{ number_format($curve->read) }} with a final decision; {{ number_format($tallies->all() - $curve->read) }} are
                        left</span>
                </header>
                <x-stages :review="$review" :stage="$stage" to="reading-order" />
                @if ($curve->read === 0)
                    <x-empty title="Nothing has been decided yet">The curve begins with the first publication that everybody asked has judged
                        alike, or that was settled.</x-empty>
                @else
                    <div class="sheet-body">
                        <svg class="curve" viewBox="-44 -10 760 316" role="img"
                            aria-label="{{ number_format($curve->found) }} included found among {{ number_format($curve->read) }} read, of {{ number_format($tallies->all()) }} in all">
                            <path class="curve-axis" d="M0 0V{{ ReadingProgress::HEIGHT }}H{{ ReadingProgress::WIDTH }}" />
                            @foreach (RoundMarks::upTo($curve->found) as $mark)
                                @php($at = round(ReadingProgress::HEIGHT * (1 - $mark / $curve->found), 1))
                                <path class="curve-grid" d="M0 {{ $at }}H{{ ReadingProgress::WIDTH }}" /><text x="-6"
                                    y="{{ $at + 4 }}" text-anchor="end">{{ number_format($mark) }}</text>
                            @endforeach
                            @foreach (RoundMarks::upTo($tallies->all()) as $mark)
                                <text x="{{ round((ReadingProgress::WIDTH * $mark) / $tallies->all(), 1) }}"
                                    y="{{ ReadingProgress::HEIGHT + 18 }}" text-anchor="middle">{{ number_format($mark) }}</text>
                            @endforeach
                            <path class="curve-straight" d="{{ $curve->straight }}" />
                            <path class="curve-line" d="{{ $curve->path }}" />
                            <text x="{{ ReadingProgress::WIDTH / 2 }}" y="{{ ReadingProgress::HEIGHT + 36 }}"
                                text-anchor="middle">publications read</text>
                        </svg>
                        <p class="small quiet">Solid: included ones found, in the order in which publications opened. Dashed: what a steady
                            find would give. A curve that flattens says that little is being found; it does not say that little is left.</p>
                    </div>
                @endif
            </section>
            <section class="sheet" id="recall">
                <header class="sheet-head">
                    <h2>How much has been found</h2> <span>estimated from a random check sample of what is unread</span>
                </header>
                @if ($check === null)
                    <p class="section">No check sample has been drawn. Reading on until the curve is flat is a guess; a sample of the
                        unread, read like everything else, gives a figure with its uncertainty.</p>
                @else
                    <div class="section">
                        <p>On {{ $check->created_at->format('j M Y') }}, {{ number_format(count($check->items)) }} of
                            {{ number_format($check->unread) }} unread publications were drawn (seed {{ $check->seed }});
                            {{ number_format($check->found_before) }} had been included before. {{ number_format($found->read) }} of the
                            {{ number_format($found->all) }} {{ $found->read === 1 ? 'has' : 'have' }} a final
                            decision{{ $found->gone > 0 ? "; {$found->gone} left the review since" : '' }}.</p>
                        @if ($found->estimate)
                            @php($e = $found->estimate)
                            @if ($e->isCount)
                                <p class="mt-2"><strong>100 %</strong> of what was unread then has been read since, so
                                    {{ number_format($e->most) }} {{ $e->most === 1 ? 'is' : 'are' }} all there
                                    {{ $e->most === 1 ? 'was' : 'were' }} to find in it. This is counted, not estimated.</p>
                            @else
                                <dl class="figures mt-2">
                                    <div>
                                        <dt>included in the sample</dt>
                                        <dd>{{ number_format($found->hits) }}</dd>
                                    </div>
                                    <div>
                                        <dt>recall, estimated</dt>
                                        <dd>{{ $percent($e->recall) }}</dd>
                                    </div>
                                    <div>
                                        <dt>recall, at least</dt>
                                        <dd>{{ $percent($e->atLeast) }}</dd>
                                    </div>
                                    <div>
                                        <dt>expected among the {{ number_format($check->unread) }}</dt>
                                        <dd>{{ number_format($e->expected, 1) }}</dd>
                                    </div>
                                    <div>
                                        <dt>at most</dt>
                                        <dd>{{ number_format($e->most) }}</dd>
                                    </div>
                                </dl>
                                <p class="small mt-2">With {{ round(100 * $e->confidence) }}% confidence, before more is read. Method:
                                    {{ RecallEstimate::METHOD }} (Buonaccorsi 1987; Callaghan and Müller-Hansen 2020). It is an estimate,
                                    not a promise: it holds for one sample looked at once, and drawing again until it pleases makes it
                                    worthless. Whether to stop is for the team to say, and to report.</p>
                            @endif
                        @else
                            <p class="small quiet mt-1">The estimate comes when all of them are decided; what is found before says nothing
                                yet. They are read before everything else.</p>
                        @endif
                    </div>
                @endif
                @can('manage', $review)
                    <form class="section line-up" method="post" action="{{ route('reading-order.check', [$review, $stage]) }}">@csrf
                        <label>Publications <input class="input number place" name="size" inputmode="numeric"
                                value="{{ old('size', min(150, max(10, $waiting))) }}" required></label> <label>Seed <input
                                class="input number" name="seed" inputmode="numeric" value="{{ old('seed') }}"
                                placeholder="by chance"></label>
                        <button class="button" @disabled($waiting === 0)>Draw a check sample</button> <span class="small quiet">of
                            {{ number_format($waiting) }} unread</span>
                        @error('size')
                            <p class="field-error" role="alert">{{ $message }}</p>
                            @enderror @error('seed')
                            <p class="field-error" role="alert">{{ $message }}</p>
                        @enderror
                    </form>
                @endcan
            </section>
        </div>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Reading order</h2> <span>{{ $stage->reading_order->label() }}</span>
            </header>
            @can('manage', $review)
                <form class="section" method="post" action="{{ route('reading-order.set', [$review, $stage]) }}">@csrf
                    <div class="choices">
                        @foreach (ReadingOrder::cases() as $order)
                            <label><input type="radio" name="reading_order" value="{{ $order->value }}" @checked($stage->reading_order === $order)>
                                {{ $order->label() }}</label>
                        @endforeach
                    </div>
                    <label class="block mt-2">Drawn at random, per cent <input class="input number place" name="random_percent"
                            inputmode="numeric" value="{{ old('random_percent', $stage->random_percent) }}"></label>
                    <p class="field-help">Where the machine orders, these are drawn from all that is left, so that it also sees what it would
                        not have chosen.</p>
                    @error('random_percent')
                        <p class="field-error" role="alert">{{ $message }}</p>
                    @enderror
                    <button class="button button-go mt-2">Put what is left in this order</button>
                </form>
            @endcan
            @if ($ranking && $stage->ranked && $stage->reading_order !== ReadingOrder::Delivery)
                <div class="section">
                    <h3>Made {{ $ranking->created_at->format('j M Y, H:i') }}</h3>
                    <p class="small">{{ number_format($ranking->ranked) }}
                        publications{{ $ranking->judged > 0 ? ', learned from ' . number_format($ranking->judged)
                            . ' that have opened, ' . number_format($ranking->included) . ' of them included' : '' }}.
                        Decisions that have not opened are not used.
                        {{ $ranking->reading_order->learns() ? 'It is made anew as more open.' : '' }}</p>
                    @if ($ranking->quality)
                        <p class="small mt-1">Tried on {{ number_format($ranking->quality['tried']) }} of those, each fifth ordered by what
                            was learned from the rest: a tenth read finds {{ $percent($ranking->quality['recall10']) }} of the included;
                            95% are found after {{ number_format($ranking->quality['k95'] ?? 0) }}; work saved at 95% recall
                            {{ $percent($ranking->quality['wss95']) }}; average precision
                            {{ number_format($ranking->quality['precision'] ?? 0, 2) }}.</p>
                    @endif
                </div>
                @if ($words)
                    @foreach (['for' => 'Words that speak for including', 'against' => 'Words that speak against'] as $side => $title)
                        <div class="section">
                            <h3>{{ $title }}</h3>
                            <p class="small">
                                @foreach ($words->{$side} as $one)
                                    <span class="whitespace-nowrap">{{ $one->word }} <span
                                            class="quiet">{{ number_format(abs($one->weight), 1) }}</span></span>{{ $loop->last ? '' : ', ' }}
                                @endforeach
                            </p>
                        </div>
                    @endforeach
                @endif
            @elseif ($stage->reading_order->learns())
                <p class="section small quiet">The order is still to be made. It needs at least {{ \App\Jobs\Screening\RankItems::LEAST }} included
                    and {{ \App\Jobs\Screening\RankItems::LEAST }} excluded publications that have opened.</p>
            @endif
            <p class="section small quiet">The order says what is read first. It decides nothing, and nobody sees a score before asking for
                it.</p>
        </section>
    </div>
</x-page>
