@use('App\View\Inline\Marked')
<x-page :title="$strategy->name . ', records'" :review="$review" stage="searches" place="searches">
    <div class="desk desk-side" x-data="picking"
        data-list="{{ $strategy->id }} {{ $revision }} {{ $source }} {{ $line }} {{ $query }} {{ $order }}">
        <section class="sheet" x-data="findingActions" data-url="{{ route('strategies.change', [$review, $strategy], false) }}"
            data-revision="{{ $revision }}">
            <x-strategy.head :review="$review" :strategy="$strategy" current="results" />
            <p class="unsent" x-show="problem" x-cloak x-text="problem" role="alert"></p>
            <p class="filter-words small">{{ $query === null ? "Line #{$line}" : 'Records like one' }} in @foreach ($strategy->sources as $key)
                    @if ($sources->has($key))
                        <a href="{{ route('strategies.results', [$review, $strategy, 'source' => $key, 'line' => $line,
                            'query' => $query, 'order' => $order]) }}"
                            @if ($key === $source) aria-current="true" @endif>{{ $sources->shortName($key) }}</a>
                    @endif
                @endforeach: <code>{{ Str::limit($lineText, 120) }}</code>
                @can('search', $review)
                    <label class="block mt-1">What you press below a record goes to <select class="input small" x-ref="block">
                            @foreach ($blocks as $block)
                                <option value="{{ $block->id }}">{{ $block->name ?: 'Concept ' . $loop->iteration }}</option>
                            @endforeach
                        </select>
                </label> <button type="button" class="tag tag-button" x-on:click="addMarked">Add the words I have marked</button>@endcan
            </p>
            @if ($failure !== '')
                <x-empty title="No answer">{{ $failure }}</x-empty>
            @elseif ($page === null || $page->total === 0)
                <x-empty title="No records are found">Look for a misspelt word, a phrase that is too long, or a limit that takes everything
                    away; the <a href="{{ route('strategies.check', [$review, $strategy]) }}">check</a> looks for these.</x-empty>
            @else
                <header class="sheet-head">
                    <h2>{{ number_format($page->total) }} {{ $page->total === 1 ? 'record' : 'records' }}</h2> <span>
                        @foreach (['newest' => 'newest first', 'oldest' => 'oldest first', 'relevance' => 'most of the words first'] as $key => $words)
                            <a href="{{ route('strategies.results', [$review, $strategy, 'source' => $source,
                                'line' => $line, 'query' => $query, 'order' => $key]) }}"
                                @if ($key === $order) aria-current="true" @endif>{{ $words }}</a>{{ $loop->last ? ';' : ',' }}
                        @endforeach {{ number_format(1 + ($number - 1) * $perPage) }} to
                        {{ number_format(min($page->total, $number * $perPage)) }}
                    </span>
                </header>
                @foreach ($page->records as $record)
                    @php $place = ($number - 1) * $perPage + $loop->iteration; @endphp
                    @if ($record instanceof \WaryHeron\Core\Bibliography\Reference)
                        <article class="section">
                            <h3 class="serif text-lg leading-snug !mb-1 !text-inherit"><input type="checkbox"
                                    x-bind:checked="has({{ $place }})" x-on:change="pick({{ $place }})"
                                    aria-label="Pick record {{ $place }}"> {{ Marked::of($record->title, $highlighter) }}
                            </h3>
                            <p class="small quiet">
                                {{ implode(', ', array_map(fn($name) => $name->short(), array_slice($record->authors, 0,
                                    6))) }}{{ count($record->authors) > 6 ? ' and others' : '' }}
                                · {{ $record->journal }} · {{ $record->year }} · {{ $record->place() }} · {{ $record->accession }}</p>
                            @if ($record->abstract !== '')
                                <details class="mt-1">
                                    <summary class="small cursor-pointer">{{ Marked::of(Str::limit($record->abstract, 260), $highlighter) }}</summary>
                                    <p class="serif mt-1">{{ Marked::of($record->abstract, $highlighter) }}</p>
                                </details>
                            @else
                                <p class="small quiet">no abstract</p>
                            @endif
                            @php
                                $major = \App\Sources\MajorTopics::of($record);
                                $labels = array_map(fn(string $one): string => trim((string) strtok($one, '/')), $record->keywords);
                            @endphp
                            @if ($record->keywords !== [])
                                <p class="small mt-1"><span class="quiet">Headings:</span>
                                    @foreach ($record->keywords as $i => $keyword)
                                        @if ($blocks !== [] && Gate::allows('search', $review))
                                            <button type="button" class="linklike" data-text="heading:&quot;{{ $labels[$i] }}&quot;"
                                            x-on:click="addHeading">{{ $keyword }}</button>@else<span>{{ $keyword }}</span>
                                        @endif
                                        {{ in_array($labels[$i], $major, true) ? ' (major topic)' : '' }}{{ $loop->last ? '' : ' · ' }}
                                    @endforeach
                                </p>
                            @endif
                            <div class="row small items-baseline">
                                @if (count($labels) > 1)
                                    <a
                                        href="{{ route('strategies.results', [$review, $strategy, 'source' => $source,
                                            'query' => implode(' AND ',
                                            array_map(fn(string $one): string => "heading:\"{$one}\"",
                                            array_slice($major ?: $labels, 0, 2)))]) }}">Records
                                        with the same main headings</a>
                                @endif
                                @if ($record->doi !== '')
                                    <a href="{{ route('full-text', [$review, 'doi' => $record->doi]) }}">Full text, if the locker has
                                        it</a>
                                @endif
                                @can('search', $review)
                                    <form method="post" action="{{ route('strategies.known.store', [$review, $strategy]) }}">@csrf <input
                                            type="hidden" name="items" value="{{ $record->title }} {{ $record->doi }}"><button
                                            class="button-plain">Keep as a known item</button></form>
                                @endcan
                            </div>
                        </article>
                    @else
                        <p class="section quiet">{{ $record->message }}</p>
                    @endif
                @endforeach
                <footer class="sheet-foot">
                    @if ($number > 1)
                        <a class="button"
                            href="{{ route('strategies.results', [$review, $strategy, 'source' => $source,
                                'line' => $line, 'query' => $query, 'order' => $order,
                                'page' => $number - 1]) }}">Previous</a>
                    @endif
                    @if ($number < $pages)
                        <a class="button"
                            href="{{ route('strategies.results', [$review, $strategy, 'source' => $source,
                                'line' => $line, 'query' => $query, 'order' => $order,
                                'page' => $number + 1]) }}">Next</a>
                    @endif
                    <span class="quiet small">page {{ number_format($number) }} of {{ number_format($pages) }}</span>
                </footer>
            @endif
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Download records</h2>
            </header>
            @if ($page && $page->total > 0)
                <form class="sheet-body" method="get" action="{{ route('strategies.results.download', [$review, $strategy]) }}">
                    <input type="hidden" name="source" value="{{ $source }}"><input type="hidden" name="line"
                        value="{{ $line }}">
                    <div class="grid grid-cols-2 gap-3">
                        <div class="field"><label for="from">From</label><input class="input" id="from" name="from" value="1"
                                inputmode="numeric" required></div>
                        <div class="field"><label for="to">to</label><input class="input" id="to" name="to"
                                value="{{ min($page->total, $most) }}" inputmode="numeric" required></div>
                    </div>
                    <label class="block mb-3" x-show="some" x-cloak><input type="checkbox" name="picked" x-bind:value="list"
                            x-ref="only"> <span x-text="words"></span> <button type="button" class="button-plain small"
                            x-on:click="clear">forget them</button></label>
                    <input type="hidden" name="order" value="{{ $order }}">
                    <div class="field"><label for="fields">Fields</label><select class="input" id="fields" name="fields">
                            <option value="citation">citation</option>
                            <option value="abstract" selected>with abstract</option>
                            <option value="complete">complete</option>
                        </select></div>
                    <div class="field"><label for="format">As</label><select class="input" id="format" name="format">
                            <option value="ris">RIS</option>
                            <option value="csv">CSV</option>
                            <option value="xlsx">XLSX</option>
                            <option value="nbib">NBIB</option>
                            <option value="bibtex">BibTeX</option>
                            <option value="csl-json">CSL-JSON</option>
                        </select></div>
                    <label class="block mb-3"><input type="checkbox" name="strategy" value="1"> with the strategy</label>
                    <button class="button">Download this range</button>
                    @error('to')
                        <p class="field-error" role="alert">{{ $message }}</p>
                    @enderror
                    @if ($page->total > $most)
                        <p class="field-label mt-3">Or all of them, {{ number_format($most) }} at a time</p>
                        <div class="row mt-1">
                            @for ($from = 1; $from <= min($page->total, 12 * $most); $from += $most)
                                <button class="button button-plain" name="batch" value="{{ $from }}"
                                    formnovalidate>{{ number_format($from) }} to
                                    {{ number_format(min($page->total, $from + $most - 1)) }}</button>
                            @endfor
                        </div>
                    @endif
                    <p class="field-help mt-2">At most {{ number_format($most) }} at once. To screen them here, run the strategy and
                        fetch.</p>
                </form>
            @else
                <p class="sheet-body small quiet">There is nothing to take along.</p>
            @endif
        </section>
    </div>
</x-page>
