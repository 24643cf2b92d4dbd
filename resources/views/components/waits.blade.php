{{-- One kind of work that waits, with the way into it; nothing where none does. --}}
@props(['count', 'words', 'href'])
@if ($count > 0)
    <li><a class="waits-link" href="{{ $href }}"><span class="waits">{{ number_format($count) }}</span> <span>{{ $words }}</span></a></li>
@endif
