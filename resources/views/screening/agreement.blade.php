@php
    $number = fn (?float $value, int $digits = 2): string => $value === null ? 'not defined' : str_replace('-', '−', number_format($value, $digits));
    $pairs = array_filter($agreement->report['pairs'], fn (array $pair): bool => $pair['n'] > 0);
@endphp
<x-page title="Agreement" :review="$review" stage="screening" place="agreement">
    <div class="desk desk-side">
        <div class="grid gap-3">
            <section class="sheet">
                <header class="sheet-head"><h1>Agreement by pair</h1> <span>on items that have opened, from what each decided before</span></header>
                <x-stages :review="$review" :stage="$stage" to="agreement" />
                @if ($pairs === [])
                    <x-empty title="Nothing to compare yet">Agreement is computed from items on which two people’s decisions are in.</x-empty>
                @else
                    <table class="table">
                        <thead><tr><th>Pair</th><th class="number">Items</th><th class="number">Agreement</th><th class="number">Cohen’s κ</th><th class="number">95 % interval</th><th class="number">PABAK</th><th class="number">Gwet’s AC1</th></tr></thead>
                        <tbody>
                            @foreach ($pairs as $pair)
                                <tr>
                                    <td>{{ implode(' and ', array_map(fn ($id) => $agreement->names[$id], $pair['raters'])) }}</td>
                                    <td class="number">{{ number_format($pair['n']) }}</td>
                                    <td class="number">{{ $number($pair['percent_agreement'] * 100, 1) }} %</td>
                                    <td class="number">{{ $number($pair['cohen_kappa']['kappa']) }}</td>
                                    <td class="number">@if ($pair['cohen_kappa']['se'] !== null) {{ $number($pair['cohen_kappa']['ci_low']) }} to {{ $number($pair['cohen_kappa']['ci_high']) }} @else – @endif</td>
                                    <td class="number">{{ $number($pair['pabak']) }}</td>
                                    <td class="number">{{ $number($pair['gwet_ac1']['ac1']) }}</td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                @endif
            </section>
            @foreach ($pairs as $pair)
                <section class="sheet">
                    <header class="sheet-head"><h2>{{ implode(' against ', array_map(fn ($id) => $agreement->names[$id], $pair['raters'])) }}</h2> <span>how often each combination occurred</span></header>
                    <table class="table">
                        <thead><tr><th>{{ $agreement->names[$pair['raters'][0]] }}</th>@foreach (['include', 'exclude', 'unsure'] as $verdict) <th class="number"><x-mark :verdict="$verdict" label="" /> {{ $agreement->names[$pair['raters'][1]] }}: {{ $verdict }}</th> @endforeach</tr></thead>
                        <tbody>@foreach ($agreement->tables[implode(' ', $pair['raters'])] as $i => $row) <tr><th scope="row"><x-mark :verdict="['include', 'exclude', 'unsure'][$i]" label="" /> {{ ['include', 'exclude', 'unsure'][$i] }}</th>@foreach ($row as $j => $n) <td class="number">@if ($i === $j)<strong>{{ number_format($n) }}</strong>@else{{ number_format($n) }}@endif</td> @endforeach</tr> @endforeach</tbody>
                    </table>
                </section>
            @endforeach
        </div>
        <section class="sheet">
            <header class="sheet-head"><h2>Overall</h2></header>
            <dl class="sheet-body facts">
                <dt>Items opened</dt><dd>{{ number_format($agreement->report['records']) }}</dd>
                <dt>Krippendorff’s α</dt><dd>{{ $number($agreement->report['krippendorff']['alpha']) }}</dd>
                @if ($agreement->report['raters'] > 2) <dt>Fleiss’ κ</dt><dd>{{ $number($agreement->report['fleiss']['kappa']) }} on {{ number_format($agreement->report['complete_records']) }} items that all judged</dd> @endif
            </dl>
            <p class="section small quiet">Three categories: include, exclude, unsure. κ corrects for chance and falls when one verdict is rare; PABAK and AC1 do so less.</p>
        </section>
    </div>
</x-page>
