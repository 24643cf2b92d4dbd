<x-page title="Matching" :review="$review" stage="records" place="matching">
    <div class="desk desk-side">
        <div class="grid gap-3">
            <section class="sheet">
                <header class="sheet-head">
                    <h1>Matching</h1> <span>which records are one publication; beyond records that were the same beyond doubt as they came
                        in, nothing is joined before somebody says so</span>
                </header>
                @if ($running)
                    <p class="section" data-reload-when-done>The records are being compared. This page shows what was found when it is done.
                    </p>
                @elseif ($matching === null)
                    <x-empty title="Nothing has been compared yet">Records with the same DOI or the same place in a journal were joined as
                        they came. Comparing all records finds what sources tell differently. @can('deliver', $review)
                            <form class="mt-2" method="post" action="{{ route('matching.start', $review) }}">@csrf <button
                                    class="button button-go">Compare all records</button></form>
                        @endcan
                    </x-empty>
                @endif
                @if ($matching && $picture)
                    <ol class="steps">
                        <li><strong class="number">{{ number_format($groups) }}</strong>
                            <span>{{ $groups === 1 ? 'group is' : 'groups are' }} certain: {{ number_format($groupRecords) }} publications
                                that are {{ number_format($groups) }}</span>
                            @if ($groups > 0)
                                <span class="row"><a class="button" href="{{ route('matching.certain', $review) }}">Look at them</a> <a
                                        class="button" href="{{ route('matching.certain', [$review, 'sample' => 1]) }}">Look at 20 at
                                        random</a>
                                    @can('deliver', $review)
                                        <form method="post" action="{{ route('matching.join', $review) }}">@csrf <button
                                                class="button button-go">Join {{ number_format($groups) }}</button></form>
                                    @endcan
                                </span>
                            @endif
                        </li>
                        <li><strong class="number">{{ number_format($asked) }}</strong>
                            <span>{{ $asked === 1 ? 'group needs' : 'groups need' }} a person’s eye</span>
                            @if ($asked > 0)
                                @can('deliver', $review)
                                    <span class="row"><a class="button {{ $groups === 0 ? 'button-go' : '' }}"
                                            href="{{ route('pairing', $review) }}">To the Pairing Desk</a></span>
                                @endcan
                            @endif
                        </li>
                    </ol>
                    <div class="section" x-data="thresholds" data-bins="{{ json_encode($picture->bins) }}"
                        data-wrong="{{ json_encode($picture->wrong) }}">
                        <h2 class="field-label">Pairs by what speaks for them <span class="quiet">— in bits: each one more halves the
                                doubt; 0 is one in two, 7 above 99 %, 10 above 99.9 %</span></h2>
                        @php($most = max(1, ...array_map(fn(array $bin): int => array_sum($bin), $picture->bins)))
                        @php($step = 860 / count($picture->bins))
                        <svg class="histogram" viewBox="0 0 880 190" role="img" aria-label="Histogram of pairs by their weight in bits">
                            @foreach ($picture->bins as $bits => $bin)
                                @php($x = 10 + ($bits - \App\Queries\Matching\ScoreHistogram::LOWEST) * $step)
                                @php($height = fn(int $n): float => $n === 0 ? 0 : round(150 * sqrt($n / $most), 1))
                                @php($total = $height(array_sum($bin)))
                                @php($top = 160.0)
                                @foreach (['certain', 'ask', 'apart'] as $nature)
                                    @if ($bin[$nature] > 0)
                                        @php($h = round(($total * $bin[$nature]) / array_sum($bin), 1))
                                        @php($top -= $h)
                                        <rect class="bar-{{ $nature }}" data-bits="{{ $bits }}"
                                            data-nature="{{ $nature }}" x="{{ round($x, 1) }}" y="{{ round($top, 1) }}"
                                            width="{{ round($step - 2, 1) }}" height="{{ max(1, $h) }}">
                                            <title>{{ $bits }} to {{ $bits + 1 }} bits: {{ number_format($bin[$nature]) }}
                                                {{ $nature === 'certain' ? 'without contradiction' : ($nature === 'ask'
                                                    ? 'with a doubt' : 'that contradict each other') }}
                                            </title>
                                        </rect>
                                    @endif
                                @endforeach
                                @if ($bits % 5 === 0)
                                    <text x="{{ round($x, 1) }}" y="178" class="axis">{{ $bits }}</text>
                                @endif
                            @endforeach
                            <line class="threshold" x-ref="askLine" y1="4" y2="164" />
                            <line class="threshold threshold-strong" x-ref="certainLine" y1="4" y2="164" />
                        </svg>
                        <p class="legend small"><span class="key key-alone"></span> joined alone <span class="key key-people"></span> for
                            people <span class="key key-left"></span> left apart <span class="quiet">Height by square root. Pairs that
                                contradict each other are left apart whatever they weigh.</span></p>
                        <form method="post" action="{{ route('matching.settings', $review) }}" class="mt-2">
                            @csrf @method('put')
                            <div class="row row-wide">
                                <label class="grow">People are asked from <output class="number"
                                        x-text="ask">{{ $settings->ask }}</output> bits <span class="quiet">— <output
                                            x-text="askChance"></output> likely the same</span> <input class="w-full" type="range"
                                        name="ask" min="-2" max="40" step="1" value="{{ $settings->ask }}"
                                        x-ref="ask" x-on:input="moved"></label>
                                <label class="grow">Joined alone from <output class="number"
                                        x-text="certain">{{ $settings->certain }}</output> bits <span class="quiet">— <output
                                            x-text="certainChance"></output> likely the same</span> <input class="w-full" type="range"
                                        name="certain" min="-2" max="40" step="1" value="{{ $settings->certain }}"
                                        x-ref="certain" x-on:input="moved"></label>
                            </div>
                            @php($counts = $picture->counts($settings))
                            <table class="table mt-2">
                                <thead>
                                    <tr>
                                        <th scope="col" class="number">Joined alone</th>
                                        <th scope="col" class="number">For people</th>
                                        <th scope="col" class="number">Left apart</th>
                                        <th scope="col" class="number">Wrong joins to expect</th>
                                    </tr>
                                </thead>
                                <tbody>
                                    <tr>
                                        <td class="number" x-text="alone">{{ number_format($counts->alone) }}</td>
                                        <td class="number" x-text="people">{{ number_format($counts->people) }}</td>
                                        <td class="number" x-text="apart">{{ number_format($counts->apart) }}</td>
                                        <td class="number" x-text="wrong">{{ number_format($counts->wrong, 2) }}</td>
                                    </tr>
                                </tbody>
                            </table>
                            <p class="field-help">Pairs among {{ number_format($picture->records) }} records. The wrong joins are reckoned
                                from the weights alone; contradictions, which keep most of them apart, are not in that figure.</p>
                            <details class="mt-2" @if ($settings->emphasis !== []) open @endif>
                                <summary class="cursor-pointer">Which fields count, and how much</summary>
                                <div class="emphasis mt-2">
                                    @foreach (\WaryHeron\Core\Matching\MatchField::cases() as $field)
                                        <label>{{ ucfirst($field->value) }} <select class="input" name="emphasis[{{ $field->value }}]">
                                                @foreach (['0' => 'not at all', '0.5' => 'half', '1' => 'as learned',
                                                    '1.5' => 'more', '2' => 'twice'] as $factor => $words)
                                                    <option value="{{ $factor }}" @selected($settings->emphasis($field) === (float) $factor)>{{ $words }}
                                                    </option>
                                                @endforeach
                                            </select>
                                        </label>
                                    @endforeach
                                </div>
                            </details>
                            <div class="row mt-2">
                                @can('deliver', $review)
                                    <button class="button button-go">Keep these settings</button>
                                @endcan
                                <button class="button" formmethod="get" formaction="{{ route('matching', $review) }}" name="try"
                                    value="1">Try them: change nothing</button>
                            </div>
                        </form>
                    </div>
                @endif
            </section>
        </div>
        <div class="grid gap-3">
            <section class="sheet">
                <header class="sheet-head">
                    <h2>This comparison</h2>
                </header>
                @if ($matching)
                    <dl class="sheet-body facts">
                        <dt>Made</dt>
                        <dd>{{ $matching->finished_at?->format('j M Y, H:i') }}</dd>
                        <dt>Records</dt>
                        <dd class="number">{{ number_format($matching->records) }}</dd>
                    </dl>
                    @if ($stale)
                        <p class="section small">Records have come since. Compare again to match them; rulings stand.</p>
                    @endif
                    @can('deliver', $review)
                        <form class="section" method="post" action="{{ route('matching.start', $review) }}">@csrf <button
                                class="button">Compare again</button></form>
                    @endcan
                @else
                    <p class="sheet-body small quiet">None yet.</p>
                @endif
            </section>
            <section class="sheet">
                <header class="sheet-head">
                    <h2>Start from</h2>
                </header>
                <form class="sheet-body" method="get" action="{{ route('matching', $review) }}">
                    @foreach (['cautious' => 'Little is joined alone; more for people',
                        'balanced' => 'What a careful librarian would join', 'keen' => 'More is joined alone']
                        as $preset => $words)
                        <p class="mb-2"><button class="button" name="preset"
                                value="{{ $preset }}">{{ ucfirst($preset) }}</button> <span
                                class="small quiet">{{ $words }}</span></p>
                    @endforeach
                    <p class="field-help">Shown at the left as a trial. Kept are {{ $kept->certain }} and {{ $kept->ask }} bits.</p>
                </form>
            </section>
            @if ($matching && $matching->weights)
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>What was learned</h2> <span>bits for and against</span>
                    </header>
                    <table class="table table-grouped small">
                        <tbody>
                            @foreach (\WaryHeron\Core\Matching\MatchField::cases() as $field)
                                @foreach ($field->levels() as $level => $about)
                                    <tr>
                                        @if ($loop->first)
                                            <th scope="rowgroup" rowspan="{{ count($field->levels()) }}">{{ ucfirst($field->value) }}
                                            </th>
                                        @endif
                                        <td>{{ $about[0] }}</td>
                                        <td class="number">
                                            {{ sprintf('%+.1f', $matching->judge($settings)->weights->of($field, $level) * $settings->emphasis($field)) }}
                                        </td>
                                    </tr>
                                @endforeach
                            @endforeach
                        </tbody>
                    </table>
                    <p class="section small quiet">Learned from this review’s own pairs, from starting values that hold in general (Fellegi
                        and Sunter 1969; expectation and maximisation).</p>
                </section>
            @endif
        </div>
    </div>
</x-page>
