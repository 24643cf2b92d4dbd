<x-page :title="'Columns of ' . $delivery->file_name" :review="$review" stage="records" place="deliveries">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>What do the columns hold?</h1> <span>{{ $delivery->file_name }}, {{ $delivery->source_name }}. Nothing has been taken in
                    yet; what you say is remembered for this source.</span>
            </header>
            @php($overlooked = $preview->overlooked())
            @can('deliver', $review)
                @if ($delivery->format === 'csv')
                    <form class="section row" method="post" action="{{ route('deliveries.columns', [$review, $delivery]) }}">@csrf
                        <label>Cells are parted by <select class="input" name="delimiter">
                                @foreach (\App\Files\In\TablePreview::DELIMITERS as $name => $sign)
                                    <option @selected($preview->delimiter === $name)>{{ $name }}</option>
                                @endforeach
                            </select>
                        </label>
                        <label>Letters are <select class="input" name="encoding">
                                @foreach (\WaryHeron\Core\Bibliography\Format\TextEncoding::known() as $encoding)
                                    <option @selected($preview->encoding === $encoding)>{{ $encoding }}</option>
                                @endforeach
                            </select>
                        </label>
                        <button class="button">Show it so</button>
                    </form>
                @endif
                <form method="post" action="{{ route('deliveries.read', [$review, $delivery]) }}">
                    @csrf
                    @if ($delivery->format === 'csv')
                        <input type="hidden" name="delimiter" value="{{ $preview->delimiter }}">
                        @if ($preview->encoding !== 'UTF-8')
                            <input type="hidden" name="encoding" value="{{ $preview->encoding }}">
                        @endif
                    @endif
                    @error('columns')
                        <p class="field-error section" role="alert">{{ $message }}</p>
                    @enderror
                    @if ($overlooked !== [])
                        <p class="section small" role="status">
                            {{ count($overlooked) === 1 ? 'One column looks' : number_format(count($overlooked)) . ' columns look' }} as if we had
                            a place for {{ count($overlooked) === 1 ? 'it' : 'them' }}, and would be kept beside:
                            {{ implode(', ', array_map(fn(int $i): string => '“' . ($preview->headings[$i] ?? $i + 1) . '”', array_keys($overlooked))) }}.
                            Choose what {{ count($overlooked) === 1 ? 'it holds' : 'they hold' }}.</p>
                    @endif
                    <div class="preview" tabindex="0" role="region" aria-label="The first rows">
                        <table class="table small">
                            <thead>
                                <tr>
                                    @foreach ($preview->headings as $i => $heading)
                                        <th scope="col"><label class="block"
                                                for="column-{{ $i }}">{{ $heading === '' ? 'column ' . ($i + 1) : $heading }}
                                                @isset($overlooked[$i])
                                                    <span class="says-warn">looks like
                                                        {{ ['doi' => 'DOIs', 'authors' => 'authors', 'year' => 'years',
                                                            'abstract' => 'abstracts'][$overlooked[$i]] }}</span>
                                                @endisset
                                            </label>
                                            <select class="input" id="column-{{ $i }}" name="columns[{{ $i }}]">
                                                <option value="">keep beside</option>
                                                @foreach (['title' => 'title', 'authors' => 'authors', 'year' => 'year',
                                                    'date' => 'date', 'journal' => 'journal',
                                                    'journalShort' => 'journal, short', 'volume' => 'volume',
                                                    'issue' => 'issue', 'pages' => 'pages', 'firstPage' => 'first page',
                                                    'lastPage' => 'last page', 'doi' => 'DOI', 'abstract' => 'abstract',
                                                    'keywords' => 'keywords', 'language' => 'language',
                                                    'type' => 'type', 'url' => 'link', 'publisher' => 'publisher',
                                                    'place' => 'place', 'issn' => 'ISSN', 'editors' => 'editors',
                                                    'series' => 'series', 'edition' => 'edition', 'isbn' => 'ISBN',
                                                    'partTitle' => 'title of the part',
                                                    'accession' => 'accession number', 'id' => 'record id',
                                                    'fields' => 'other fields'] as $field => $label)
                                                    <option value="{{ $field }}" @selected(($preview->guess[$i] ?? '') === $field)>{{ $label }}
                                                    </option>
                                                @endforeach
                                            </select>
                                        </th>
                                    @endforeach
                                </tr>
                            </thead>
                            <tbody>
                                @foreach ($preview->rows as $row)
                                    <tr>
                                        @foreach ($preview->headings as $i => $heading)
                                            <td title="{{ $row[$i] ?? '' }}">{{ $row[$i] ?? '' }}</td>
                                        @endforeach
                                    </tr>
                                @endforeach
                            </tbody>
                        </table>
                    </div>
                    <div class="section row"><button class="button button-go">Read the table</button> <span class="small quiet">Columns that are
                            kept beside stay with each record and go out again in exports.</span></div>
                </form>
            @else
                <p class="section small quiet">The information specialist or the lead says what the columns hold.</p>
            @endcan
        </section>
    </div>
</x-page>
