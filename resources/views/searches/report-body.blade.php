@if ($runs->isEmpty() && $files->isEmpty())
    <p>Nothing has been fetched or delivered yet, so there is nothing to report.</p>
@else
    <h2>Databases and registers</h2>
    <table class="table"><thead><tr><th>Database</th><th>Searched through</th><th>Searched on</th><th>By</th><th class="number">Found</th><th class="number">Kept</th></tr></thead><tbody>
        @foreach ($runs as $run)<tr><td>{{ $run->source_title }}</td><td>its own server, in {{ $run->dialect }}</td><td>{{ $run->ran_at->format('j M Y') }}</td><td>{{ $run->runner->name }}</td><td class="number">{{ number_format($run->total) }}</td><td class="number">{{ number_format($kept($run)) }}</td></tr>@endforeach
        @foreach ($files as $file)<tr><td>{{ $file->source_name }}</td><td>file {{ $file->file_name }}{{ $file->notes === '' ? '' : "; {$file->notes}" }}</td><td>{{ $file->searched_on->format('j M Y') }}</td><td>{{ $file->creator->name }}</td><td class="number">{{ number_format($file->position) }}</td><td class="number">{{ number_format($file->kept) }}</td></tr>@endforeach
    </tbody></table>
    <h2>Limits</h2>
    <ul>@foreach ($runs as $run)<li>{{ $run->source_title }}: {{ $limits[$run->id] === [] ? 'none' : implode('; ', $limits[$run->id]) }}</li>@endforeach</ul>
    <h2>How the strategies were checked</h2>
    <p>{{ number_format($known) }} records known to be relevant were used to test them; {{ number_format($versions) }} {{ $versions === 1 ? 'version was' : 'versions were' }} kept. No published filter was used unless a strategy's notes name one.</p>
    <h2>Records and duplicates</h2>
    <p>{{ number_format($records) }} records were kept{{ $passedOver > 0 ? ' ('.number_format($passedOver).' more had been fetched before and were passed over)' : '' }}. Exact duplicates (the same DOI, or the same title, year and first author without contradicting DOIs) were joined by machine: {{ number_format($records - $publications) }} records, leaving {{ number_format($publications) }} publications.</p>
    <h2>Other ways of searching</h2>
    <p>Citation searching, hand searching, contacts and web searching are not recorded here; state them in the report if they were done.</p>
    <h2>Full strategies</h2>
    @foreach ($runs as $run)
        <h3>{{ $run->source_title }}, {{ $run->ran_at->format('j M Y') }}</h3>
        <p>“{{ $run->strategy->name }}”, version {{ $run->version }}. {{ route('runs.show', [$review, $run]) }}</p>
        <table class="table"><thead><tr><th class="number">Line</th><th>As sent</th><th class="number">Records</th></tr></thead><tbody>
            @foreach ($run->lines as $line) @if ($line['sent'] !== '')<tr><td class="number">{{ $line['number'] }}</td><td>@if ($line['note'] !== '') {{ $line['note'] }}<br> @endif<code>{{ $line['sent'] }}</code></td><td class="number">{{ $line['count'] === null ? '–' : number_format($line['count']) }}</td></tr>@endif @endforeach
        </tbody></table>
    @endforeach
@endif
