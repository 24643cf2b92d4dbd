<x-page title="Searches">
    @include('reading.places')
    <article class="sheet reading-report">
        <h1>Searches</h1>
        <table class="table">
            <thead>
                <tr>
                    <th scope="col">Source</th>
                    <th scope="col">Day</th>
                    <th scope="col" class="number">Records</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($sources as $source)
                    <tr>
                        <td>{{ $source->source_name }}</td>
                        <td>{{ $source->searched_on ? \Carbon\CarbonImmutable::parse($source->searched_on)->format('j M Y') : '' }}</td>
                        <td class="number">{{ number_format($source->kept) }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        @foreach ($runs as $run)
            <h2>{{ $run->source_title }}, {{ $run->ran_at->format('j M Y') }}</h2>
            <table class="table">
                <thead>
                    <tr>
                        <th scope="col">Line</th>
                        <th scope="col">As it was sent</th>
                        <th scope="col" class="number">Found</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($run->lines as $line)
                        <tr>
                            <td class="number">{{ $line['number'] }}</td>
                            <td><code>{{ $line['sent'] ?: $line['text'] }}</code></td>
                            <td class="number">{{ $line['count'] === null ? '–' : number_format($line['count']) }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        @endforeach
    </article>
</x-page>
