<x-page :title="'Run in ' . $run->source_title" :review="$review" stage="searches" place="searches">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>{{ $run->strategy->name }}, version {{ $run->version }}</h1> <span>{{ $run->source_title }},
                    {{ $run->ran_at->format('j M Y, H:i') }}</span> <span class="end"><a
                        href="{{ route('strategies.runs', [$review, $run->strategy]) }}">All runs</a></span>
            </header>
            <div class="scroll-x" tabindex="0" role="region" aria-label="The lines of the run">
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col" class="number">Line</th>
                            <th scope="col">As sent</th>
                            <th scope="col" class="number">Records</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($run->lines as $line)
                            <tr>
                                <td class="number">#{{ $line['number'] }}</td>
                                <td>
                                    @if ($line['note'] !== '')
                                        <strong>{{ $line['note'] }}</strong><br>
                                    @endif <code
                                        class="wrap-anywhere">{{ $line['sent'] === '' ? '–' : $line['sent'] }}</code>
                                    @foreach ($line['notes'] as $note)
                                        <p class="small note">{{ $note }}</p>
                                    @endforeach
                                </td>
                                <td class="number">{{ $line['count'] === null ? '–' : number_format($line['count']) }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>About this run</h2>
            </header>
            <dl class="sheet-body facts">
                <dt>Found</dt>
                <dd><strong>{{ number_format($run->total) }}</strong> records</dd>
                <dt>Database</dt>
                <dd>{{ $run->source_title }}</dd>
                <dt>Language</dt>
                <dd>{{ $run->dialect }}</dd>
                <dt>Run by</dt>
                <dd>{{ $run->runner->name }}</dd>
                @if ($run->holdings !== '')
                    <dt>State of the database</dt>
                    <dd>{{ $run->holdings }}</dd>
                @endif
                @foreach ($run->deliveries as $delivery)
                    <dt>Delivery</dt>
                    <dd><a href="{{ route('deliveries.show', [$review, $delivery]) }}">{{ number_format($delivery->kept) }} kept</a>,
                        <x-delivery-state :delivery="$delivery" /></dd>
                @endforeach
                <dt>Whole query</dt>
                <dd>
                    <details>
                        <summary>as it was sent</summary><code class="wrap-anywhere">{{ $run->query_sent }}</code>
                    </details>
                </dd>
            </dl>
            @can('deliver', $review)
                @if ($run->deliveries->isEmpty() && $run->total > 0)
                    <form class="sheet-foot" method="post" action="{{ route('runs.fetch', [$review, $run]) }}">@csrf <button
                            class="button button-go">Fetch {{ number_format($run->total) }} records</button></form>
                @endif
            @endcan
        </section>
    </div>
</x-page>
