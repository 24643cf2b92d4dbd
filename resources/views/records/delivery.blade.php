<x-page :title="'Delivery from '.$delivery->source_name" :review="$review" stage="records" place="deliveries">
    <div class="desk desk-side">
        <div class="grid gap-3">
            <section class="sheet" @if ($delivery->isUnderWay()) data-reload-when-done @endif>
                <header class="sheet-head"><h1>{{ $delivery->source_name }}</h1> <span><x-delivery-state :delivery="$delivery" /></span></header>
                @if ($delivery->failure !== '')
                    <div class="section"><strong>{{ $delivery->failure }}</strong>
                        @can('deliver', $review)
                            @if ($delivery->kind === 'fetch' || $delivery->file_hash)
                                <form class="mt-2" method="post" action="{{ route('deliveries.go-on', [$review, $delivery]) }}">@csrf <button class="button">Go on from record {{ number_format($delivery->position + 1) }}</button></form>
                            @endif
                        @endcan
                    </div>
                @endif
                <table class="table">
                    <tbody>
                        <tr><th scope="row">Read</th><td class="number">{{ number_format($delivery->position) }}</td><td></td></tr>
                        <tr><th scope="row">Rejected</th><td class="number">{{ number_format($delivery->rejected) }}</td><td>@if ($delivery->rejected > 0) <a href="#rejected">see why</a> @endif</td></tr>
                        @if ($delivery->only_new) <tr><th scope="row">Fetched before, passed over</th><td class="number">{{ number_format($delivery->passed_over) }}</td><td></td></tr> @endif
                        <tr><th scope="row">Kept</th><td class="number"><strong>{{ number_format($delivery->kept) }}</strong></td><td><a href="{{ route('library', [$review, 'delivery' => $delivery->id]) }}">open them</a></td></tr>
                        <tr><th scope="row">of these already here</th><td class="number">{{ number_format($delivery->already_here) }}</td><td class="quiet small">same DOI, or same title, year and first author</td></tr>
                        <tr><th scope="row">of these new publications</th><td class="number">{{ number_format($delivery->new) }}</td><td></td></tr>
                    </tbody>
                </table>
            </section>
            @if ($delivery->rejected > 0)
                <section class="sheet" id="rejected">
                    <header class="sheet-head"><h2>Rejected</h2> <span>{{ $delivery->rejected > 200 ? 'the first 200; ' : '' }}the rest of the file was kept</span></header>
                    @foreach ($rejections as $rejection)
                        <div class="section"><p><strong>{{ $rejection->line > 0 ? "Line {$rejection->line}" : "Record {$rejection->position}" }}:</strong> {{ $rejection->message }}</p><pre class="mt-1 max-h-40 overflow-auto whitespace-pre-wrap"><code>{{ $rejection->text }}</code></pre></div>
                    @endforeach
                </section>
            @endif
        </div>
        <section class="sheet">
            <header class="sheet-head"><h2>About this delivery</h2></header>
            <dl class="sheet-body facts">
                <dt>Source</dt><dd>{{ $delivery->source_name }}</dd>
                @if ($delivery->file_name) <dt>File</dt><dd class="break-words">{{ $delivery->file_name }}, {{ number_format(ceil($delivery->file_size / 1024)) }} kB</dd> @endif
                <dt>Searched on</dt><dd>{{ $delivery->searched_on->format('j M Y') }}</dd>
                <dt>Delivered</dt><dd>{{ $delivery->created_at->format('j M Y, H:i') }} by {{ $delivery->creator->name }}</dd>
                @if ($delivery->run) <dt>Search</dt><dd><a href="{{ route('runs.show', [$review, $delivery->run]) }}">{{ $delivery->run->strategy->name }}, version {{ $delivery->run->version }}</a>{{ $delivery->only_new ? ', only what was new' : '' }}</dd><dt>Sent as</dt><dd><code class="break-words">{{ $delivery->query_sent }}</code></dd> @endif
                @if ($delivery->notes !== '') <dt>Notes</dt><dd>{{ $delivery->notes }}</dd> @endif
                @if ($delivery->file_hash) <dt>SHA-256</dt><dd class="break-all"><code>{{ $delivery->file_hash }}</code></dd> @endif
            </dl>
        </section>
    </div>
</x-page>
