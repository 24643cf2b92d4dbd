@php
    $number = fn(?float $value, int $digits = 2): string => $value === null
        ? 'not defined'
        : str_replace('-', '−', number_format($value, $digits));
    $pairs = array_filter($agreement->report->pairs, fn($pair): bool => $pair->of->n > 0);
@endphp
<x-page title="Agreement" :review="$review" stage="screening" place="agreement">
    <div class="desk desk-side">
        <div class="grid gap-3">
            <section class="sheet">
                <header class="sheet-head">
                    <h1>Agreement by pair</h1> <span>on items that have opened, from what each decided before</span>
                </header>
                <x-stages :review="$review" :stage="$stage" to="agreement" />
                @if ($criteria->isNotEmpty())
                    <nav class="section small" aria-label="On what">On <a href="{{ route('agreement', [$review, 'stage' => $stage->id]) }}"
                            @if ($criterion === null) aria-current="true" @endif>the verdict</a>
                        @foreach ($criteria as $one)
                            ·
                            <a href="{{ route('agreement', [$review, 'stage' => $stage->id, 'criterion' => $one->id]) }}"
                                @if ($criterion?->id === $one->id) aria-current="true" @endif>{{ $one->question }}</a>
                        @endforeach
                    </nav>
                @endif
                @if ($pairs === [])
                    <x-empty title="Nothing to compare yet">Agreement is computed from items on which two people’s decisions are
                        in.</x-empty>
                @else
                    <table class="table">
                        <thead>
                            <tr>
                                <th scope="col">Pair</th>
                                <th scope="col" class="number">Items</th>
                                <th scope="col" class="number">Agreement</th>
                                <th scope="col" class="number">Cohen’s κ</th>
                                <th scope="col" class="number">95 % interval</th>
                                <th scope="col" class="number">PABAK</th>
                                <th scope="col" class="number">Gwet’s AC1</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($pairs as $pair)
                                <tr>
                                    <td>{{ $agreement->nameless ? 'two reviewers' : implode(' and ',
                                        array_map(fn($id) => $agreement->names[$id], [$pair->first, $pair->second])) }}
                                    </td>
                                    <td class="number">{{ number_format($pair->of->n) }}</td>
                                    <td class="number">{{ $number($pair->of->kappa->observed * 100, 1) }} %</td>
                                    <td class="number">{{ $number($pair->of->kappa->kappa) }}</td>
                                    <td class="number">
                                        @if ($pair->of->n < \WaryHeron\Core\Screening\Agreement\BoundedInterval::FEW)
                                            <span class="quiet">too few items</span>
                                        @elseif ($interval = $pair->of->kappa->bounded())
                                            {{ $number($interval->low) }} to {{ $number($interval->high) }}
                                        @else
                                            –
                                        @endif
                                    </td>
                                    <td class="number">{{ $number($pair->of->pabak) }}</td>
                                    <td class="number">{{ $number($pair->of->gwet->ac1) }}</td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                @endif
            </section>
            @if ($agreement->nameless)
                <section class="sheet">
                    <p class="section small">Names are hidden from whoever settles at this stage. Who agreed with whom is shown when nothing
                        is left to settle.</p>
                </section>
            @endif
            @foreach ($agreement->nameless ? [] : $pairs as $pair)
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>{{ implode(' against ', array_map(fn($id) => $agreement->names[$id], [$pair->first, $pair->second])) }}</h2> <span>how often
                            each combination occurred</span>
                    </header>
                    <table class="table">
                        <thead>
                            <tr>
                                <th scope="col">{{ $agreement->names[$pair->first] }}</th>
                                @foreach ($agreement->categories as $verdict)
                                    <th scope="col" class="number">
                                        @if ($criterion === null)
                                            <x-mark :verdict="$verdict" label="" />
                                        @endif {{ $agreement->names[$pair->second] }}: {{ $verdict }}
                                    </th>
                                @endforeach
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($agreement->tables["{$pair->first} {$pair->second}"] as $i => $row)
                                <tr>
                                    <th scope="row">
                                        @if ($criterion === null)
                                            <x-mark :verdict="$agreement->categories[$i]" label="" />
                                        @endif {{ $agreement->categories[$i] }}
                                    </th>
                                    @foreach ($row as $j => $n)
                                        <td class="number {{ $i === $j ? 'font-bold' : '' }}">
                                            @if ($criterion === null && $n > 0)
                                                <a
                                                    href="{{ route('library', [$review, 'stage' => $stage->id,
                                                        'judged' => "{$pair->first}:{$agreement->categories[$i]},{$pair->second}:{$agreement->categories[$j]}"]) }}">{{ number_format($n) }}</a>@else{{ number_format($n) }}
                                            @endif
                                        </td>
                                    @endforeach
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </section>
            @endforeach
        </div>
        <div class="grid gap-3">
            @if ($stage->purpose === \WaryHeron\Core\Screening\StagePurpose::Calibration)
                @php($alpha = $agreement->report->krippendorff->alpha ?? null)
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Calibration</h2>
                    </header>
                    <div class="sheet-body">
                        @if ($stage->target !== null)
                            <p role="status">
                                {{ $alpha === null ? 'Not measured yet' : ($alpha >= (float) $stage->target ? 'Reached' : 'Not reached') }}:
                                α is <strong>{{ $number($alpha) }}</strong>, wanted is
                                <strong>{{ $number((float) $stage->target) }}</strong>.
                                {{ $alpha !== null && $alpha < (float) $stage->target
                                    ? 'Settle what differs, reword the criteria it differs on, and draw another set.'
                                    : '' }}
                            </p>
                        @else
                            <p class="small quiet">No agreement to reach was set.</p>
                        @endif
                        @can('manage', $review)
                            <form class="row mt-2" method="post" action="{{ route('stages.target', [$review, $stage]) }}">@csrf <label
                                    class="small">α to reach <input class="input number" name="target" size="5" inputmode="decimal"
                                        value="{{ $stage->target }}" placeholder="0.60"></label> <button class="button">Set</button></form>
                            @error('target')
                                <p class="field-error" role="alert">{{ $message }}</p>
                            @enderror
                            @if ($toCarry > 0)
                                <form class="mt-2" method="post" action="{{ route('stages.carry', [$review, $stage]) }}">@csrf <button
                                        class="button button-go">Take {{ number_format($toCarry) }} into
                                        “{{ $review->firstStage()->name }}”</button>
                                    <p class="field-help">What has ended here counts there as it ended, with whoever decided. Nobody judges it
                                        twice.</p>
                                </form>
                            @endif
                        @endcan
                    </div>
                </section>
            @endif
            <section class="sheet">
                <header class="sheet-head">
                    <h2>Overall</h2>
                </header>
                <dl class="sheet-body facts">
                    <dt>Items opened</dt>
                    <dd>{{ number_format($agreement->report->records) }}</dd>
                    <dt>Krippendorff’s α</dt>
                    <dd>{{ $number($agreement->report->krippendorff->alpha) }}</dd>
                    @if ($agreement->report->raters > 2)
                        <dt>Fleiss’ κ</dt>
                        <dd>{{ $number($agreement->report->fleiss->kappa) }} on
                            {{ number_format($agreement->report->complete) }} items that all judged</dd>
                    @endif
                </dl>
                @if (count($agreement->weeks) > 1)
                    <div class="section">
                        <h3>Over time</h3>
                        <svg class="agreement-weeks" viewBox="0 0 260 90" role="img"
                            aria-label="Agreement by the week in which items opened: @foreach ($agreement->weeks
                                as $week){{ $week->week->format('j M') }} {{ $week->agreement === null
                                ? 'not defined' : round($week->agreement * 100) . ' %' }}; @endforeach">
                            <line class="threshold" x1="10" x2="250" y1="10" y2="10" />
                            <line class="threshold" x1="10" x2="250" y1="40" y2="40" />
                            <line class="threshold" x1="10" x2="250" y1="70" y2="70" />
                            @php($step = 230 / max(1, count($agreement->weeks) - 1))
                            @foreach ($agreement->weeks as $i => $week)
                                @if ($week->agreement !== null)
                                    <circle cx="{{ round(15 + $i * $step, 1) }}" cy="{{ round(70 - 60 * $week->agreement, 1) }}" r="4"
                                        class="bar-alone" />
                                @endif
                            @endforeach
                            <text class="axis" x="10" y="86">{{ $agreement->weeks[0]->week->format('j M') }}</text><text class="axis"
                                x="250" y="86"
                                text-anchor="end">{{ $agreement->weeks[count($agreement->weeks) - 1]->week->format('j M') }}</text>
                        </svg>
                        <table class="table small">
                            <thead>
                                <tr>
                                    <th scope="col">Week from</th>
                                    <th scope="col" class="number">Items</th>
                                    <th scope="col" class="number">Agreement</th>
                                    <th scope="col" class="number">α</th>
                                </tr>
                            </thead>
                            <tbody>
                                @foreach ($agreement->weeks as $week)
                                    <tr>
                                        <td>{{ $week->week->format('j M Y') }}</td>
                                        <td class="number">{{ number_format($week->items) }}</td>
                                        <td class="number">
                                            {{ $week->agreement === null ? '–' : number_format($week->agreement * 100, 1) . ' %' }}</td>
                                        <td class="number">{{ $number($week->alpha) }}</td>
                                    </tr>
                                @endforeach
                            </tbody>
                        </table>
                    </div>
                @endif
                <p class="section small quiet">
                    {{ $criterion === null ? 'Three categories: include, exclude, unsure.'
                        : 'Three categories: yes, no, unclear; decisions without an answer are left out.' }}
                    What counts is what was said before an item opened. κ corrects for chance and falls when one verdict is rare; PABAK and
                    AC1 do so less.</p>
            </section>
        </div>
    </div>
</x-page>
