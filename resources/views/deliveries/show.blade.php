<x-page :title="'Delivery from ' . $delivery->source_name" :review="$review" stage="records" place="deliveries">
    <div class="desk desk-side">
        <div class="grid gap-3">
            <section class="sheet" @if ($delivery->isUnderWay()) data-reload-when-done @endif>
                <header class="sheet-head">
                    <h1>{{ $delivery->source_name }}</h1> <span><x-delivery-state :delivery="$delivery" /></span>
                </header>
                @if ($delivery->failure !== '')
                    <div class="section"><strong>{{ $delivery->failure }}</strong>
                        @can('deliver', $review)
                            @if ($delivery->kind === 'fetch' || $delivery->file_hash)
                                <form class="mt-2" method="post" action="{{ route('deliveries.go-on', [$review, $delivery]) }}">@csrf <button
                                        class="button">Go on from record {{ number_format($delivery->position + 1) }}</button></form>
                            @endif
                        @endcan
                    </div>
                @endif
                <table class="table">
                    <tbody>
                        <tr>
                            <th scope="row">Read</th>
                            <td class="number">{{ number_format($delivery->position) }}</td>
                            <td></td>
                        </tr>
                        <tr>
                            <th scope="row">Rejected</th>
                            <td class="number">{{ number_format($delivery->rejected) }}</td>
                            <td>
                                @if ($delivery->rejected > 0)
                                    <a href="#rejected">see why</a>
                                @endif
                            </td>
                        </tr>
                        @if ($delivery->only_new)
                            <tr>
                                <th scope="row">Fetched before, passed over</th>
                                <td class="number">{{ number_format($delivery->passed_over) }}</td>
                                <td></td>
                            </tr>
                        @endif
                        <tr>
                            <th scope="row">Kept</th>
                            <td class="number"><strong>{{ number_format($delivery->kept) }}</strong></td>
                            <td><a href="{{ route('library', [$review, 'delivery' => $delivery->id]) }}">open them</a></td>
                        </tr>
                        <tr>
                            <th scope="row">of these already here</th>
                            <td class="number">{{ number_format($delivery->already_here) }}</td>
                            <td class="quiet small">certain as they came; <a href="{{ route('matching', $review) }}">matching</a> finds the
                                rest</td>
                        </tr>
                        <tr>
                            <th scope="row">of these new publications</th>
                            <td class="number">{{ number_format($delivery->new) }}</td>
                            <td></td>
                        </tr>
                    </tbody>
                </table>
            </section>
            @if ($sheet->records > 0 && $sheet->years !== [])
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>What came</h2> <span>{{ number_format($sheet->records) }} {{ $sheet->records === 1 ? 'record' : 'records' }}
                            by year of publication, and what they lack</span>
                    </header>
                    @php($most = max($sheet->years))
                    @php($dated = array_filter($sheet->years, fn($n, $year) => $year > 0, ARRAY_FILTER_USE_BOTH))
                    @if ($dated !== [])
                        @php($from = min(array_keys($dated)))
                        @php($span = max(1, max(array_keys($dated)) - $from + 1))
                        <svg class="years" viewBox="0 0 600 90" role="img"
                            aria-label="Records by year: @foreach ($dated as $year => $n){{ $year }} {{ $n }}; @endforeach">
                            @foreach ($dated as $year => $n)
                                <rect class="bar-alone" x="{{ round(10 + (($year - $from) * 580) / $span, 1) }}"
                                    y="{{ round(66 - (62 * $n) / $most, 1) }}" width="{{ round(max(1, 580 / $span - 2), 1) }}"
                                    height="{{ round((62 * $n) / $most, 1) }}">
                                    <title>{{ $year }}: {{ number_format($n) }}</title>
                                </rect>
                            @endforeach
                            <text x="10" y="84" class="axis">{{ $from }}</text><text x="590" y="84" class="axis"
                                text-anchor="end">{{ max(array_keys($dated)) }}</text>
                        </svg>
                    @endif
                    <table class="table small">
                        <tbody>
                            @foreach ($sheet->missing as $one)
                                <tr>
                                    <th scope="row">{{ $one['label'] }} missing</th>
                                    <td class="number">{{ number_format($one['missing']) }}</td>
                                    <td class="number">{{ number_format((100 * $one['missing']) / $sheet->records, 1) }} %</td>
                                    <td><svg class="share" viewBox="0 0 100 8" aria-hidden="true">
                                            <rect class="bar-left" x="0.5" y="0.5" width="99" height="7" />
                                            <rect class="bar-alone" width="{{ round((100 * $one['missing']) / $sheet->records, 1) }}"
                                                height="8" />
                                        </svg></td>
                                    <td>
                                        @if ($one['label'] === 'Abstract')
                                            <a href="{{ route('library', [$review, 'delivery' => $delivery->id, 'no_abstract' => 1]) }}">open
                                                them</a>
                                        @endif
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </section>
            @endif
            @if ($delivery->rejected > 0 || $rejections->isNotEmpty())
                <section class="sheet" id="rejected">
                    <header class="sheet-head">
                        <h2>Rejected</h2> <span>the rest of the file was kept. Mend the text and it is read again.</span>
                        <span class="end row">
                            @if ($delivery->rejected > 0)
                                <a class="button" href="{{ route('deliveries.rejected', [$review, $delivery]) }}">{{ $delivery->rejected === 1 ? 'Download it' : 'Download all ' . number_format($delivery->rejected) }}</a>
                                @if ($delivery->rejected > 1 && Gate::allows('deliver', $review))
                                    <form method="post" action="{{ route('deliveries.read-again', [$review, $delivery]) }}">@csrf <button
                                            class="button">Read all again</button></form>
                                @endif
                            @endif
                        </span>
                    </header>
                    @foreach ($rejections as $rejection)
                        <div class="section">
                            <p><strong>{{ $rejection->line > 0 ? "Line {$rejection->line}" : "Record {$rejection->position}" }}:</strong>
                                {{ $rejection->message }}</p>
                            @if ($rejection->mended_at)
                                <p class="small quiet">Mended and taken in.</p>
                            @elseif (auth()->user()->can('deliver', $review))
                                <form method="post" action="{{ route('deliveries.mend', [$review, $delivery, $rejection]) }}">@csrf
                                    @error("mend.{$rejection->id}")
                                        <p class="field-error" role="alert">{{ $message }}</p>
                                    @enderror
                                    <label class="visually-hidden" for="text-{{ $rejection->id }}">Text of the record at line
                                        {{ $rejection->line }}</label>
                                    <textarea class="input input-mono mt-1" id="text-{{ $rejection->id }}" name="text"
                                        rows="{{ min(12, 2 + substr_count($rejection->text,
                                            "\n")) }}" spellcheck="false">{{ $errors->has("mend.{$rejection->id}")
                                            ? old('text') : $rejection->text }}</textarea>
                                    <button class="button mt-1">Read it again</button>
                                </form>
                            @else
                                <pre class="mt-1 max-h-40 overflow-auto whitespace-pre-wrap"><code>{{ $rejection->text }}</code></pre>
                            @endif
                        </div>
                    @endforeach
                    @if ($rejections->hasPages())
                        <footer class="sheet-foot">
                            @if ($rejections->previousPageUrl())
                                <a class="button" rel="prev" href="{{ $rejections->previousPageUrl() }}">Previous</a>
                                @endif @if ($rejections->nextPageUrl())
                                    <a class="button" rel="next" href="{{ $rejections->nextPageUrl() }}">Next</a>
                                @endif
                        </footer>
                    @endif
                </section>
            @endif
        </div>
        <section class="sheet">
            <header class="sheet-head">
                <h2>About this delivery</h2>
            </header>
            <dl class="sheet-body facts">
                <dt>Source</dt>
                <dd>{{ $delivery->source_name }}</dd>
                @if ($delivery->file_name)
                    <dt>File</dt>
                    <dd class="wrap-anywhere">{{ $delivery->file_name }}, {{ number_format(ceil($delivery->file_size / 1024)) }} kB</dd>
                @endif
                @if ($delivery->format !== '')
                    <dt>Format</dt>
                    <dd>{{ \WaryHeron\Core\Bibliography\Format\Formats::title($delivery->format) }}</dd>
                @endif
                @if ($delivery->remarks !== '')
                    <dt>Reading</dt>
                    <dd>{{ $delivery->remarks }}
                        @if ($letters && auth()->user()->can('deliver', $review))
                            <x-menu label="Letters look wrong…" class="button button-plain">
                                <form method="post" action="{{ route('deliveries.letters', [$review, $delivery]) }}">@csrf
                                    <fieldset>
                                        <legend class="small">Read as {{ $letters->read }}: <span
                                                class="serif">{{ $letters->words }}</span>. Choose the line that reads right.</legend>
                                        @foreach ($letters->readings as $encoding => $words)
                                            <label class="block"><input type="radio" name="encoding" value="{{ $encoding }}" required>
                                                <span class="serif">{{ $words }}</span> <span class="small quiet">{{ $encoding }}</span></label>
                                        @endforeach
                                    </fieldset>
                                    <p class="small mt-1">
                                        What came with this delivery is
                                        withdrawn{{ $sheet->worked === 0 ? '' : ', but for what people have decided on' }},
                                        and the file is delivered once more.
                                    </p>
                                    <button class="button mt-1">Read the file again</button>
                                </form>
                            </x-menu>
                        @endif
                    </dd>
                @endif
                <dt>Kind of source</dt>
                <dd>
                    @can('deliver', $review)
                        <form class="line-up" method="post" action="{{ route('deliveries.kind', [$review, $delivery]) }}">@csrf
                            @method('put') <select class="input" name="source_kind" aria-label="Kind of source">
                                @foreach (\WaryHeron\Core\Flow\SourceKind::cases() as $kind)
                                    <option value="{{ $kind->value }}" @selected($delivery->source_kind === $kind->value)>{{ $kind->one() }}</option>
                                @endforeach
                            </select>
                            <button class="button button-plain">Save</button>
                        </form>
                    @else
                    {{ $delivery->source_kind }} @endcan
                </dd>
                @if ($delivery->platform !== '')
                    <dt>Platform</dt>
                    <dd>{{ $delivery->platform }}</dd>
                @endif
                <dt>Searched on</dt>
                <dd>{{ $delivery->searched_on->format('j M Y') }}</dd>
                <dt>Delivered</dt>
                <dd>{{ $delivery->created_at->format('j M Y, H:i') }} by {{ $delivery->creator->name }}</dd>
                @if ($delivery->run)
                    <dt>Search</dt>
                    <dd><a href="{{ route('runs.show', [$review, $delivery->run]) }}">{{ $delivery->run->strategy->name }}, version
                            {{ $delivery->run->version }}</a>{{ $delivery->only_new ? ', only what was new' : '' }}</dd>
                    <dt>Sent as</dt>
                    <dd><code class="wrap-anywhere">{{ $delivery->query_sent }}</code></dd>
                @endif
                @if ($delivery->notes !== '')
                    <dt>Notes</dt>
                    <dd>{{ $delivery->notes }}</dd>
                @endif
                @if ($delivery->file_hash)
                    <dt>SHA-256</dt>
                    <dd class="break-all"><code>{{ $delivery->file_hash }}</code></dd>
                @endif
            </dl>
            @can('deliver', $review)
                @if (!$delivery->withdrawn_at && !$delivery->isUnderWay())
                    <div class="section"><x-menu label="Withdraw this delivery…" class="button button-plain">
                            <form method="post" action="{{ route('deliveries.withdraw', [$review, $delivery]) }}">@csrf
                                <p class="small">
                                    {{ $sheet->worked === 0
                                        ? 'Nobody has decided on anything of it. All its records leave the review; what came from elsewhere too stays.'
                                        : 'People have decided on ' . number_format($sheet->worked)
                                        . ' of its publications. These stay, with their records; all others leave the review.' }}
                                    The records are kept, marked as withdrawn.</p>
                                <button
                                    class="button mt-1">{{ $sheet->worked === 0 ? 'Withdraw all of it' : 'Withdraw what is undecided' }}</button>
                            </form>
                        </x-menu></div>
                @endif
            @endcan
        </section>
    </div>
</x-page>
