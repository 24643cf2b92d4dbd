@php
    $facts = $report->flow->facts;
    $said = fn(string $key): string => $report->notes[$key] ?? '';
    $typed = fn(string $key): string => $said($key) === ''
        ? '<p class="quiet">
Nothing is said yet.</p>'
        : '<p>' . nl2br(e($said($key))) . '</p>';
@endphp
@if ($report->searches()->isEmpty() && $report->files->isEmpty())
    <p>Nothing has been fetched or delivered yet, so there is nothing to report.</p>
@else
    <h2>Databases, platforms and registers (items 1 to 3, 13)</h2>
    <table class="table">
        <thead>
            <tr>
                <th scope="col">Source</th>
                <th scope="col">Searched through</th>
                <th scope="col">Searched on</th>
                <th scope="col">By</th>
                <th scope="col" class="number">Found</th>
                <th scope="col" class="number">Here</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($report->runs as $run)
                <tr>
                    <td>{{ $run->source_title }}</td>
                    <td>its own server, in {{ $run->dialect }}</td>
                    <td>{{ $run->ran_at->format('j M Y') }}</td>
                    <td>{{ $run->runner->name }}</td>
                    <td class="number">{{ number_format($run->total) }}</td>
                    <td class="number">{{ number_format($report->keptOf($run)) }}</td>
                </tr>
            @endforeach
            @foreach ($report->files as $file)
                <tr>
                    <td>{{ $file->source_name }}</td>
                    <td>{{ $file->platform === '' ? '' : "{$file->platform}, " }}file
                        {{ $file->file_name }}{{ $file->notes === '' ? '' : "; {$file->notes}" }}</td>
                    <td>{{ $file->searched_on->format('j M Y') }}</td>
                    <td>{{ $file->creator->name }}</td>
                    <td class="number">{{ number_format($file->position) }}</td>
                    <td class="number">{{ number_format($report->kept[$file->id] ?? 0) }}</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    {!! $said('coverage') === '' ? '' : $typed('coverage') !!}
    @if ($report->withdrawn->isNotEmpty())
        <p class="quiet">Withdrawn again, and in none of these numbers:
            {{ $report->withdrawn->map(fn($one) => $one->file_name === null ? $one->source_name : "{$one->source_name} ({$one->file_name})")->implode(', ') }}.
        </p>
    @endif
    @foreach (['browsing', 'citations', 'contacts', 'other'] as $key)
        <h2>{{ \App\Queries\Searches\SearchReport::TYPED[$key][1] }} (item {{ \App\Queries\Searches\SearchReport::TYPED[$key][0] }})</h2>
        {!! $typed($key) !!}
    @endforeach
    <h2>Limits (item 9)</h2>
    <ul>
        @foreach ($report->searches() as $run)
            <li>{{ $run->source_title }}, {{ $run->ran_at->format('j M Y') }}:
                {{ $report->limits[$run->id] === [] ? 'none' : implode('; ', $report->limits[$run->id]) }}</li>
        @endforeach
    </ul>
    {!! $typed('limit_reasons') !!}
    <h2>Search filters (item 10)</h2>
    {!! $typed('filters') !!}
    <h2>Prior work (item 11)</h2>
    {!! $typed('prior') !!}
    <h2>Updates (item 12)</h2>
    @if ($report->updates->isNotEmpty())
        <table class="table">
            <thead>
                <tr>
                    <th scope="col">Source</th>
                    <th scope="col">Searched again on</th>
                    <th scope="col">By</th>
                    <th scope="col" class="number">Found</th>
                    <th scope="col" class="number">New here</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($report->updates as $run)
                    <tr>
                        <td>{{ $run->source_title }}</td>
                        <td>{{ $run->ran_at->format('j M Y') }}</td>
                        <td>{{ $run->runner->name }}</td>
                        <td class="number">{{ number_format($run->total) }}</td>
                        <td class="number">{{ number_format($report->keptOf($run)) }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    @else
        <p>No database has been searched again.</p>
    @endif
    {!! $said('updates') === '' ? '' : $typed('updates') !!}
    <h2>How the strategies were checked (item 14)</h2>
    <p>{{ number_format($report->knownItems) }} {{ $report->knownItems === 1 ? 'record' : 'records' }} known to be relevant
        {{ $report->knownItems === 1 ? 'was' : 'were' }} used to test them; {{ number_format($report->versions) }}
        {{ $report->versions === 1 ? 'version was' : 'versions were' }} kept.</p>
    {!! $typed('peer_review') !!}
    <h2>Records and duplicates (items 15 and 16)</h2>
    <p>{{ number_format($facts->recordsDelivered) }} records are
        here{{ $report->passedOver > 0 ? ' (' . number_format($report->passedOver) . ' more had been fetched before and were passed over)' : '' }}.
        {{ number_format($report->flow->duplicatesRemoved()) }} of them are duplicates:
        {{ number_format($report->flow->duplicatesByMachine()) }} found by machine (the same DOI or the same place in a journal as they
        came in, and what matching weighed as certain), {{ number_format($facts->joinedByPeople) }} by people. That leaves
        {{ number_format($facts->publications) }} publications, of which {{ number_format($facts->removed) }} were removed for other
        reasons and {{ number_format($report->flow->toScreen()) }} go on to screening.</p>
    <h2>Full strategies (item 8)</h2>
    @foreach ($report->searches() as $run)
        <h3>{{ $run->source_title }}, {{ $run->ran_at->format('j M Y') }}</h3>
        <p>“{{ $run->strategy->name }}”, version {{ $run->version }}. {{ route('runs.show', [$review, $run]) }}</p>
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
                        <td class="number">{{ $line['number'] }}</td>
                        <td>
                            @if ($line['note'] !== '')
                                {{ $line['note'] }}
                                <br>
                                @endif @if ($line['sent'] !== '')
                                <code>{{ $line['sent'] }}</code>@else<span class="quiet">cannot be said in this database:
                                        <code>{{ $line['text'] }}</code></span>
                                @endif
                        </td>
                        <td class="number">{{ $line['count'] === null ? '–' : number_format($line['count']) }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    @endforeach
@endif
