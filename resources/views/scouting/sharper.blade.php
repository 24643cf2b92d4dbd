@forelse ($offers as $offer)
    @php([$one, $counts] = [$offer->suggestion, $offer->counts])
    <form method="post" action="{{ route('scouting.ask', $review) }}" class="scout-offer">@csrf
        <input type="hidden" name="question" value="{{ $one->question }}">
        @foreach ($scouting->sources as $source)
            <input type="hidden" name="sources[]" value="{{ $source }}">
        @endforeach
        <span class="quiet">{{ $one->role->label() }}</span>
        @can('search', $review)
            <button class="link" title="{{ $one->question }}">{{ $one->words }}</button>
        @else
            <strong>{{ $one->words }}</strong>
        @endcan
        <span class="quiet">{{ $one->papers }} of these{{ $counts === [] ? '' : '; ' . collect($counts)->map(fn($n, $key) => number_format($n) . ' in ' . $sources->shortName($key))->join(', ') }}</span>
    </form>
@empty
    <p class="quiet">The papers name nothing by which it could be narrowed.</p>
@endforelse
