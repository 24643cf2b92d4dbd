{{-- How a decision looks everywhere: by fill, so that it reads in greyscale and at 12 px. --}}
@props(['verdict', 'label' => null])
@php
    $words = match ($verdict) {
        'include', 'included' => 'include',
        'exclude', 'excluded' => 'exclude',
        'unsure' => 'unsure',
        'disagreement' => 'disagreement',
        'removed' => 'removed',
        'none', 'waiting', 'awaited', 'folded' => 'nothing yet',
    };
@endphp
<svg {{ $attributes->class('mark') }} viewBox="0 0 14 14"
    @if ($label === '') aria-hidden="true" @else role="img" aria-label="{{ $label ?? $words }}" @endif>
    @switch($words)
        @case('include')
            <circle cx="7" cy="7" r="5.8" fill="currentColor" />
        @break

        @case('exclude')
            <circle cx="7" cy="7" r="5" fill="none" stroke="currentColor" stroke-width="1.6" />
        @break

        @case('unsure')
            <circle cx="7" cy="7" r="5" fill="none" stroke="currentColor" stroke-width="1.6" />
            <path d="M7 2a5 5 0 0 0 0 10z" fill="currentColor" />
        @break

        @case('disagreement')
            <path d="M5.8 2a5.100 5.100 0 0 0 0 10z" fill="currentColor" />
            <path d="M8.600 2.100a5 5 0 0 1 0 9.800z" fill="none" stroke="currentColor" stroke-width="1.400" />
        @break

        @case('nothing yet')
            <circle cx="7" cy="7" r="5" fill="none" stroke="currentColor" stroke-width="1.500" stroke-dasharray="1.600 2" />
        @break

        @case('removed')
            <path d="M2.500 7h9" fill="none" stroke="currentColor" stroke-width="1.600" />
        @break
    @endswitch
</svg>
