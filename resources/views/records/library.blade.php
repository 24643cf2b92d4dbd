@php
    $link = fn (array $change): string => route('library', [$review, ...array_filter([...$kept, ...$change], fn ($v) => $v !== null && $v !== '')]);
    $sortLink = fn (string $by): string => $link(['sort' => $by, 'desc' => $library->sort === $by && ! $library->descending ? 1 : null]);
    $arrow = fn (string $by): string => $library->sort === $by ? ($library->descending ? ' ↓' : ' ↑') : '';
    $aria = fn (string $by): string => $library->sort === $by ? ($library->descending ? 'descending' : 'ascending') : 'none';
@endphp
<x-page title="Library" :review="$review" stage="records" place="library">
    <div class="desk desk-spine">
        <section class="sheet">
            <header class="sheet-head"><h2>Narrow it down</h2></header>
            <form class="sheet-body" method="get" action="{{ route('library', $review) }}">
                <div class="field"><label for="q">Query</label>
                    <input class="input input-mono" id="q" name="q" value="{{ $filters->text }}" placeholder="title:light* NOT newborn*" spellcheck="false" @if ($filters->problem !== '') aria-invalid="true" aria-describedby="q-problem" @endif>
                    @if ($filters->problem !== '') <p class="field-error" id="q-problem" role="alert">{{ $filters->problem }}</p> @endif
                </div>
                <div class="field"><label for="state">Where it stands</label>
                    <select class="input" id="state" name="state">
                        @foreach (['' => 'anywhere', 'waiting' => 'not open yet', 'disagreement' => 'in disagreement', 'included' => 'included', 'excluded' => 'excluded', 'pending' => 'without a final decision'] as $value => $label)
                            <option value="{{ $value }}" @selected(($kept['state'] ?? '') === $value)>{{ $label }}</option>
                        @endforeach
                    </select>
                </div>
                <div class="field"><label for="delivery">Delivery</label>
                    <select class="input" id="delivery" name="delivery"><option value="">any</option>@foreach ($deliveries as $delivery) <option value="{{ $delivery->id }}" @selected(($kept['delivery'] ?? '') === $delivery->id)>{{ $delivery->source_name }}{{ $delivery->file_name ? ": {$delivery->file_name}" : '' }}</option> @endforeach</select>
                </div>
                <div class="field choices">
                    <label><input type="checkbox" name="duplicates" value="1" @checked($kept['duplicates'] ?? false)> delivered more than once</label>
                    <label><input type="checkbox" name="no_abstract" value="1" @checked($kept['no_abstract'] ?? false)> without an abstract</label>
                    <label><input type="checkbox" name="coded" value="1" @checked($kept['coded'] ?? false)> with coded answers</label>
                </div>
                <input type="hidden" name="sort" value="{{ $library->sort }}">
                @if ($library->descending) <input type="hidden" name="desc" value="1"> @endif
                <button class="button">Show</button>
            </form>
        </section>
        <section class="sheet">
            <header class="sheet-head"><h1>Library</h1> <span>one entry for each publication, with all its records kept under it</span></header>
            <p class="filter-words" role="status">
                <strong>{{ number_format($library->total) }}</strong> {{ $library->total === 1 ? 'publication' : 'publications' }}
                @foreach ($library->steps as $step)
                    → <strong>{{ number_format($step['count']) }}</strong> {{ $step['words'] }} <a href="{{ $link([$step['key'] => null]) }}" aria-label="Take off: {{ $step['words'] }}">take off</a>
                @endforeach
            </p>
            @if ($library->rows === [])
                @if ($library->total === 0)
                    <x-empty title="No publications yet">They come with the first <a href="{{ route('deliveries', $review) }}">delivery</a> or <a href="{{ route('searches', $review) }}">search</a>.</x-empty>
                @else
                    <x-empty title="Nothing is left">The sentence above says what each filter took away; take one off.</x-empty>
                @endif
            @else
                <table class="table">
                    <thead><tr>
                        <th><span class="visually-hidden">Decision</span></th>
                        <th aria-sort="{{ $aria('title') }}"><a href="{{ $sortLink('title') }}">Title{{ $arrow('title') }}</a></th>
                        <th aria-sort="{{ $aria('author') }}"><a href="{{ $sortLink('author') }}">First author{{ $arrow('author') }}</a></th>
                        <th class="number" aria-sort="{{ $aria('year') }}"><a href="{{ $sortLink('year') }}">Year{{ $arrow('year') }}</a></th>
                        <th class="number" aria-sort="{{ $aria('records') }}"><a href="{{ $sortLink('records') }}">Records{{ $arrow('records') }}</a></th>
                    </tr></thead>
                    <tbody>
                        @foreach ($library->rows as $row)
                            <tr>
                                <td><x-mark :verdict="$row->state ?? 'none'" /></td>
                                <td><a class="title-link" href="{{ route('publications.show', [$review, $row->id]) }}"><x-highlighted :text="$row->title" :by="$highlighter" /></a><br><span class="small quiet">{{ $row->journal }}{{ $row->place === '' ? '' : " {$row->place}" }}{{ $row->lacks_abstract ? ' · no abstract' : '' }}</span></td>
                                <td>{{ Str::before($row->authors, ';') }}{{ str_contains($row->authors, ';') ? ' and others' : '' }}</td>
                                <td class="number">{{ $row->year }}</td>
                                <td class="number">{{ $row->records_count }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                <footer class="sheet-foot">
                    <span class="small">{{ number_format($library->first) }} to {{ number_format($library->first + count($library->rows) - 1) }} of {{ number_format($library->count()) }}</span>
                    @if ($library->previous) <a class="button" href="{{ $link(['at' => $library->previous]) }}" rel="prev">Previous</a> @endif
                    @if ($library->next) <a class="button" href="{{ $link(['at' => $library->next]) }}" rel="next">Next</a> @endif
                    @if ($library->first > 1) <a href="{{ $link([]) }}">To the beginning</a> @endif
                    <a class="ml-auto" href="{{ $library->sort === 'added' ? $link(['desc' => $library->descending ? null : 1]) : $link(['sort' => null, 'desc' => null]) }}">{{ $library->sort === 'added' ? ($library->descending ? 'First delivered first' : 'Last delivered first') : 'In order of delivery' }}</a>
                </footer>
            @endif
        </section>
    </div>
</x-page>
