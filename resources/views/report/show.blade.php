@php($facts = $flow->facts)
<x-page title="Report" :review="$review" stage="report" place="report">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Flow of records and publications</h1> <span>counted from the data just now; each number opens what it counts</span>
            </header>
            @foreach ([...$flow->contradictions(), ...$diagram->contradictions()] as $contradiction)
                <p class="problem" role="alert">These numbers do not add up: {{ $contradiction }}</p>
            @endforeach
            <div class="sheet-body">
                <div class="flow">
                    <div class="flow-box"><strong>{{ number_format($facts->recordsDelivered) }}</strong> <a
                            href="{{ route('deliveries', $review) }}">records delivered</a>
                        <ul>
                            @foreach ($sources as $source)
                                @if ($source->kept > 0)
                                    <li>{{ number_format($source->kept) }} <a
                                            href="{{ route('library', [$review, ...$source->id === null
                                                ? ['source' => $source->source_name]
                                                : ['delivery' => $source->id]]) }}">{{ $source->source_name }}{{ $source->file_name
                                                ? ": {$source->file_name}" : '' }}</a>{{ $source->deliveries > 1 ? ", {$source->deliveries} lists" : '' }}
                                    </li>
                                @endif
                            @endforeach
                        </ul>
                    </div>
                    <div class="flow-box"><strong>{{ number_format($flow->duplicatesRemoved()) }}</strong> <a
                            href="{{ route('library', [$review, 'duplicates' => 1]) }}">duplicate records removed</a> before screening
                        <ul>
                            <li>{{ number_format($flow->duplicatesByMachine()) }} by machine</li>
                            <li>{{ number_format($facts->joinedByPeople) }} <a href="{{ route('matching.joined', $review) }}">by
                                    people</a></li>
                        </ul>
                        @if ($facts->removed > 0)
                            <strong>{{ number_format($facts->removed) }}</strong> <a
                                href="{{ route('library', [$review, 'removed' => 1]) }}">removed for other reasons</a>
                        @endif
                    </div>
                    <svg class="flow-down" viewBox="0 0 14 26" aria-hidden="true">
                        <path d="M7 0v24M2 18l5 6 5-6" />
                    </svg><span></span>
                    <div class="flow-box"><strong>{{ number_format($flow->toScreen()) }}</strong> <a
                            href="{{ route('library', $review) }}">publications</a> for screening by title and abstract</div>
                    <div class="flow-box"><strong>{{ number_format($facts->excluded) }}</strong> <a
                            href="{{ route('library', [$review, 'state' => 'excluded']) }}">excluded</a>
                        <ul>
                            @foreach ($reasons as $reason)
                                <li>{{ number_format($reason->n) }} @if ($reason->id !== '')
                                        <a href="{{ route('library', [$review, 'reason' => $reason->id]) }}">{{ $reason->reason }}</a>
                                    @else
                                        {{ $reason->reason }}
                                    @endif
                                </li>
                            @endforeach
                        </ul>
                    </div>
                    <svg class="flow-down" viewBox="0 0 14 26" aria-hidden="true">
                        <path d="M7 0v24M2 18l5 6 5-6" />
                    </svg><span></span>
                    @php($first = $review->firstStage()->id)
                    @php($down = '<svg class="flow-down" viewBox="0 0 14 26" aria-hidden="true"><path d="M7 0v24M2 18l5 6 5-6"/></svg><span></span>')
                    <div class="flow-box"><strong>{{ number_format($facts->included) }}</strong> <a
                            href="{{ route('library', [$review, 'state' => 'included',
                                'stage' => $first]) }}">{{ $facts->fullTexts ? 'reports sought for retrieval'
                                : 'included' }}</a>
                    </div>
                    <div class="flow-box"><strong>{{ number_format($flow->pending()) }}</strong> <a
                            href="{{ route('library', [$review, 'state' => 'pending', 'stage' => $first]) }}">without a final decision
                            yet</a>
                        <ul>
                            <li>{{ number_format($facts->waiting) }} <a
                                    href="{{ route('library', [$review, 'state' => 'undecided', 'stage' => $first]) }}">with decisions
                                    missing</a></li>
                            <li>{{ number_format($facts->disagreements) }} <a
                                    href="{{ route('library', [$review, 'state' => 'disagreement', 'stage' => $first]) }}">in
                                    disagreement</a></li>
                        </ul>
                    </div>
                    {!! $down !!}
                    @if ($facts->fullTexts)
                        @php([$full, $last] = [$facts->fullTexts, $review->lastStage()->id])
                        <div class="flow-box"><strong>{{ number_format($full->sought - $full->notRetrieved()) }}</strong> <a
                                href="{{ route('library', [$review, 'stage' => $last]) }}">reports retrieved or still sought</a>
                            @if ($full->awaited > 0)
                                <ul>
                                    <li>{{ number_format($full->awaited) }} <a
                                            href="{{ route('library', [$review, 'state' => 'awaited', 'stage' => $last]) }}">not at hand
                                            yet</a></li>
                                </ul>
                            @endif
                        </div>
                        <div class="flow-box"><strong>{{ number_format($full->notRetrieved()) }}</strong> <a
                                href="{{ route('full-texts', [$review, 'state' => 'not-retrievable']) }}">reports not retrieved</a>
                            <ul>
                                @foreach ($full->notRetrieved as $why => $n)
                                    <li>{{ number_format($n) }} <a
                                            href="{{ route('full-texts', [$review, 'state' => 'not-retrievable', 'reason' => $why]) }}">{{ $why }}</a>
                                    </li>
                                @endforeach
                            </ul>
                        </div>
                        {!! $down !!}
                        <div class="flow-box"><strong>{{ number_format($full->assessed()) }}</strong> <a
                                href="{{ route('full-texts', [$review, 'only' => 'judged']) }}">reports assessed for eligibility</a>
                            @if ($full->waiting + $full->disagreements > 0)
                                <ul>
                                    <li>{{ number_format($full->waiting) }} <a
                                            href="{{ route('library', [$review, 'state' => 'waiting', 'stage' => $last]) }}">with decisions
                                            missing</a></li>
                                    <li>{{ number_format($full->disagreements) }} <a
                                            href="{{ route('library', [$review, 'state' => 'disagreement', 'stage' => $last]) }}">in
                                            disagreement</a></li>
                                </ul>
                            @endif
                        </div>
                        <div class="flow-box"><strong>{{ number_format($full->excluded) }}</strong> <a
                                href="{{ route('library', [$review, 'state' => 'excluded', 'stage' => $last]) }}">reports excluded</a>
                            <ul>
                                @foreach ($fullReasons as $reason)
                                    <li>{{ number_format($reason->n) }} @if ($reason->id !== '')
                                            <a
                                                href="{{ route('library', [$review, 'reason' => $reason->id, 'stage' => $last]) }}">{{ $reason->reason }}</a>
                                        @else
                                            {{ $reason->reason }}
                                        @endif
                                    </li>
                                @endforeach
                            </ul>
                        </div>
                        {!! $down !!}
                        <div class="flow-box"><strong>{{ number_format($full->studies()) }}</strong> <a
                                href="{{ route('studies', $review) }}">studies included</a> in
                            <strong>{{ number_format($full->included) }}</strong> <a
                                href="{{ route('library', [$review, 'state' => 'included', 'stage' => $last]) }}">reports</a></div>
                        <span></span>
                        {!! $down !!}
                    @endif
                    <div class="flow-box"><strong>{{ number_format($facts->coded) }}</strong> <a
                            href="{{ route('coding', $review) }}">coded in full</a></div>
                    <div class="flow-box"><strong>{{ number_format($flow->notYetCoded()) }}</strong> <a
                            href="{{ route('coding', $review) }}">not coded in full yet</a></div>
                </div>
            </div>
        </section>
        <div class="grid gap-3">
        <section class="sheet">
            <header class="sheet-head">
                <h2>Announced before it was done</h2>
            </header>
            <dl class="sheet-body facts">
                <dt>Protocol</dt>
                <dd class="wrap-anywhere">{{ $review->protocol === '' ? 'not given' : $review->protocol }}</dd>
                <dt>Registration</dt>
                <dd class="wrap-anywhere">{{ $review->registration === '' ? 'not given' : $review->registration }}</dd>
            </dl>
            @if ($review->protocol . $review->registration === '')
                <p class="section small quiet">A report names both, or says that there is none. They are kept with the <a
                        href="{{ route('question', $review) }}">question</a>.</p>
            @endif
        </section>
        <section class="sheet" id="exports">
            <header class="sheet-head">
                <h2>Export</h2>
            </header>
            <div class="section" id="diagram">
                <h3>Flow diagram</h3>
                <p class="small quiet mb-1">As the published standard has it: sources named, other methods and an earlier version in arms of
                    their own; what waits stands outside the boxes.</p>
                <p><a href="{{ route('report.flow', [$review, 'svg']) }}">SVG</a> · <a
                        href="{{ route('report.flow', [$review, 'png']) }}">PNG</a> · <a
                        href="{{ route('report.flow', [$review, 'pdf']) }}">PDF</a> · <a
                        href="{{ route('report.flow', [$review, 'csv']) }}">its numbers as CSV</a></p>
                @foreach ($versions as $version)
                    <p class="small">{{ $version->name }}, {{ $version->closed_at->format('j M Y') }}: {{ number_format($version->studies) }}
                        {{ Str::plural('study', $version->studies) }} in {{ number_format($version->reports) }}
                        {{ Str::plural('report', $version->reports) }}, held fast by {{ $version->closer->name }}
                        @if ($loop->first)
                            @can('manage', $review)
                                <form class="inline" method="post" action="{{ route('report.versions.back', $review) }}">@csrf @method('delete')<button
                                        class="link">Take back</button></form>
                            @endcan
                        @endif
                    </p>
                @endforeach
                @can('manage', $review)
                    <details class="mt-2" @if ($errors->has('name')) open @endif>
                        <summary class="cursor-pointer small">Hold this version fast, to go on with an update</summary>
                        <form class="mt-2" method="post" action="{{ route('report.versions.close', $review) }}">@csrf
                            <label class="small">Called <input class="input" name="name" maxlength="120"
                                    placeholder="Version {{ 1 + (int) $versions->max('number') }}"></label>
                            <button class="button mt-2">Hold it fast</button>
                            <p class="small quiet">What is included now stands in the diagram as previous studies; records, decisions and studies
                                that come later are counted apart. Nothing else changes.</p>
                        </form>
                    </details>
                    <details class="mt-2" @if ($errors->hasAny(['previous_studies', 'previous_reports'])) open @endif>
                        <summary class="cursor-pointer small">Its words, and an earlier version</summary>
                        <form class="mt-2" method="post" action="{{ route('report.word', $review) }}">@csrf @method('put')
                            <x-shown :of="$review->only(\App\Actions\Report\WordFlow::WORDED)" />
                            <p class="small">If this review updates an earlier one, what that included:</p>
                            <div class="row"><label>studies <input class="input number" name="previous_studies" inputmode="numeric"
                                        size="5" value="{{ old('previous_studies', $review->previous_studies) }}"></label> <label>reports
                                    <input class="input number" name="previous_reports" inputmode="numeric" size="5"
                                        value="{{ old('previous_reports', $review->previous_reports) }}"></label></div>
                            @foreach (['previous_studies', 'previous_reports'] as $field)
                                @error($field)
                                    <p class="field-error" role="alert">{{ $message }}</p>
                                @enderror
                            @endforeach
                            @foreach ($captions as $i => $one)
                                <label class="block small mt-1">{{ $one->usual }} <input class="input" name="captions[{{ $i }}]"
                                        maxlength="120" value="{{ $one->now }}"></label>
                            @endforeach
                            <button class="button mt-2">Save the words</button>
                        </form>
                    </details>
                @endcan
            </div>
            <div class="section">
                <h3>Included publications, {{ number_format($flow->included()) }}</h3>
                <p><a href="{{ route('exports.included', [$review, 'ris']) }}">RIS</a> · <a
                        href="{{ route('exports.included', [$review, 'csv']) }}">CSV</a> · <a
                        href="{{ route('exports.included', [$review, 'nbib']) }}">NBIB</a> · <a
                        href="{{ route('exports.included', [$review, 'bibtex']) }}">BibTeX</a> · <a
                        href="{{ route('exports.included', [$review, 'csl-json']) }}">CSL-JSON</a></p>
            </div>
            <div class="section">
                <h3>Decisions</h3>
                <p>Every decision you may see, with reasons, answers and settlements: <a
                        href="{{ route('exports.decisions', [$review, 'csv']) }}">CSV</a> · <a
                        href="{{ route('exports.decisions', [$review, 'xlsx']) }}">XLSX</a></p>
                <p class="mt-1">Excluded publications: <a
                        href="{{ route('library.export', [$review, 'ris', 'state' => 'excluded']) }}">RIS</a> · <a
                        href="{{ route('library.export', [$review, 'csv', 'state' => 'excluded']) }}">CSV</a></p>
            </div>
            <div class="section">
                <h3>Coding table</h3>
                <p><a href="{{ route('exports.coding', [$review, 'csv']) }}">The coding table as CSV</a></p>
            </div>
            @include('report.made')
            <p class="section small quiet">In CSV files, text that a spreadsheet would run as a formula has an apostrophe in front.</p>
        </section>
        </div>
    </div>
</x-page>
