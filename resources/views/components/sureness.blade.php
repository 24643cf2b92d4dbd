{{-- How sure what was read by machine is, by how many bars are filled; the word stands beside. --}}
@props(['confidence'])
@php($filled = ['firm' => 3, 'fair' => 2, 'check' => 1][$confidence])
<span {{ $attributes->class(['sureness', 'sureness-check' => $confidence === 'check']) }}><svg viewBox="0 0 20 10" aria-hidden="true">
        @foreach ([1, 2, 3] as $bar)
            <rect x="{{ ($bar - 1) * 7 + 0.75 }}" y="0.75" width="4.500" height="8.500" stroke="currentColor" stroke-width="1.300"
                fill="{{ $bar <= $filled ? 'currentColor' : 'none' }}" />
        @endforeach
    </svg> {{ $confidence }}</span>
