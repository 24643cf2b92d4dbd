{{-- A bar beside its number; a second part follows the first where there is one. --}}
@props(['part', 'whole', 'also' => 0])
@php($wide = fn(int $n): float => $whole > 0 ? round((100 * $n) / $whole, 2) : 0.0)
<svg {{ $attributes }} viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
    <rect class="whole" width="100" height="12" />
    <rect class="part" width="{{ $wide($part) }}" height="12" />
    @if ($also > 0)
        <rect class="also" x="{{ $wide($part) }}" width="{{ $wide($also) }}" height="12" />
    @endif
</svg>
