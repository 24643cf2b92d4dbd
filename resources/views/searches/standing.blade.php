@use('WaryHeron\Core\Search\Standing\Every')
<x-page :title="$strategy->name . ', by itself'" :review="$review" stage="searches" place="searches">
    @php
        $isUnderWay = $rounds->contains(fn($one) => $one->ended_at === null);
        $runs = $standing !== null && $standing->ended_at === null;
        $first = $runs ? $standing->next_at : now()->addDay();
        $doing = [
            'search' => 'asking the databases',
            'fetch' => 'fetching',
            'match' => 'being matched',
            'join' => 'being joined',
            'share' => 'being shared out',
        ];
    @endphp
    <div class="desk desk-side" @if ($isUnderWay) data-reload-when-done @endif>
        <section class="sheet">
            <x-strategy.head :review="$review" :strategy="$strategy" current="standing" />
            @if ($runs)
                <p class="sheet-body">Runs <strong>{{ $standing->every->label() }}</strong>, next on
                    <strong>{{ $standing->next_at->format('j M Y') }}</strong>, in the name of {{ $standing->setter->name }}. Only what is new
                    is fetched{{ $standing->joins ? ', matched, and joined where it is certain' : ' and matched' }};
                    {{ $standing->people === [] ? 'it waits as the stage is worked.' : 'it is shared out among ' . count($standing->people) . ' people.' }}
                </p>
            @endif
            @if ($rounds->isEmpty())
                <x-empty title="Not run by itself yet">A living review asks its databases again and again. Say how often: what is new flows in, is
                    matched, put in order and shared out, and a notice says so.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Round</th>
                            <th scope="col" class="number">New records</th>
                            <th scope="col" class="number">New publications</th>
                            <th scope="col">From</th>
                            <th scope="col">What became of it</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($rounds as $round)
                            <tr id="round-{{ $round->id }}">
                                <td>{{ $round->began_at->format('j M Y, H:i') }}</td>
                                <td class="number">{{ number_format($round->records) }}</td>
                                <td class="number">{{ number_format($round->publications) }}</td>
                                <td>
                                    @foreach ($round->deliveries as $id)
                                        @if (isset($deliveries[$id]) && $deliveries[$id]->kept > 0)
                                            <a href="{{ route('library', [$review, 'delivery' => $id]) }}">{{ $deliveries[$id]->source_name }}</a>
                                            {{ number_format($deliveries[$id]->kept) }}<br>
                                        @endif
                                    @endforeach
                                </td>
                                <td>
                                    {{ match (true) {
                                        $round->ended_at === null => $doing[$round->step] ?? '',
                                        $round->records === 0 => 'nothing new',
                                        $round->share_out_id !== null => 'matched and shared out',
                                        default => 'matched; it waits',
                                    } }}
                                    @if ($round->trouble !== '')
                                        <p class="small says-warn">{{ $round->trouble }}</p>
                                    @endif
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
        </section>
        @can('deliver', $review)
            <section class="sheet">
                <header class="sheet-head">
                    <h2>Run it by itself</h2>
                </header>
                <form class="sheet-body grid gap-2" method="post" action="{{ route('strategies.standing.set', [$review, $strategy]) }}">@csrf @method('put')
                    <label>How often <select class="input" name="every">
                            @foreach (Every::cases() as $one)
                                <option value="{{ $one->value }}" @selected(($standing?->every ?? Every::Month) === $one)>{{ $one->label() }}</option>
                            @endforeach
                        </select></label>
                    <label>First on <input class="input" type="date" name="first" required
                            value="{{ old('first', $first->format('Y-m-d')) }}"></label>
                    <label><input type="checkbox" name="joins" value="1" @checked($standing?->joins ?? true)> join what is certain</label>
                    <fieldset class="field">
                        <legend class="field-label">Share out what is new among</legend>
                        @foreach ($screeners as $one)
                            <label class="block"><input type="checkbox" name="people[]" value="{{ $one->user_id }}"
                                    @checked(in_array($one->user_id, $standing?->people ?? [], true))>
                                {{ $one->user->name }}</label>
                        @endforeach
                        <p class="field-help">Nobody: it waits as the stage is worked.</p>
                    </fieldset>
                    <button class="button button-go">{{ $runs ? 'Change' : 'Run it by itself' }}</button>
                    @foreach ($errors->all() as $problem)
                        <p class="field-error" role="alert">{{ $problem }}</p>
                    @endforeach
                </form>
                @if ($runs)
                    <div class="sheet-body row">
                        <form method="post" action="{{ route('strategies.standing.now', [$review, $strategy]) }}">@csrf<button class="button">Look now</button></form>
                        <form method="post" action="{{ route('strategies.standing.end', [$review, $strategy]) }}">@csrf @method('delete')<button
                                class="button button-plain">Run it no longer by itself</button></form>
                    </div>
                @endif
            </section>
        @endcan
    </div>
</x-page>
