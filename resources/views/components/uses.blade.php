{{-- Where something is used, each with its address. --}}
@props(['uses'])
@forelse ($uses as $use)
    <p><span class="quiet">{{ $use->what }}</span> <a href="{{ $use->url }}">{{ $use->words }}</a></p>
@empty
    <p class="quiet">Nowhere yet.</p>
@endforelse
