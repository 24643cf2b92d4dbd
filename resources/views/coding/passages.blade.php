<x-page title="Passages" :review="$review" stage="coding" place="passages">
    @php
        $mayCode = Gate::allows('code', $review);
        $asked = array_filter(['theme' => $theme, 'with' => $filter ? [$filter->key()] : [], 'by' => $item?->id]);
        $to = fn(array $change): string => route('passages', [$review, ...array_filter([...$asked, ...$change])]);
        $now = $tree->themes[$theme] ?? null;
        $counts = collect($byItem)->groupBy('theme');
        $persons = collect($byPerson)->groupBy('theme');
        $said = collect($byItem)->pluck('said')->unique()->sort()->values();
    @endphp
    <div class="desk desk-spine">
        <section class="sheet" aria-label="Themes">
            <header class="sheet-head">
                <h2>Themes</h2> <span>{{ count($tree->themes) }}</span>
            </header>
            <ul class="theme-tree">
                <li><a href="{{ $to(['theme' => null]) }}" @if ($theme === '') aria-current="true" @endif><span class="grow">All passages</span></a></li>
                @foreach ($tree->themes as $one)
                    <li><a href="{{ $to(['theme' => $one->id]) }}" class="in-{{ min($one->depth, 3) }}"
                            @if ($one->id === $theme) aria-current="true" @endif><span class="grow">{{ $one->name }}</span> <span
                                class="number quiet" title="{{ $one->passages }} {{ Str::plural('passage', $one->passages) }} of {{ $one->studies }} {{ Str::plural('study', $one->studies) }}">{{ $one->passages }}
                                / {{ $one->studies }}</span></a></li>
                @endforeach
            </ul>
            <p class="sheet-body small quiet">Passages / studies, with what is below. Themes are named at the Coding Desk: select words and press <kbd>P</kbd>.</p>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h1>{{ $now?->path ?? 'All passages' }}</h1> <span>{{ count($passages) }} {{ Str::plural('passage', count($passages)) }} of
                    {{ collect($passages)->pluck('publication_id')->unique()->count() }} publications</span>
                <span class="end"><a href="{{ route('passages.export', [$review, 'csv']) }}">CSV</a> · <a
                        href="{{ route('passages.export', [$review, 'xlsx']) }}">XLSX</a> · <a
                        href="{{ route('passages.export', [$review, 'jsonld']) }}">JSON-LD</a></span>
            </header>
            <form class="table-narrow" method="get" action="{{ route('passages', $review) }}">
                @if ($theme !== '')
                    <input type="hidden" name="theme" value="{{ $theme }}">
                @endif
                <label>Studies where <select class="input" name="item">
                        @foreach ($codes as $code)
                            <option value="{{ $code->id }}" @selected($filter?->code->id === $code->id)>{{ $code->label }}</option>
                        @endforeach
                    </select></label>
                <label>says <input class="input" name="says" size="14" maxlength="200" value="{{ $filter?->asks }}"></label>
                <label>counted by <select class="input" name="by">
                        <option value="">nothing</option>
                        @foreach ($codes as $code)
                            @if ($code->code()->choosable() !== [])
                                <option value="{{ $code->id }}" @selected($item?->id === $code->id)>{{ $code->label }}</option>
                            @endif
                        @endforeach
                    </select></label>
                @if (count($people) > 1)
                    <label>compare <select class="input" name="one">
                            <option value="">nobody</option>
                            @foreach ($people as $id => $name)
                                <option value="{{ $id }}" @selected(($compared[0] ?? '') === $id)>{{ $name }}</option>
                            @endforeach
                        </select></label>
                    <label>with <select class="input" name="other">
                            <option value="">nobody</option>
                            @foreach ($people as $id => $name)
                                <option value="{{ $id }}" @selected(($compared[1] ?? '') === $id)>{{ $name }}</option>
                            @endforeach
                        </select></label>
                @endif
                <button class="button">Show</button>
                @if ($filter)
                    <a class="table-filter" href="{{ $to(['with' => []]) }}" aria-label="No longer: {{ $filter->words() }}">{{ $filter->words() }}
                        <span aria-hidden="true">×</span></a>
                @endif
            </form>
            @if (count($compared) === 2)
                <div class="section overflow-x-auto" tabindex="0" role="region" aria-label="Themes of two people">
                    @if ($agreements === [])
                        <p class="quiet">There is no study in which both put passages under themes, or they are one person.</p>
                    @else
                        <table class="table">
                            <caption class="small quiet">Studies in which both marked passages: who found each theme. α is Krippendorff’s, nominal; –
                                where it is not defined.</caption>
                            <thead>
                                <tr>
                                    <th scope="col">Theme</th>
                                    <th scope="col" class="number">both</th>
                                    <th scope="col" class="number">only {{ $people[$compared[0]] }}</th>
                                    <th scope="col" class="number">only {{ $people[$compared[1]] }}</th>
                                    <th scope="col" class="number">neither</th>
                                    <th scope="col" class="number">α</th>
                                    <th scope="col" class="number">passages that share words</th>
                                </tr>
                            </thead>
                            <tbody>
                                @foreach ($agreements as $id => $one)
                                    <tr>
                                        <th scope="row">{{ $tree->themes[$id]->path }}</th>
                                        <td class="number">{{ $one->both }}</td>
                                        <td class="number">{{ $one->onlyFirst }}</td>
                                        <td class="number">{{ $one->onlySecond }}</td>
                                        <td class="number">{{ $one->neither }}</td>
                                        <td class="number">{{ $one->alpha === null ? '–' : number_format($one->alpha, 2) }}</td>
                                        <td class="number">{{ $one->sharing }} of {{ $one->passages }}</td>
                                    </tr>
                                @endforeach
                            </tbody>
                        </table>
                    @endif
                </div>
            @endif
            @if ($item)
                <div class="section overflow-x-auto" tabindex="0" role="region" aria-label="Themes by {{ $item->label }}">
                    <table class="table">
                        <caption class="small quiet">Studies with each theme, by {{ Str::lower($item->label) }}</caption>
                        <thead>
                            <tr>
                                <th scope="col">Theme</th>
                                @foreach ($said as $value)
                                    <th scope="col" class="number">{{ $value }}</th>
                                @endforeach
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($tree->themes as $one)
                                <tr>
                                    <th scope="row">{{ $one->path }}</th>
                                    @foreach ($said as $value)
                                        <td class="number">{{ $counts->get($one->id)?->firstWhere('said', $value)?->studies ?? 0 }}</td>
                                    @endforeach
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            @endif
            <form method="post" action="{{ $now ? route('themes.change', [$review, $now->id]) : '#' }}">@csrf
                @forelse ($passages as $passage)
                    @php($piece = $passage->piece())
                    <div class="section passage">
                        <p class="row">
                            @if ($now && $mayCode)
                                <input type="checkbox" name="passages[]" value="{{ $passage->id }}" aria-label="Tick this passage">
                            @endif
                            <a class="title-link" href="{{ route('coding.show', [$review, $passage->publication_id]) }}#passage-{{ $passage->id }}">{{ trim(Str::before($passage->publication->authors, ';') . ' ' . $passage->publication->year) }}</a>
                            <span class="small quiet">{{ $piece->whereabouts() }}, marked by {{ $passage->user->name }}</span>
                        </p>
                        <p class="serif"><span class="quiet">{{ $piece->selector->prefix !== '' ? '… ' . $piece->selector->prefix : '' }}</span>
                            <mark class="passage-mark">{{ $piece->selector->quote }}</mark> <span class="quiet">{{ $piece->selector->suffix !== '' ? $piece->selector->suffix . ' …' : '' }}</span></p>
                        <p class="small">
                            @foreach ($passage->themes as $one)
                                <a class="theme-name" href="{{ $to(['theme' => $one->id]) }}">{{ $tree->pathOf($one->id) }}</a>
                            @endforeach
                        </p>
                        @if ($passage->memo !== '')
                            <p class="small quiet">{{ $passage->memo }}</p>
                        @endif
                    </div>
                @empty
                    <x-empty title="No passage stands here yet">At the Coding Desk, select words that matter and press <kbd>P</kbd>: name a theme, or
                        several between commas; “Comfort › Glare” is a narrower one.</x-empty>
                @endforelse
                @if (count($passages) === \App\Queries\Coding\Themes\ThemePassages::MOST)
                    <p class="sheet-body small quiet">The first {{ count($passages) }} are shown; the files have all.</p>
                @endif
                @if ($now && $mayCode)
                    <div class="sheet-foot theme-change">
                        <label><span class="sr-only">Name</span><input class="input" name="name" size="16" maxlength="120" placeholder="a name"></label>
                        <button class="button button-plain" name="do" value="rename">Rename to it</button>
                        <button class="button button-plain" name="do" value="split">Split the ticked off under it</button>
                        <label><span class="sr-only">Another theme</span><select class="input" name="other">
                                <option value="">– the top –</option>
                                @foreach ($tree->themes as $one)
                                    @if ($one->id !== $theme)
                                        <option value="{{ $one->id }}">{{ $one->path }}</option>
                                    @endif
                                @endforeach
                            </select></label>
                        <button class="button button-plain" name="do" value="move">Move under it</button>
                        <button class="button button-plain" name="do" value="merge">Merge into it</button>
                    </div>
                    @if ($persons->has($theme))
                        <p class="sheet-body small quiet">{{ $persons->get($theme)->map(fn($one): string => "{$one->name}: {$one->passages} " . Str::plural('passage', $one->passages) . " of {$one->studies} " . Str::plural('publication', $one->studies))->implode(' · ') }}
                        </p>
                    @endif
                @endif
            </form>
        </section>
    </div>
</x-page>
