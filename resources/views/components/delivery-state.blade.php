@props(['delivery'])
@switch($delivery->state)
    @case('done') done @break
    @case('queued') waiting to begin @break
    @case('running') under way, {{ number_format($delivery->position) }} so far @break
    @case('stopped') cancelled @break
    @case('failed') stopped @break
@endswitch
