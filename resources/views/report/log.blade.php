@use('App\Queries\Report\LogFilters')
<x-page title="The Log" :review="$review" stage="question" place="log">
    <div class="desk desk-spine">
        <section class="sheet">
            <header class="sheet-head">
                <h2>Narrow it down</h2>
            </header>
            <form class="sheet-body" method="get" action="{{ route('log', $review) }}">
                <div class="field"><label for="who">Who</label>
                    <select class="input" id="who" name="who">
                        <option value="">anybody</option>
                        @foreach ($people as $id => $name)
                            <option value="{{ $id }}" @selected(($kept['who'] ?? '') === $id)>{{ $name }}</option>
                        @endforeach
                    </select>
                </div>
                <div class="field"><label for="about">About</label>
                    <select class="input" id="about" name="about">
                        <option value="">anything</option>
                        @foreach (array_keys(LogFilters::AREAS) as $area)
                            <option @selected(($kept['about'] ?? '') === $area)>{{ $area }}</option>
                        @endforeach
                    </select>
                </div>
                <div class="field"><label for="words">Words in it</label><input class="input" id="words" name="words"
                        value="{{ $kept['words'] ?? '' }}" maxlength="200"></div>
                <div class="field"><label for="from">From</label><input class="input" type="date" id="from" name="from"
                        value="{{ $kept['from'] ?? '' }}"></div>
                <div class="field"><label for="to">To</label><input class="input" type="date" id="to" name="to"
                        value="{{ $kept['to'] ?? '' }}"></div>
                <div class="field"><label for="by">Entries</label>
                    <select class="input" id="by" name="by">
                        <option value="">each by itself</option>
                        @foreach (LogFilters::GROUPS as $by => $words)
                            <option value="{{ $by }}" @selected(($kept['by'] ?? '') === $by)>counted {{ $words }}</option>
                        @endforeach
                    </select>
                </div>
                <div class="row"><button class="button button-go">Show</button>
                    @if ($kept !== [])
                        <a href="{{ route('log', $review) }}">Show all</a>
                    @endif
                </div>
            </form>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h1>The Log</h1> <span>who did what and when, newest first; nothing in it is ever changed. Others’ decisions appear when
                    their item opens.</span>
                <span class="end row"><a class="button" href="{{ route('log.export', [$review, 'csv', ...$kept]) }}">CSV</a> <a
                        class="button" href="{{ route('log.export', [$review, 'xlsx', ...$kept]) }}">XLSX</a></span>
            </header>
            @if ($groups !== [])
                <table class="table bars">
                    <caption class="sr-only">Entries {{ LogFilters::GROUPS[$kept['by']] }}</caption>
                    <thead>
                        <tr>
                            <th scope="col">{{ ucfirst(LogFilters::GROUPS[$kept['by']]) }}</th>
                            <th scope="col" class="number">Entries</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($groups as $group)
                            <tr>
                                <th scope="row">
                                    @if ($group->kept === [])
                                        {{ $group->label }}
                                    @else
                                        <a
                                            href="{{ route('log', [$review, ...array_diff_key($kept, ['by' => 1]),
                                                ...$group->kept]) }}">{{ $group->label }}</a>
                                    @endif
                                </th>
                                <td class="number">{{ number_format($group->n) }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
            @if ($entries->isEmpty())
                <x-empty title="Nothing in the Log is like this">Take a filter off at the left, or <a
                        href="{{ route('log', $review) }}">show all of it</a>.</x-empty>
            @else
                <table @class(['table', 'mt-6' => $groups !== []])>
                    <thead>
                        <tr>
                            <th scope="col">When</th>
                            <th scope="col">Who</th>
                            <th scope="col">What</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($entries as $entry)
                            <tr>
                                <td class="quiet whitespace-nowrap">{{ $entry->created_at->format('j M Y, H:i') }}</td>
                                <td>{{ $entry->user->name ?? 'Wary Heron' }}</td>
                                <td>{{ $entry->summary }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                <footer class="sheet-foot">
                    @if ($entries->previousPageUrl())
                        <a class="button" href="{{ $entries->previousPageUrl() }}">Newer</a>
                    @endif
                    @if ($entries->nextPageUrl())
                        <a class="button" href="{{ $entries->nextPageUrl() }}">Older</a>
                    @endif
                </footer>
            @endif
        </section>
    </div>
</x-page>
