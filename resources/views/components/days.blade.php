{{-- Counts day by day as small bars, the latest at the right. --}}
@props(['counts', 'label'])
@php($most = max(1, ...$counts))
<svg class="days" viewBox="0 0 {{ count($counts) * 8 }} 22" role="img" aria-label="{{ $label }}: {{ implode(', ', $counts) }}">
    @foreach ($counts as $i => $n)
        <rect class="{{ $n === 0 ? 'bar-left' : 'bar-alone' }}" x="{{ $i * 8 }}"
            y="{{ $n === 0 ? 20.5 : round(21 - (20 * $n) / $most, 1) }}" width="6"
            height="{{ $n === 0 ? 0.5 : round((20 * $n) / $most, 1) }}" />
    @endforeach
</svg>
