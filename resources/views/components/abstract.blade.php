{{-- An abstract at its labels, ready to read. --}}
@props(['parts'])
@forelse ($parts as $part)
    <p>
        @if ($part->label !== '')
            <span class="label">{{ $part->label }}</span>
        @endif {{ $part->text }}
    </p>
@empty
    <p class="quiet">No abstract was delivered.</p>
@endforelse
