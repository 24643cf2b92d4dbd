@use('WaryHeron\Core\Synthesis\Certainty\Certainty')
@use('WaryHeron\Core\Synthesis\Certainty\CertaintyDomain')
@use('WaryHeron\Core\Synthesis\Certainty\CertaintyLevel')
<x-page title="Certainty" :review="$review" stage="synthesis" place="certainty">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Certainty</h1> <span>figures from the analyses as they are now; what is thought of them by people</span>
                @if ($rows !== [])
                    <span class="end"><a href="{{ route('certainty.download', [$review, 'csv']) }}">CSV</a> · <a
                            href="{{ route('certainty.download', [$review, 'xlsx']) }}">XLSX</a></span>
                @endif
            </header>
            @if ($rows === [])
                <x-empty title="Nothing is pooled yet">Each analysis becomes a row here. <a href="{{ route('analyses', $review) }}">To the analyses</a></x-empty>
            @else
                <div class="overflow-x-auto" tabindex="0" role="region" aria-label="Certainty of each analysis">
                    <table class="table certainty">
                        <thead>
                            <tr>
                                <th scope="col">Outcome</th>
                                <th scope="col" class="number">Studies</th>
                                <th scope="col" class="number">People</th>
                                <th scope="col">Effect (95% CI)</th>
                                <th scope="col">Of 1,000 people</th>
                                <th scope="col">Certainty</th>
                            </tr>
                        </thead>
                        @foreach ($rows as $row)
                            @php($certainty = $row->judged?->certainty() ?? new Certainty(CertaintyLevel::High))
                            <tbody>
                                <tr>
                                    <th scope="row"><a class="title-link" href="{{ route('analyses.show', [$review, $row->kept]) }}">{{ $row->kept->title }}</a>
                                        <span class="small quiet block">{{ $row->pooled->outcome->name }}</span></th>
                                    <td class="number">{{ $row->all->k }}</td>
                                    <td class="number">{{ number_format($row->pooled->people()) }}</td>
                                    <td>{{ $row->pooled->terms->measure->label() }} <strong class="number">{{ $row->effect() ?: 'nothing to pool yet' }}</strong></td>
                                    <td>{{ $row->absolute() ?: ($row->judged?->baseline === null ? '' : 'the measure is of no event') }}
                                        @if ($row->judged?->baseline !== null)
                                            <span class="small quiet block">of whom {{ $row->judged->baseline }} have it without</span>
                                        @endif
                                    </td>
                                    <td>
                                        @if ($row->judged === null)
                                            <span class="quiet">not judged</span>
                                        @else
                                            <span class="certainty-level"><svg viewBox="0 0 44 10" aria-hidden="true">
                                                    @foreach ([1, 2, 3, 4] as $bar)
                                                        <rect x="{{ ($bar - 1) * 11 + 1 }}" y="1" width="8" height="8" stroke="currentColor"
                                                            fill="{{ $bar <= $certainty->level()->value ? 'currentColor' : 'none' }}" />
                                                    @endforeach
                                                </svg> <strong>{{ $certainty->level()->label() }}</strong></span>
                                            @foreach ($certainty->told() as $one)
                                                <span class="small block">{{ $one }}</span>
                                            @endforeach
                                            <span class="small quiet block">{{ $row->judged->user->name }},
                                                {{ $row->judged->created_at->format('j M Y') }}</span>
                                        @endif
                                    </td>
                                </tr>
                                @can('code', $review)
                                    <tr>
                                        <td colspan="6">
                                            <details @if ($errors->any()) open @endif>
                                                <summary class="cursor-pointer">Judge {{ Str::lower($row->kept->title) }}</summary>
                                                <form class="certainty-form" method="post"
                                                    action="{{ route('certainty.update', [$review, $row->kept]) }}">@csrf @method('put')
                                                        <x-shown :of="[$row->judged?->id]" />
                                                    <p><label>The evidence starts <select class="input" name="start">
                                                                @foreach ([4 => 'high: trials', 2 => 'low: studies that only observe', 3 => 'moderate', 1 => 'very low'] as $value => $words)
                                                                    <option value="{{ $value }}" @selected($value === $certainty->start->value)>{{ $words }}</option>
                                                                @endforeach
                                                            </select></label>
                                                        <label>Of 1,000 without the intervention have it <input class="input" name="baseline" size="4"
                                                                inputmode="numeric" value="{{ $row->judged?->baseline }}"></label>
                                                    </p>
                                                    @foreach (CertaintyDomain::cases() as $domain)
                                                        @php($reason = $certainty->reasons[$domain->value] ?? ['steps' => 0, 'why' => ''])
                                                        <fieldset class="certainty-domain">
                                                            <legend>{{ Str::ucfirst($domain->label()) }} <span
                                                                    class="small quiet">{{ $domain->asks() }} {{ $row->fact($domain) }}</span></legend>
                                                            <select class="input" name="reasons[{{ $domain->value }}][steps]"
                                                                aria-label="{{ $domain->label() }}: steps">
                                                                @foreach ([0 => 'no change', 1 => $domain->sign() > 0 ? 'one step up' : 'one step down', 2 => $domain->sign() > 0 ? 'two steps up' : 'two steps down'] as $steps => $words)
                                                                    <option value="{{ $steps }}" @selected($steps === $reason['steps'])>{{ $words }}</option>
                                                                @endforeach
                                                            </select>
                                                            <input class="input" name="reasons[{{ $domain->value }}][why]" maxlength="500"
                                                                aria-label="{{ $domain->label() }}: why" placeholder="why" value="{{ $reason['why'] }}">
                                                        </fieldset>
                                                    @endforeach
                                                    <button class="button button-go">Keep it</button>
                                                </form>
                                            </details>
                                        </td>
                                    </tr>
                                @endcan
                            </tbody>
                        @endforeach
                    </table>
                </div>
            @endif
        </section>
    </div>
</x-page>
