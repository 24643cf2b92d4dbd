@if ($group === null)
    <div data-group=""><x-empty title="Nothing waits here">@if (($claimed ?? 0) > 0) Others have the rest open. @else Every suspected duplicate has been judged. @endif <a href="{{ route('matching', $review) }}">Matching</a> compares again when records have come.</x-empty></div>
@else
    <article data-group="{{ $group->key }}" data-publications="{{ implode(' ', array_column($group->columns, 'id')) }}">
        @if ($group->warning !== '') <p class="asking small" role="note">{{ $group->warning }}</p> @endif
        <table class="table compare">
            <thead><tr><th scope="col"><span class="visually-hidden">Field</span></th>
                @foreach ($group->columns as $i => $column)
                    <th scope="col" data-column="{{ $column['id'] }}"><span class="letter">{{ $column['letter'] }}</span> <button type="button" class="part-button small" data-part-of="{{ $column['id'] }}" aria-label="Part of {{ $column['letter'] }}">part <span data-part>1</span> <kbd>{{ $i + 1 }}</kbd></button>
                        <span class="small quiet block">@foreach ($column['records'] as $record) {{ $record['source'] }}{{ $loop->last ? '' : ',' }} @endforeach <x-mark :verdict="$column['state']" /></span></th>
                @endforeach
            </tr></thead>
            <tbody>
                @foreach ($group->rows as $row)
                    <tr class="{{ $row['same'] ? 'row-same' : '' }} row-{{ $row['key'] }}"><th scope="row">{{ $row['label'] }}</th>
                        @foreach ($row['cells'] as $cell)
                            <td class="{{ in_array($row['key'], ['title', 'abstract'], true) ? 'serif' : '' }}">@forelse ($cell as [$text, $differs])@if ($differs)<mark class="differs">{{ $text }}</mark>@else{{ $text }}@endif @empty<span class="quiet">—</span>@endforelse</td>
                        @endforeach
                    </tr>
                @endforeach
            </tbody>
        </table>
        <div class="section evidence">
            @foreach ($group->pairs as $pair)
                <figure>
                    <figcaption><strong>{{ $pair['letters'] }}</strong>: {{ sprintf('%+.0f', $pair['score']) }} bits <span class="quiet">{{ $pair['chance'] > 0.995 ? 'almost surely the same by the weights' : ($pair['chance'] > 0.9 ? 'probably the same by the weights' : ($pair['chance'] > 0.5 ? 'rather the same by the weights' : 'rather different by the weights')) }}</span></figcaption>
                    @foreach ($pair['against'] as $words) <p class="against">{{ $words }}</p> @endforeach
                    <svg class="weights" viewBox="0 0 420 {{ 18 * count($pair['parts']) }}" role="img" aria-label="Weights: @foreach ($pair['parts'] as $part){{ $part['field'] }} {{ $part['level'] }} {{ sprintf('%+.1f', $part['bits']) }}; @endforeach">
                        <line x1="230" x2="230" y1="0" y2="{{ 18 * count($pair['parts']) }}" class="axis-line"/>
                        @foreach ($pair['parts'] as $i => $part)
                            @php($width = min(90, abs($part['bits']) * 6))
                            <text x="0" y="{{ 18 * $i + 13 }}">{{ ucfirst($part['field']) }}: {{ Str::limit($part['level'], 26) }}</text>
                            <rect class="{{ $part['bits'] >= 0 ? 'for' : 'contra' }}" x="{{ $part['bits'] >= 0 ? 230 : 230 - $width }}" y="{{ 18 * $i + 4 }}" width="{{ $width }}" height="10"/>
                            <text class="bits" x="{{ $part['bits'] >= 0 ? 236 + $width : 330 }}" y="{{ 18 * $i + 13 }}">{{ sprintf('%+.1f', $part['bits']) }}</text>
                        @endforeach
                    </svg>
                </figure>
            @endforeach
        </div>
    </article>
@endif
