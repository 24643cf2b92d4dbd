@php($facts = $flow->facts)
<x-page title="Report" :review="$review" stage="report">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head"><h1>Flow of records and publications</h1> <span>counted from the data just now; each number opens what it counts</span></header>
            @foreach ($flow->contradictions() as $contradiction)
                <p class="problem" role="alert">These numbers do not add up: {{ $contradiction }}</p>
            @endforeach
            <div class="sheet-body">
                <div class="flow">
                    <div class="flow-box"><strong>{{ number_format($facts->recordsDelivered) }}</strong> <a href="{{ route('deliveries', $review) }}">records delivered</a>
                        <ul>@foreach ($sources as $source) @if ($source->kept > 0) <li>{{ number_format($source->kept) }} <a href="{{ route('library', [$review, 'delivery' => $source->id]) }}">{{ $source->source_name }}{{ $source->file_name ? ": {$source->file_name}" : '' }}</a></li> @endif @endforeach</ul>
                    </div>
                    <div class="flow-box"><strong>{{ number_format($flow->duplicatesRemoved()) }}</strong> <a href="{{ route('library', [$review, 'duplicates' => 1]) }}">duplicate records removed</a> before screening
                        <ul><li>{{ number_format($flow->duplicatesByMachine()) }} by machine</li><li>{{ number_format($facts->joinedByPeople) }} <a href="{{ route('matching.joined', $review) }}">by people</a></li></ul>
                        @if ($facts->removed > 0) <strong>{{ number_format($facts->removed) }}</strong> <a href="{{ route('library', [$review, 'removed' => 1]) }}">removed for other reasons</a> @endif</div>
                    <svg class="flow-down" viewBox="0 0 14 26" aria-hidden="true"><path d="M7 0v24M2 18l5 6 5-6"/></svg><span></span>
                    <div class="flow-box"><strong>{{ number_format($flow->toScreen()) }}</strong> <a href="{{ route('library', $review) }}">publications</a> for screening by title and abstract</div>
                    <div class="flow-box"><strong>{{ number_format($facts->excluded) }}</strong> <a href="{{ route('library', [$review, 'state' => 'excluded']) }}">excluded</a>
                        <ul>@foreach ($reasons as $reason) <li>{{ number_format($reason->n) }} @if ($reason->id !== '')<a href="{{ route('library', [$review, 'reason' => $reason->id]) }}">{{ $reason->reason }}</a>@else {{ $reason->reason }} @endif</li> @endforeach</ul>
                    </div>
                    <svg class="flow-down" viewBox="0 0 14 26" aria-hidden="true"><path d="M7 0v24M2 18l5 6 5-6"/></svg><span></span>
                    <div class="flow-box"><strong>{{ number_format($facts->included) }}</strong> <a href="{{ route('library', [$review, 'state' => 'included']) }}">included</a></div>
                    <div class="flow-box"><strong>{{ number_format($flow->pending()) }}</strong> <a href="{{ route('library', [$review, 'state' => 'pending']) }}">without a final decision yet</a>
                        <ul><li>{{ number_format($facts->waiting) }} <a href="{{ route('library', [$review, 'state' => 'waiting']) }}">with decisions missing</a></li><li>{{ number_format($facts->disagreements) }} <a href="{{ route('library', [$review, 'state' => 'disagreement']) }}">in disagreement</a></li></ul>
                    </div>
                    <svg class="flow-down" viewBox="0 0 14 26" aria-hidden="true"><path d="M7 0v24M2 18l5 6 5-6"/></svg><span></span>
                    <div class="flow-box"><strong>{{ number_format($facts->coded) }}</strong> <a href="{{ route('coding', $review) }}">coded in full</a></div>
                    <div class="flow-box"><strong>{{ number_format($flow->notYetCoded()) }}</strong> <a href="{{ route('coding', $review) }}">not coded in full yet</a></div>
                </div>
            </div>
        </section>
        <section class="sheet" id="exports">
            <header class="sheet-head"><h2>Take it out</h2></header>
            <div class="section"><h3>Included publications, {{ number_format($facts->included) }}</h3><p><a href="{{ route('exports.included', [$review, 'ris']) }}">RIS</a> · <a href="{{ route('exports.included', [$review, 'csv']) }}">CSV</a> · <a href="{{ route('exports.included', [$review, 'nbib']) }}">NBIB</a> · <a href="{{ route('exports.included', [$review, 'bibtex']) }}">BibTeX</a> · <a href="{{ route('exports.included', [$review, 'csl-json']) }}">CSL-JSON</a></p></div>
            <div class="section"><h3>Coding table</h3><p><a href="{{ route('exports.coding', $review) }}">The coding table as CSV</a></p></div>
            <p class="section small quiet">In CSV files, text that a spreadsheet would run as a formula has an apostrophe in front.</p>
        </section>
    </div>
</x-page>
