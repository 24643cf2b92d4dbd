@use('WaryHeron\Core\Synthesis\Map\CellFigure')
@use('WaryHeron\Core\Synthesis\Map\MapPlot')
<x-page title="Evidence map" :review="$review" stage="synthesis" place="map">
    @if ($map === null)
        <div class="desk">
            <section class="sheet">
                <header class="sheet-head">
                    <h1>Map</h1>
                </header>
                <x-empty title="There is nothing to map yet">The codebook needs an item whose answers are chosen: the design, the people, the
                    outcome. <a href="{{ route('codebook', $review) }}">To the codebook</a></x-empty>
            </section>
        </div>
    @else
        @php
            $asked = ['rows' => $rows->id, 'columns' => $columns?->id ?? '', 'fill' => $fill?->id ?? ''];
            $links = [];
            foreach ($map->rows as $row) {
                foreach ($map->columns as $column) {
                    $links[$row][$column] = route('map', [$review, ...$asked, 'row' => $row, 'column' => $column]);
                }
            }
            $title = $columns === null ? $rows->label : "{$rows->label} by {$columns->label}";
            $cells = count($map->rows) * count($map->columns);
        @endphp
        <div class="desk desk-side desk-map">
            <section class="sheet">
                <header class="sheet-head">
                    <h1>Map</h1> <span>{{ $map->studies }} {{ Str::plural('study', $map->studies) }}{{ $uncounted > 0 ? ", {$uncounted} not coded for it yet" : '' }},
                        {{ $map->gaps() }} of {{ $cells }} {{ $columns === null ? 'answers' : 'cells' }} without a study</span>
                    <span class="end">
                        @foreach (['svg', 'png', 'pdf', 'csv', 'html'] as $format)
                            {{ $loop->first ? '' : '· ' }}<a href="{{ route('map.download', [$review, $format, ...$asked]) }}">{{ strtoupper($format) }}</a>
                        @endforeach
                    </span>
                </header>
                <form class="table-narrow" method="get" action="{{ route('map', $review) }}">
                    @foreach (['rows' => ['', $rows, false], 'columns' => ['down, ', $columns, true], 'fill' => ['across, filled by ', $fill, true]] as $name => [$before, $now, $mayBeNone])
                        <label>{{ $before }}<select class="input" name="{{ $name }}" aria-label="{{ ['rows' => 'Down', 'columns' => 'Across', 'fill' => 'Filled by'][$name] }}">
                                @if ($mayBeNone)
                                    <option value="">nothing</option>
                                @endif
                                @foreach ($items as $item)
                                    <option value="{{ $item->id }}" @selected($item->id === $now?->id)>{{ $item->label }}</option>
                                @endforeach
                            </select></label>
                    @endforeach
                    <button class="button">Show</button>
                </form>
                <div class="plot-scroll" tabindex="0" role="region" aria-label="Evidence map">{!! (new MapPlot($map))->svg($title, isFile: false, links: $links, chosen: $at) !!}</div>
                <details class="section" id="numbers" @if ($as) open @endif>
                    <summary class="cursor-pointer">As numbers{{ $layers === [] ? '' : ', in layers' }}</summary>
                    <form class="row my-2" method="get" action="{{ route('map', $review) }}#numbers">
                        @foreach ($asked as $name => $value)
                            <input type="hidden" name="{{ $name }}" value="{{ $value }}">
                        @endforeach
                        <label>Cells tell <select class="input" name="as">
                                @foreach (CellFigure::cases() as $figure)
                                    <option value="{{ $figure->value }}" @selected($figure === $as)>{{ $figure->label() }}</option>
                                @endforeach
                            </select></label>
                        <button class="button">Count</button>
                    </form>
                    @include('synthesis.map-numbers', ['map' => $map, 'name' => $title])
                    @if ($columns && !$map->isPartition())
                        <p class="small quiet">Some studies have several answers and stand in several cells, so totals are of studies and
                            no test is made.</p>
                    @endif
                    @foreach ($layers as $answer => $layer)
                        <h3 class="mt-6">{{ $fill->label }}: {{ (string) $answer === '' ? 'no answer' : $answer }}</h3>
                        @include('synthesis.map-numbers', ['map' => $layer, 'name' => (string) $answer ?: 'no answer'])
                    @endforeach
                </details>
            </section>
            <section class="sheet" aria-label="Studies in the cell">
                @if ($studies === null)
                    <header class="sheet-head">
                        <h2>Studies</h2>
                    </header>
                    <p class="sheet-body quiet">Press a cell: its studies stand here.</p>
                @else
                    <header class="sheet-head">
                        <h2>{{ trim(implode(' × ', array_filter($at))) }}</h2> <span>{{ $studies->count() }}
                            {{ Str::plural('study', $studies->count()) }}</span>
                    </header>
                    @php($cell = [$rows->id => [$at[0]]] + ($columns !== null && $at[1] !== '' ? [$columns->id => [$at[1]]] : []))
                    <p class="section small"><a href="{{ route('coding.subset', [$review, 'answers' => $cell]) }}#preview">The studies of this cell as the
                            in-depth subset</a></p>
                    @foreach ($studies as $study)
                        <div class="section"><a class="title-link"
                                href="{{ route('coding.show', [$review, $study->id]) }}">{{ trim(Str::before($study->authors, ';') . ' ' . $study->year) }}</a>
                            <p class="small quiet">{{ Str::limit($study->title, 100) }}</p>
                        </div>
                    @endforeach
                @endif
            </section>
        </div>
    @endif
</x-page>
