<x-page :title="$strategy->name . ', translation'" :review="$review" stage="searches" place="searches">
    <div class="desk">
        <section class="sheet">
            <x-strategy.head :review="$review" :strategy="$strategy" current="translation" />
            <p class="filter-words small">Each line as every database is asked it. What had to be changed or left out stands beneath it.
                <span class="no-print">Take it along as
                    <a href="{{ route('strategies.translation.download', [$review, $strategy, 'csv']) }}">CSV</a>, <a
                        href="{{ route('strategies.translation.download', [$review, $strategy, 'docx']) }}">DOCX</a> or <a
                        href="{{ route('strategies.translation.download', [$review, $strategy, 'txt']) }}">text</a>; or <a
                        href="{{ route('dialects', $review) }}">add the dialect of another database</a>.</span></p>
            @if ($table->rows === [])
                <x-empty title="Nothing to translate yet">Put terms on the <a
                        href="{{ route('strategies.show', [$review, $strategy]) }}">board</a> first.</x-empty>
            @else
                <div class="scroll-x" tabindex="0" role="region" aria-label="The translation table">
                    <table class="table translation" x-data="copying">
                        <thead>
                            <tr>
                                <th scope="col">Line</th>
                                @foreach ($table->columns as $column)
                                    <th scope="col">{{ $column->name }}<br><span class="tiny">{{ $column->dialect }}</span> <button type="button"
                                            class="button-plain small no-print" x-on:click="column('{{ $column->key }}')">Copy
                                            all</button></th>
                                @endforeach
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($table->rows as $row)
                                <tr id="{{ $row->id }}">
                                    <th scope="row"><strong>#{{ $row->number }}</strong>
                                        @if ($row->note !== '')
                                            <span>{{ $row->note }}</span><br>
                                        @endif <code>{{ $row->text }}</code>
                                    </th>
                                    @foreach ($table->columns as $column)
                                        @php $cell = $row->cells[$column->key]; @endphp
                                        <td>
                                            @if ($cell->problem !== '')
                                                <p class="field-error">{{ $cell->problem }}</p>
                                            @endif
                                            @if ($cell->text === '')
                                                <span class="quiet">{{ trim($row->text) === '' ? '' : '–' }}</span>
                                            @else
                                                <p class="cell-line">
                                                    @if ($cell->number)
                                                        <span class="quiet">S{{ $cell->number }}</span>
                                                        @endif <code data-copy="{{ $column->key }}">{{ $cell->text }}</code>
                                                        @if ($cell->count !== null)
                                                            <strong class="number">{{ number_format($cell->count) }}</strong>
                                                        @endif
                                                </p>
                                            @endif
                                            @foreach ($cell->notes as $note)
                                                <p class="small note">{{ $note }}</p>
                                            @endforeach
                                            @can('search', $review)
                                                @foreach ($cell->mappings as $mapping)
                                                    <form class="no-print mapping" method="post"
                                                        action="{{ route('thesauri.rule', $review) }}">@csrf <input type="hidden"
                                                            name="label" value="{{ $mapping->label }}"><input type="hidden" name="scheme"
                                                            value="{{ $cell->scheme }}">
                                                        <span class="small quiet">“{{ $mapping->label }}” here:</span>
                                                        @foreach ($mapping->confirmed as $one)
                                                            <span class="tag">{{ $one }}</span> <x-rule-button :standing="$one"
                                                                to="open" label="take back" :aria="'Take back that “'
                                                                    . $mapping->label . '” is “' . $one . '”'" />
                                                        @endforeach
                                                        @foreach ($mapping->candidates as $one)
                                                            <x-rule-button :standing="$one" to="1" :label="'It is “' . $one . '”'" /><x-rule-button
                                                                :standing="$one" to="0" label="not" :aria="$one . ' is not the same'" />
                                                        @endforeach
                                                        @foreach ($mapping->refused as $one)
                                                            <span class="small quiet">not {{ $one }}</span> <x-rule-button
                                                                :standing="$one" to="open" label="offer again" :aria="'Offer “' . $one . '” again'" />
                                                        @endforeach
                                                        @if ($mapping->confirmed === [] && $mapping->candidates === [])
                                                            <span class="small quiet">nothing shares a name with it; add its words as free
                                                                text.</span>
                                                        @endif
                                                    </form>
                                                @endforeach
                                                @if ($cell->text !== '')
                                                    <form class="inline no-print" method="post"
                                                        action="{{ route('strategies.mark', [$review, $strategy]) }}">@csrf <input
                                                            type="hidden" name="line" value="{{ $row->id }}"><input type="hidden"
                                                            name="database" value="{{ $column->key }}"><input type="hidden" name="text"
                                                            value="{{ $cell->text }}"><input type="hidden" name="on"
                                                            value="{{ $cell->marked === '' ? 1 : 0 }}">
                                                        <button
                                                            class="button-plain small">{{ $cell->marked === ''
                                                                ? 'Confirm'
                                                                : "Confirmed by {$cell->marked}" }}</button>
                                                        <button type="button" class="button-plain small" x-on:click="line($el)">Copy</button>
                                                    </form>
                                                @endif
                                            @else
                                                @if ($cell->marked !== '')
                                                    <p class="small quiet">Confirmed by {{ $cell->marked }}</p>
                                                @endif
                                            @endcan
                                        </td>
                                    @endforeach
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            @endif
        </section>
    </div>
</x-page>
