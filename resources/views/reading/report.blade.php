<x-page :title="$parts['title']">
    @include('reading.places')
    <article class="sheet reading-report">
        <p class="small quiet">{{ $version->name }}, {{ $version->created_at->format('j M Y') }}. Words that are underlined lead to what they rest on.</p>
        {!! $parts['body'] !!}
        @if ($parts['references'] !== '')
            <h2>References</h2>
            {!! $parts['references'] !!}
        @endif
        @if ($parts['claims'] !== [])
            <section class="claims">
                <h2>What the claims rest on</h2>
                @include('report.claims-list', ['claims' => $parts['claims']])
            </section>
        @endif
    </article>
    @if ($said !== null)
        @include('reading.comments')
    @endif
</x-page>
