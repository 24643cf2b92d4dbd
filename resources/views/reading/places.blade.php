<nav class="reading-places no-print" aria-label="Parts">
    @foreach (['reading' => 'Report', 'reading.searches' => 'Searches', 'reading.decisions' => 'Decisions'] as $route => $words)
        <a href="{{ route($route, $token) }}" @if (request()->routeIs($route)) aria-current="page" @endif>{{ $words }}</a>
    @endforeach
</nav>
