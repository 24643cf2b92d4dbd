@use('App\View\Inline\Marked')
@inject('marks', 'App\View\Inline\StateMark')
@php
    $link = fn(array $change): string => route('library', [
        $review,
        ...array_filter([...$kept, ...$change], fn($v) => $v !== null && $v !== ''),
    ]);
    $sortLink = fn(string $by): string => $link(['sort' => $by, 'desc' => $library->sort === $by && !$library->descending ? 1 : null]);
    $arrow = fn(string $by): string => $library->sort === $by ? ($library->descending ? ' ↓' : ' ↑') : '';
    $aria = fn(string $by): string => $library->sort === $by ? ($library->descending ? 'descending' : 'ascending') : 'none';
@endphp
<x-page title="Library" :review="$review" stage="records" place="library">
    <div class="desk desk-spine">
        <section class="sheet">
            <header class="sheet-head">
                <h2>Narrow it down</h2>
            </header>
            <form class="sheet-body" method="get" action="{{ route('library', $review) }}">
                <div class="field"><label for="q">Query</label>
                    <input class="input input-mono" id="q" name="q" value="{{ $filters->line->text }}"
                        placeholder="title:light* NOT newborn*" spellcheck="false"
                        @if ($filters->line->problem !== '') aria-invalid="true" aria-describedby="q-problem" @endif>
                    <p class="field-help">Also <code>tag:pilot</code>, <code>note:dose</code>, <code>decision:unsure</code>, as far as you
                        may see them, and <code>fulltext:glare</code> in the papers.</p>
                    @if ($filters->line->problem !== '')
                        <p class="field-error" id="q-problem" role="alert">{{ $filters->line->problem }}</p>
                    @endif
                </div>
                <div class="field"><label for="state">Where it stands</label>
                    <select class="input" id="state" name="state">
                        @foreach (['' => 'anywhere', 'waiting' => 'not open yet', 'disagreement' => 'in disagreement',
                            'included' => 'included', 'excluded' => 'excluded', 'pending' => 'without a final decision']
                            as $value => $label)
                            <option value="{{ $value }}" @selected(($kept['state'] ?? '') === $value)>{{ $label }}</option>
                        @endforeach
                    </select>
                </div>
                <div class="field"><label for="delivery">Delivery</label>
                    <select class="input" id="delivery" name="delivery">
                        <option value="">any</option>
                        @foreach ($deliveries as $delivery)
                            <option value="{{ $delivery->id }}" @selected(($kept['delivery'] ?? '') === $delivery->id)>
                                {{ $delivery->source_name }}{{ $delivery->file_name ? ": {$delivery->file_name}" : '' }}</option>
                        @endforeach
                    </select>
                </div>
                <div class="field"><label for="source">Source</label>
                    <select class="input" id="source" name="source">
                        <option value="">any</option>
                        @foreach ($choices->sources as $one)
                            <option @selected(($kept['source'] ?? '') === $one)>{{ $one }}</option>
                        @endforeach
                    </select>
                </div>
                <div class="field row"><label class="grow">Year from <input class="input" name="from" inputmode="numeric"
                            size="4" value="{{ $kept['from'] ?? '' }}"></label> <label class="grow">to <input class="input"
                            name="to" inputmode="numeric" size="4" value="{{ $kept['to'] ?? '' }}"></label></div>
                <div class="field row"><label class="grow">Type <select class="input" name="type">
                            <option value="">any</option>
                            @foreach ($choices->types as $one)
                                <option @selected(($kept['type'] ?? '') === $one)>{{ $one }}</option>
                            @endforeach
                        </select>
                    </label>
                    <label class="grow">Language <select class="input" name="language">
                            <option value="">any</option>
                            @foreach ($choices->languages as $one)
                                <option @selected(($kept['language'] ?? '') === $one)>{{ $one }}</option>
                            @endforeach
                        </select>
                    </label>
                </div>
                @if ($choices->tags !== [])
                    <div class="field"><label for="tag">Tag</label><select class="input" id="tag" name="tag">
                            <option value="">any</option>
                            @foreach ($choices->tags as $one)
                                <option @selected(($kept['tag'] ?? '') === $one)>{{ $one }}</option>
                            @endforeach
                        </select>
                    </div>
                @endif
                <div class="field choices">
                    <label><input type="checkbox" name="duplicates" value="1" @checked($kept['duplicates'] ?? false)> delivered more than
                        once</label>
                    <label><input type="checkbox" name="no_abstract" value="1" @checked($kept['no_abstract'] ?? false)> without an
                        abstract</label>
                    <label><input type="checkbox" name="coded" value="1" @checked($kept['coded'] ?? false)> with coded answers</label>
                    <label><input type="checkbox" name="removed" value="1" @checked($kept['removed'] ?? false)> removed from the
                        review</label>
                </div>
                <input type="hidden" name="sort" value="{{ $library->sort }}">
                @if ($library->descending)
                    <input type="hidden" name="desc" value="1">
                @endif
                <details class="field">
                    <summary class="cursor-pointer">Columns</summary>
                    <input type="hidden" name="columns[]" value="">
                    <div class="choices">
                        @foreach (['author' => 'first author', 'year' => 'year', 'records' => 'records', 'doi' => 'DOI',
                            'type' => 'type', 'language' => 'language', 'tags' => 'tags'] as $column => $label)
                            <label><input type="checkbox" name="columns[]" value="{{ $column }}" @checked(in_array($column, $columns, true))>
                                {{ $label }}</label>
                        @endforeach
                    </div>
                </details>
                <button class="button">Show</button>
            </form>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h1>Library</h1> <span>one entry for each publication, with all its records kept under it</span>
            </header>
            <p class="filter-words" role="status">
                <strong>{{ number_format($library->total) }}</strong> {{ $library->total === 1 ? 'publication' : 'publications' }}
                @foreach ($library->steps as $step)
                    → <strong>{{ number_format($step->count) }}</strong> {{ $step->words }} <a
                        href="{{ $link([$step->key => null]) }}" aria-label="Take off: {{ $step->words }}">take off</a>
                @endforeach
            </p>
            @if (session('asking'))
                <x-library.asking :review="$review" :asking="session('asking')" :kept="$kept" />
            @endif
            <form id="choosing" method="post" action="{{ route('library.tag', [$review, ...$kept]) }}">@csrf</form>
            <div class="section row small" id="export">
                @can('tag', $review)
                    <x-menu label="Tag" class="button" :open="$errors->has('label')">
                        <label class="block">Tag <input class="input" name="label" form="choosing" maxlength="60" list="tags-there"
                                value="{{ old('label') }}"></label><datalist id="tags-there">
                            @foreach ($choices->tags as $one)
                                <option value="{{ $one }}">
                            @endforeach
                        </datalist>
                        @error('label')
                            <p class="field-error" role="alert">{{ $message }}</p>
                        @enderror
                        <p class="quiet">On those that are ticked below.</p>
                        <div class="row"><button class="button button-go" name="on" value="1" form="choosing">Put it
                                on</button> <button class="button" name="on" value="0" form="choosing">Take it off</button></div>
                    </x-menu>
                @endcan
                @can('deliver', $review)
                    @if ($filters->isOfRemoved())
                        <button class="button" form="choosing" formaction="{{ route('library.restore', [$review, ...$kept]) }}">Bring the
                            ticked back…</button>
                    @else
                        <x-menu label="Remove" class="button" :open="$errors->has('reason')">
                            <label class="block">Reason, for the flow diagram <input class="input" name="reason" form="choosing"
                                    maxlength="200" list="reasons-there" value="{{ old('reason') }}"></label><datalist id="reasons-there">
                                @foreach ($reasons as $one)
                                    <option value="{{ $one }}">
                                @endforeach
                            </datalist>
                            @error('reason')
                                <p class="field-error" role="alert">{{ $message }}</p>
                            @enderror
                            <p class="quiet">Out of the review go those that are ticked below; you are asked once more. Their records,
                                decisions, notes and tags are kept, and they can be brought back. Duplicates are joined, not removed.</p>
                            <div><button class="button" form="choosing"
                                    formaction="{{ route('library.remove', [$review, ...$kept]) }}">Remove the ticked…</button></div>
                        </x-menu>
                    @endif
                @endcan
                <x-menu :label="'Export ' . number_format($library->count())" class="button">
                    <ul class="menu-links">
                        @foreach (\WaryHeron\Core\Bibliography\Format\Formats::TITLES as $format => $label)
                            <li><a href="{{ route('library.export', [$review, $format, ...$kept]) }}">{{ $label }}</a></li>
                        @endforeach
                    </ul>
                    @if ($styles !== [])
                        <form class="grid gap-2" method="get" action="{{ route('library.export', [$review, 'references']) }}">
                            @foreach ($kept as $name => $value)
                                <input type="hidden" name="{{ $name }}" value="{{ $value }}">
                            @endforeach
                            <label class="block">Reference list in <select class="input" name="style">
                                    @foreach ($styles as $style => $label)
                                        <option value="{{ $style }}">{{ $label }}</option>
                                    @endforeach
                                </select>
                            </label>
                            <div class="row"><label>as <select class="input" name="as">
                                        <option value="docx">DOCX</option>
                                        <option value="plain">text</option>
                                        <option value="html">HTML</option>
                                    </select></label> <button class="button">Make it</button></div>
                            @if ($library->count() > \App\Files\Out\ReferenceList::MOST)
                                <p class="quiet">The first {{ number_format(\App\Files\Out\ReferenceList::MOST) }} by first author.</p>
                            @endif
                        </form>
                    @endif
                </x-menu>
                @can('deliver', $review)
                    <x-menu label="Recipes" class="button" :open="$errors->has('columns') || $errors->has('name')">
                        <x-library.recipes :review="$review" :recipes="$recipes" :kept="$kept" :filters="$filters" />
                    </x-menu>
                    <x-menu label="Add one by hand" class="button" :open="session('described') || $errors->hasAny(['title', 'why', 'doi', 'year'])">
                        <form method="post" action="{{ route('library.add', $review) }}">@csrf
                            @foreach (['title' => 'Title', 'authors' => 'Authors: Family, Given; …', 'year' => 'Year',
                                'journal' => 'Journal', 'doi' => 'DOI', 'why' => 'How it was found']
                                as $field => $label)
                                <label class="block">{{ $label }} <input class="input" name="{{ $field }}"
                                        value="{{ old($field) }}" @required(in_array($field, ['title', 'why'], true))></label> @error($field)
                                    <p class="field-error">{{ $message }}</p>
                                @enderror
                            @endforeach
                            <label class="block">Abstract
                                <textarea class="input" name="abstract" rows="3">{{ old('abstract') }}</textarea>
                            </label>
                            <div class="row mt-1"><button class="button button-go">Add it</button> <button class="button" formmethod="get"
                                    formaction="{{ route('library.describe', $review) }}" formnovalidate>Look the DOI up</button></div>
                        </form>
                    </x-menu>
                @endcan
                @can('tag', $review)
                    @if ($library->rows !== [])
                        <label class="choose-all"><input type="checkbox" name="all" value="{{ $library->count() }}" form="choosing"
                                @checked(old('all'))> tick all {{ number_format($library->count()) }} that are
                            shown{{ $library->count() > count($library->rows) ? ', on every page' : '' }}</label>
                    @endif
                @endcan
            </div>
            @if ($library->rows === [])
                @if ($library->total === 0 && $removed > 0)
                    <x-empty title="All publications are out of the review">{{ number_format($removed) }} were removed. <a
                            href="{{ route('library', [$review, 'removed' => 1]) }}">See them, and bring back what should be
                            in</a>.</x-empty>
                @elseif ($library->total === 0)
                    <x-empty title="No publications yet">They come with the first <a
                            href="{{ route('deliveries', $review) }}">delivery</a> or <a
                            href="{{ route('searches', $review) }}">search</a>.</x-empty>
                @else
                    <x-empty title="Nothing is left">The sentence above says what each filter took away; take one off.</x-empty>
                @endif
            @else
                <x-legend class="section" :marks="[
                    'included' => 'included',
                    'excluded' => 'excluded',
                    'disagreement' => 'in disagreement',
                    'waiting' => 'not open yet',
                    'removed' => 'removed from the review',
                ]" />
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col"><span class="visually-hidden">Decision</span></th>
                            <th scope="col" aria-sort="{{ $aria('title') }}"><a href="{{ $sortLink('title') }}">Title{{ $arrow('title') }}</a></th>
                            @if (in_array('author', $columns, true))
                                <th scope="col" aria-sort="{{ $aria('author') }}"><a href="{{ $sortLink('author') }}">First
                                        author{{ $arrow('author') }}</a></th>
                            @endif
                            @if (in_array('year', $columns, true))
                                <th scope="col" class="number" aria-sort="{{ $aria('year') }}"><a
                                        href="{{ $sortLink('year') }}">Year{{ $arrow('year') }}</a></th>
                            @endif
                            @foreach (['doi' => 'DOI', 'type' => 'Type', 'language' => 'Language', 'tags' => 'Tags'] as $column => $label)
                                @if (in_array($column, $columns, true))
                                    <th scope="col">{{ $label }}</th>
                                @endif
                            @endforeach
                            @if (in_array('records', $columns, true))
                                <th scope="col" class="number" aria-sort="{{ $aria('records') }}"><a
                                        href="{{ $sortLink('records') }}">Records{{ $arrow('records') }}</a></th>
                            @endif
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($library->rows as $row)
                            <tr>
                                <td class="whitespace-nowrap">
                                    @if ($mayTag)
                                        <input type="checkbox" name="ids[]" value="{{ $row->id }}" form="choosing"
                                            aria-label="Choose {{ $row->title }}" @checked(in_array($row->id, $chosen, true))>
                                    @endif
                                    {{ $marks->of($row->state) }}
                                </td>
                                <td><a class="title-link" href="{{ route('publications.show', [$review, $row->id]) }}">{{ Marked::of(
                                            $row->title, $highlighter) }}</a><br><span
                                        class="small quiet">{{ implode(' · ',
                                            array_filter([trim("{$row->journal} {$row->place}"), $row->lacks_abstract
                                            ? 'no abstract' : '', $row->removed_for])) }}</span>
                                    @if (!in_array('tags', $columns, true))
                                        @foreach ($row->tags as $one)
                                            <a class="tag" href="{{ $link(['tag' => $one]) }}">{{ $one }}</a>
                                        @endforeach
                                    @endif
                                </td>
                                @if (in_array('author', $columns, true))
                                    <td><bdi>{{ Str::before($row->authors, ';') }}</bdi>{{ str_contains($row->authors, ';') ? ' and others' : '' }}
                                    </td>
                                @endif
                                @if (in_array('year', $columns, true))
                                    <td class="number">{{ $row->year }}</td>
                                @endif
                                @foreach (['doi', 'type', 'language'] as $column)
                                    @if (in_array($column, $columns, true))
                                        <td class="small wrap-anywhere">{{ $row->{$column} }}</td>
                                    @endif
                                @endforeach
                                @if (in_array('tags', $columns, true))
                                    <td class="small">{{ implode(', ', $row->tags) }}</td>
                                @endif
                                @if (in_array('records', $columns, true))
                                    <td class="number">{{ $row->records_count }}</td>
                                @endif
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                <footer class="sheet-foot">
                    <span class="small">{{ number_format($library->first) }} to
                        {{ number_format($library->first + count($library->rows) - 1) }} of {{ number_format($library->count()) }}</span>
                    @if ($library->previous)
                        <a class="button" href="{{ $link(['at' => $library->previous]) }}" rel="prev">Previous</a>
                    @endif
                    @if ($library->next)
                        <a class="button" href="{{ $link(['at' => $library->next]) }}" rel="next">Next</a>
                    @endif
                    @if ($library->first > 1)
                        <a href="{{ $link([]) }}">To the beginning</a>
                    @endif
                    <a class="ml-auto"
                        href="{{ $library->sort === 'added' ? $link(['desc' => $library->descending ? null : 1])
                            : $link(['sort' => null, 'desc' => null]) }}">{{ $library->sort === 'added'
                            ? ($library->descending ? 'First delivered first' : 'Last delivered first')
                            : 'In order of delivery' }}</a>
                </footer>
            @endif
        </section>
    </div>
</x-page>
