{{-- How far an item of the codebook has come: by fill, so that it reads in greyscale and at 12 px. --}}
@props(['standing'])
@use('WaryHeron\Core\Coding\ItemStanding')
@php($words = match ($standing) {
    ItemStanding::Answered => 'answered',
    ItemStanding::Begun => 'begun: answer or evidence is missing',
    ItemStanding::LeadWaits => 'open, a lead waits',
    ItemStanding::Open => 'open',
    ItemStanding::NotAsked => 'not asked of this study',
})
<svg {{ $attributes->class(['mark', 'mark-waits' => $standing === ItemStanding::LeadWaits]) }} viewBox="0 0 14 14" role="img"
    aria-label="{{ $words }}">
    @switch($standing)
        @case(ItemStanding::Answered)
            <circle cx="7" cy="7" r="5.8" fill="currentColor" />
        @break

        @case(ItemStanding::Begun)
            <circle cx="7" cy="7" r="5" fill="none" stroke="currentColor" stroke-width="1.6" />
            <path d="M7 2a5 5 0 0 0 0 10z" fill="currentColor" />
        @break

        @case(ItemStanding::LeadWaits)
            <circle cx="7" cy="7" r="5" fill="none" stroke="currentColor" stroke-width="1.600" stroke-dasharray="1.600 2" />
            <circle cx="7" cy="7" r="1.800" fill="currentColor" />
        @break

        @case(ItemStanding::Open)
            <circle cx="7" cy="7" r="5" fill="none" stroke="currentColor" stroke-width="1.500" stroke-dasharray="1.600 2" />
        @break

        @case(ItemStanding::NotAsked)
            <path d="M4 7h6" fill="none" stroke="currentColor" stroke-width="1.600" />
        @break
    @endswitch
</svg>
