<x-page title="The Log" :review="$review" stage="question" place="log">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head"><h1>The Log</h1> <span>who did what and when, newest first; nothing in it is ever changed. Others’ decisions appear when their item opens.</span></header>
            <table class="table">
                <thead><tr><th>When</th><th>Who</th><th>What</th></tr></thead>
                <tbody>@foreach ($entries as $entry) <tr><td class="quiet whitespace-nowrap">{{ $entry->created_at->format('j M Y, H:i') }}</td><td>{{ $entry->user->name ?? 'Wary Heron' }}</td><td>{{ $entry->summary }}</td></tr> @endforeach</tbody>
            </table>
            <footer class="sheet-foot">
                @if ($entries->previousPageUrl()) <a class="button" href="{{ $entries->previousPageUrl() }}">Newer</a> @endif
                @if ($entries->nextPageUrl()) <a class="button" href="{{ $entries->nextPageUrl() }}">Older</a> @endif
            </footer>
        </section>
    </div>
</x-page>
