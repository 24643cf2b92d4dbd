@php
    $years = $one->byYear();
    $most = max([1, ...$years]);
    $from = array_key_first($years) ?? 0;
    $to = array_key_last($years) ?? 0;
    $wide = max(2, min(9, intdiv(150, $to - $from + 1)));
@endphp
<tr>
    @can('search', $review)
        <td><input type="checkbox" name="names[]" value="{{ $one->thing->name }}" aria-label="Take {{ $one->thing->name }}"></td>
    @endcan
    <td>
        <strong>{{ $one->thing->name }}</strong>
        @foreach ($one->joins() as $why => $variants)
            <p class="small quiet">the same, {{ $why }}:</p>
            @foreach ($variants as $variant)
                <div class="small">
                    @can('search', $review)
                        <input type="checkbox" name="names[]" value="{{ $variant }}" aria-label="Take {{ $variant }}">
                    @endcan
                    {{ $variant }}
                </div>
            @endforeach
        @endforeach
    </td>
    <td class="number">{{ count($one->thing->ids) }}</td>
    <td class="small quiet">
        @if ($years !== [])
            <svg width="{{ ($to - $from + 1) * $wide }}" height="24" role="img"
                aria-label="{{ implode(', ', array_map(fn(int $year, int $n): string => "{$year}: {$n}", array_keys($years), $years)) }}">
                <line x1="0" x2="{{ ($to - $from + 1) * $wide }}" y1="23.500" y2="23.500" stroke="currentColor" />
                @foreach ($years as $year => $papers)
                    <rect x="{{ ($year - $from) * $wide }}" width="{{ $wide - 1 }}" y="{{ round(23 - (22 * $papers) / $most, 1) }}"
                        height="{{ round((22 * $papers) / $most, 1) }}" fill="currentColor">
                        <title>{{ $year }}: {{ $papers }}</title>
                    </rect>
                @endforeach
            </svg>
            <div>{{ $from === $to ? $from : "{$from} to {$to}" }}</div>
        @endif
    </td>
    <td class="small">
        @if ($one->thing->definition !== '')
            <p><span class="quiet">What it is:</span> “{{ $one->thing->definition }}”</p>
        @endif
        @foreach ($one->excerpts() as $excerpt)
            <p>“{{ Str::limit($excerpt->text, 260) }}” <a
                    href="{{ route('scouting.show', [$review, $scouting, 'shown' => 300]) }}#paper-{{ $excerpt->paper->id }}">{{ ($excerpt->paper->reference()->authors[0] ?? null)?->family ?: 'No author' }}
                    {{ $excerpt->paper->reference()->year }}</a></p>
        @endforeach
    </td>
</tr>
