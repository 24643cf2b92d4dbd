@use('App\Queries\Coding\Table\ItemFilter')
@use('App\Queries\Synthesis\Tables\StudyTable')
@use('WaryHeron\Core\Synthesis\Table\TableDefinition')
@php
    $query = ['tried' => 1, ...$terms->toArray(), 'down' => $terms->descending ? 1 : 0];
    $asked = $isTried ? $query : [];
    $without = fn(ItemFilter $filter): string => route('tables.show', [
        $review,
        $table,
        ...$query,
        'with' => array_values(array_diff($terms->filters, [$filter->key()])),
    ]);
    $isNarrowed = $shown->filters !== [] || $terms->subset !== '';
@endphp
<x-page :title="$table->title" :review="$review" stage="synthesis" place="tables">
    <div class="desk desk-side desk-table">
        <section class="sheet">
            <header class="sheet-head">
                <h1>{{ $table->title }}</h1> <span>{{ number_format($shown->studies->count()) }}
                    {{ $isNarrowed ? 'of the included studies' : 'included ' . Str::plural('study', $shown->studies->count()) }}</span>
                <span class="end no-print">
                    @foreach (['csv', 'xlsx', 'docx'] as $format)
                        <a href="{{ route('tables.download', [$review, $table, $format, ...$asked]) }}">{{ strtoupper($format) }}</a> ·
                    @endforeach
                    <a href="{{ route('tables', $review) }}">All tables</a>
                </span>
            </header>
            @error('document')
                <p class="problem" role="alert">{{ $message }}</p>
            @enderror
            @if ($shown->filters !== [])
                <p class="section small">Studies where
                    @foreach ($shown->filters as $filter)
                        <a class="table-filter" href="{{ $without($filter) }}" aria-label="No longer: {{ $filter->words() }}">{{ $filter->words() }} <span
                                aria-hidden="true">×</span></a>
                    @endforeach
                </p>
            @endif
            @if ($terms->subset === TableDefinition::IN_DEPTH)
                <p class="section small quiet">The in-depth subset: {{ App\Queries\Coding\DepthSubset::of($review)->words() }}.</p>
            @endif
            @if ($shown->studies->isEmpty())
                <x-empty title="No study is like this">Take a condition away, or include studies first.</x-empty>
            @elseif ($shown->columns->heads === [])
                <x-empty title="No column is chosen">What it showed is gone from the codebook. Choose others.</x-empty>
            @else
                <div class="plot-scroll" tabindex="0" role="region" aria-label="{{ $table->title }}">
                    <table class="table study-table">
                        <thead>
                            <tr>
                                <th scope="col">Study</th>
                                @foreach ($shown->columns->heads as $head)
                                    <th scope="col">{{ $head }}</th>
                                @endforeach
                            </tr>
                        </thead>
                        @foreach ($groups as $group => $rows)
                            <tbody>
                                @if ($shown->by !== null)
                                    <tr class="study-group">
                                        <th scope="rowgroup" colspan="{{ 1 + count($shown->columns->heads) }}">{{ $shown->by->label }}: {{ $group }} <span
                                                class="quiet">{{ count($rows) }}</span></th>
                                    </tr>
                                @endif
                                @foreach ($rows as $row)
                                    @php([$study, $cells] = [$row->study, $row->cells])
                                    <tr>
                                        <th scope="row"><a class="title-link"
                                                href="{{ route('coding.show', [$review, $study->id]) }}">{{ StudyTable::called($study) }}</a></th>
                                        @foreach (array_keys($shown->columns->heads) as $key)
                                            <td @class(['study-text' => str_starts_with($key, 'theme:')])>{!! nl2br(e($cells[$key]->words ?? '–')) !!}
                                                @foreach ($cells[$key]->evidence ?? [] as $piece)
                                                    <span class="study-evidence">{{ in_array('quote', $terms->parts, true) && !str_starts_with($key, 'theme:') ? "“{$piece->quote}” " : '' }}<span
                                                            class="quiet">{{ in_array('place', $terms->parts, true) ? $piece->where : '' }}</span></span>
                                                @endforeach
                                                @if (in_array('note', $terms->parts, true) && ($cells[$key]->note ?? '') !== '')
                                                    <span class="study-evidence quiet">{{ $cells[$key]->note }}</span>
                                                @endif
                                            </td>
                                        @endforeach
                                    </tr>
                                @endforeach
                            </tbody>
                        @endforeach
                    </table>
                </div>
                @if ($shown->studies->count() > $most)
                    <p class="sheet-body small quiet">The first {{ $most }} studies; the files hold all.</p>
                @endif
            @endif
        </section>
        <section class="sheet no-print">
            <header class="sheet-head">
                <h2>What it shows</h2>
            </header>
            <form class="sheet-body" method="get" action="{{ route('tables.show', [$review, $table]) }}">
                <input type="hidden" name="tried" value="1">
                @foreach ($terms->filters as $filter)
                    <input type="hidden" name="with[]" value="{{ $filter }}">
                @endforeach
                @include('synthesis.table-form', ['title' => $table->title])
                <div class="field"><label for="table-item">and where</label><select class="input" id="table-item" name="item">
                        <option value=""></option>
                        @foreach ($items as $item)
                            <option value="{{ $item->id }}">{{ $item->label }}</option>
                        @endforeach
                    </select>
                    <select class="input mt-1" name="standing" aria-label="How far it has come">
                        @foreach (ItemFilter::STANDINGS as $standing => $words)
                            <option value="{{ $standing }}">{{ $words }}</option>
                        @endforeach
                    </select>
                    <input class="input mt-1" name="says" maxlength="200" placeholder="or says: nurses, 20..60" aria-label="or says"
                        autocomplete="off">
                </div>
                <div class="form-foot row">
                    <button class="button button-go">Show it so</button>
                    @can('code', $review)
                        @if ($isTried)
                            <button class="button" form="keep-table">Keep it so</button>
                            <a class="button button-plain" href="{{ route('tables.show', [$review, $table]) }}">As it was kept</a>
                        @endif
                    @endcan
                </div>
            </form>
            @can('code', $review)
                <form id="keep-table" method="post" action="{{ route('tables.update', [$review, $table, ...$query]) }}">@csrf @method('put')
                    <input type="hidden" name="title" value="{{ request()->query('title', $table->title) }}"></form>
                <form class="section" method="post" action="{{ route('tables.retire', [$review, $table]) }}">@csrf <button
                        class="button button-plain">Retire the table</button></form>
            @endcan
        </section>
    </div>
</x-page>
