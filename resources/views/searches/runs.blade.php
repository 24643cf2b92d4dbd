<x-page :title="$strategy->name . ', runs'" :review="$review" stage="searches" place="searches">
    <div class="desk desk-side">
        <section class="sheet">
            <x-strategy.head :review="$review" :strategy="$strategy" current="runs" />
            @if ($runs->isEmpty())
                <x-empty title="Not run yet">A run counts every line in a database, keeps the exact text that was sent, and freezes this
                    version of the strategy. Its records can then be fetched.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Run</th>
                            <th scope="col">Database</th>
                            <th scope="col" class="number">Found</th>
                            <th scope="col">Fetched</th>
                            <th scope="col" class="number">Kept</th>
                            <th scope="col" class="number">New</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($runs as $run)
                            @php $delivery = $run->deliveries->last(); @endphp
                            <tr>
                                <td><a
                                        href="{{ route('runs.show', [$review, $run]) }}">{{ $run->ran_at->format('j M Y, H:i') }}</a><br><span
                                        class="small quiet">version {{ $run->version }}, {{ $run->runner->name }}</span></td>
                                <td>{{ $run->source_title }}</td>
                                <td class="number"><strong>{{ number_format($run->total) }}</strong></td>
                                @if ($delivery)
                                    <td><a href="{{ route('deliveries.show', [$review, $delivery]) }}"><x-delivery-state
                                                :delivery="$delivery" /></a>{{ $delivery->only_new ? ' (new only)' : '' }}</td>
                                    <td class="number">{{ number_format($delivery->kept) }}</td>
                                    <td class="number">{{ number_format($delivery->new) }}</td>
                                @else
                                    <td colspan="3">
                                        @can('deliver', $review)
                                            @if ($run->total > 0)
                                                <form class="row" method="post" action="{{ route('runs.fetch', [$review, $run]) }}">@csrf
                                                    <button class="button">Fetch {{ number_format($run->total) }} records</button>
                                                    @if (in_array($run->source, $fetchedBefore, true))
                                                        <button class="button button-plain" name="new" value="1">only what is
                                                            new</button>
                                                    @endif
                                                </form>
                                            @endif
                                        @else
                                            <span class="quiet">not fetched</span>
                                        @endcan
                                    </td>
                                @endif
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
        </section>
        <div class="grid gap-3">
            @can('search', $review)
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Run it</h2>
                    </header>
                    <form class="sheet-body" method="post" action="{{ route('strategies.runs.store', [$review, $strategy]) }}">
                        @csrf
                        <fieldset class="field">
                            <legend class="field-label">In</legend>
                            @foreach ($strategy->sources as $key)
                                @if ($sources->has($key))
                                    <label class="block"><input type="checkbox" name="sources[]" value="{{ $key }}" checked>
                                        {{ $sources->names()[$key] }}</label>
                                @endif
                            @endforeach
                        </fieldset>
                        <fieldset class="field">
                            <legend class="field-label">And then</legend>
                            <label class="block"><input type="radio" name="fetch" value="nothing" checked> fetch nothing yet</label>
                            @can('deliver', $review)
                                <label class="block"><input type="radio" name="fetch" value="all"> fetch all records, a delivery for each
                                    database</label>
                                @if ($fetchedBefore !== [])
                                    <label class="block"><input type="radio" name="fetch" value="new"> fetch only what is new since the last
                                        time</label>
                                @endif
                            @endcan
                        </fieldset>
                        @php $same = $strategy->versions->firstWhere('revision', $strategy->head); @endphp
                        <button
                            class="button button-go">{{ $same ? "Run version {$same->number} again" : 'Run version '
                                . (1 + (int) $strategy->versions->max('number')) }}</button>
                        <p class="field-help mt-2">
                            {{ $same ? 'Nothing has changed since this version.' : 'The strategy as it stands becomes this version.' }}</p>
                    </form>
                </section>
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Name and databases</h2>
                    </header>
                    <form class="sheet-body" method="post" action="{{ route('strategies.update', [$review, $strategy]) }}">
                        @csrf @method('put')
                        <div class="field"><label for="strategy-name">Name</label><input class="input" id="strategy-name" name="name"
                                value="{{ $strategy->name }}" maxlength="120" required></div>
                        @foreach ($sources->names() as $key => $name)
                            <label class="block"><input type="checkbox" name="sources[]" value="{{ $key }}"
                                    @checked(in_array($key, $strategy->sources, true))> {{ $name }}</label>
                        @endforeach
                        <button class="button mt-2">Save</button>
                    </form>
                </section>
            @endcan
            <section class="sheet">
                <header class="sheet-head">
                    <h2>Read the records</h2>
                </header>
                <ul class="sheet-body">
                    @foreach ($strategy->sources as $key)
                        @if ($sources->has($key))
                            <li><a href="{{ route('strategies.results', [$review, $strategy, 'source' => $key]) }}">In
                                    {{ $sources->names()[$key] }}</a></li>
                        @endif
                    @endforeach
                </ul>
            </section>
        </div>
    </div>
</x-page>
