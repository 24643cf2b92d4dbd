<x-page :title="$strategy->name . ', versions'" :review="$review" stage="searches" place="searches">
    <div class="desk desk-side">
        <section class="sheet">
            <x-strategy.head :review="$review" :strategy="$strategy" current="versions" />
            <form class="filter-words row" method="get" action="{{ route('strategies.versions', [$review, $strategy]) }}">
                <label>Compare <select class="input" name="from">
                        @foreach ($revisions as $one)
                            <option value="{{ $one->number }}" @selected($one->number === $from)>
                                {{ ($v = $versions->firstWhere('revision', $one->number)) ? "version {$v->number}" : "revision {$one->number}" }},
                                {{ $one->made_at->format('j M H:i') }}</option>
                        @endforeach
                    </select>
                </label>
                <label>with <select class="input" name="to">
                        @foreach ($revisions as $one)
                            <option value="{{ $one->number }}" @selected($one->number === $to)>
                                {{ ($v = $versions->firstWhere('revision', $one->number)) ? "version {$v->number}" : "revision {$one->number}" }},
                                {{ $one->made_at->format('j M H:i') }}</option>
                        @endforeach
                    </select>
                </label>
                <button class="button">Compare</button>
            </form>
            @if ($from === $to)
                <x-empty title="One state, nothing to compare">Choose two states above. Every run keeps a version; you can also keep one by
                    hand.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Line</th>
                            <th scope="col">Query</th>
                            @foreach ($keys as $key)
                                <th scope="col" class="number">{{ $sources->shortName($key) }} before</th>
                                <th scope="col" class="number">now</th>
                            @endforeach
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($rows as $row)
                            @php $line = $row->line(); @endphp
                            <tr class="compare-{{ $row->how }}">
                                <td class="number">{{ $row->after ? '#' . $lines[1]->numberOf($line->id) : '' }}</td>
                                <td>
                                    @if ($row->how !== 'same')
                                        <strong class="small">{{ $row->how }}</strong><br>
                                    @endif
                                    @if ($row->how === 'removed' || $row->how === 'changed')
                                        <del><code>{{ $row->before->text }}</code></del><br>
                                    @endif
                                    @if ($row->after)
                                        <code>{{ $row->after->text }}</code> <span class="small quiet">{{ $row->after->note }}</span>
                                    @endif
                                </td>
                                @foreach ($keys as $key)
                                    @php
                                        $was = $before[$key][$line->id]['own'] ?? null;
                                        $is = $after[$key][$line->id]['own'] ?? null;
                                    @endphp
                                    <td class="number quiet">{{ $row->before && is_int($was) ? number_format($was) : '' }}</td>
                                    <td class="number">
                                        @if ($row->after && is_int($is))
                                            @if ($was !== $is)
                                                <strong>{{ number_format($is) }}</strong>
                                            @else
                                                {{ number_format($is) }}
                                            @endif
                                        @endif
                                    </td>
                                @endforeach
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>History</h2>
            </header>
            @can('search', $review)
                <form class="section" method="post" action="{{ route('strategies.versions.store', [$review, $strategy]) }}">@csrf
                    <label class="field-label" for="note">Keep the present state as a version</label>
                    <div class="row"><input class="input grow-input" id="note" name="note" maxlength="200"
                            placeholder="what it is for"><button class="button">Keep</button></div>
                </form>
            @endcan
            @foreach ($revisions as $one)
                @php $version = $versions->firstWhere('revision', $one->number); @endphp
                <div class="section small">
                    <p>
                        @if ($version)
                            <strong>Version {{ $version->number }}</strong>
                            @if ($version->note !== '')
                                · {{ $version->note }}
                            @endif
                            <br>
                        @endif {{ $one->change }}
                    </p>
                    <p class="quiet">{{ $one->maker->name }}, {{ $one->made_at->format('j M Y, H:i') }} @if ($one->number === $strategy->head)
                            · shown now
                        @endif
                    </p>
                    @can('search', $review)
                        @if ($one->number !== $strategy->head)
                            <form method="post" action="{{ route('strategies.back', [$review, $strategy]) }}">@csrf <input type="hidden"
                                    name="revision" value="{{ $one->number }}"><input type="hidden" name="base"
                                    value="{{ $strategy->head }}"><button class="button-plain">Back to this</button></form>
                        @endif
                    @endcan
                </div>
            @endforeach
        </section>
    </div>
</x-page>
