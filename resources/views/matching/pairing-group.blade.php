@if ($group === null)
    <div data-group=""><x-empty title="Nothing waits here">
            @if (($claimed ?? 0) > 0)
                Others have the rest open.
            @else
                Every suspected duplicate has been judged.
            @endif
            <a href="{{ route('matching', $review) }}">Matching</a> compares again when records have come.
        </x-empty></div>
@else
    <article class="pair-sheet" data-group="{{ $group->key }}" data-publications="{{ implode(' ', array_column($group->columns, 'id')) }}">
        <div>
            @if ($group->warning !== '')
                <p class="asking small" role="note">{{ $group->warning }}</p>
            @endif
            <table class="table compare">
                <thead>
                    <tr>
                        <th scope="col"><span class="visually-hidden">Field</span></th>
                        @foreach ($group->columns as $i => $column)
                            <th scope="col" data-column="{{ $column->id }}"><span class="letter">{{ $column->letter }}</span> <button
                                    type="button" class="part-button small" data-part-of="{{ $column->id }}">part <span
                                        data-part>1</span> <kbd>{{ $i + 1 }}</kbd></button>
                                <span class="small quiet block">
                                    @foreach ($column->records as $record)
                                        {{ $record->source }}{{ $loop->last ? '' : ',' }}
                                    @endforeach
                                    <x-mark :verdict="$column->state" />
                                </span>
                            </th>
                        @endforeach
                    </tr>
                </thead>
                <tbody>
                    @foreach ($group->rows as $row)
                        <tr class="{{ $row->same ? 'row-same' : '' }} row-{{ $row->key }}">
                            <th scope="row">{{ $row->label }}</th>
                            @foreach ($row->cells as $cell)
                                <td class="{{ in_array($row->key, ['title', 'abstract'], true) ? 'serif' : '' }}">{!! $cell === []
                                    ? '<span class="quiet">—</span>'
                                    : implode(
                                        '',
                                        array_map(
                                            fn($piece): string => $piece->differs
                                                ? '<mark class="differs">' . e($piece->text) . '</mark>'
                                                : e($piece->text),
                                            $cell,
                                        ),
                                    ) !!}
                                </td>
                            @endforeach
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <aside class="evidence" aria-label="What speaks for and against">
            @foreach ($group->pairs as $pair)
                <figure>
                    <figcaption><strong>{{ $pair->letters }}</strong>: {{ sprintf('%+.0f', $pair->score) }} bits <span
                            class="quiet">{{ $pair->surety() }}</span>
                    </figcaption>
                    <p class="small quiet">{{ $pair->rule }}</p>
                    @foreach ($pair->against as $words)
                        <p class="against">{{ $words }}</p>
                    @endforeach
                    <svg class="weights" viewBox="0 0 310 {{ 19 * count($pair->parts) }}" role="img"
                        aria-label="Weights: @foreach ($pair->parts
                            as $part){{ $part->field }} {{ $part->level }} {{ sprintf('%+.1f',
                            $part->bits) }}; @endforeach">
                        <line x1="215" x2="215" y1="0" y2="{{ 19 * count($pair->parts) }}" class="axis-line" />
                        @foreach ($pair->parts as $i => $part)
                            @php($width = min(55, round(abs($part->bits) * 4.5, 1)))
                            <text x="0" y="{{ 19 * $i + 14 }}">{{ $part->field === 'doi' ? 'DOI' : ucfirst($part->field) }}:
                                {{ Str::limit($part->level, 21, '…') }}</text>
                            <rect class="{{ $part->bits >= 0 ? 'for' : 'contra' }}" x="{{ $part->bits >= 0 ? 215 : 215 - $width }}"
                                y="{{ 19 * $i + 4 }}" width="{{ $width }}" height="11" />
                            <text class="bits" x="{{ $part->bits >= 0 ? 219 + $width : 219 }}"
                                y="{{ 19 * $i + 14 }}">{{ sprintf('%+.1f', $part->bits) }}</text>
                        @endforeach
                    </svg>
                </figure>
            @endforeach
        </aside>
    </article>
@endif
