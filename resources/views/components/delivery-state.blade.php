@props(['delivery'])
@if ($delivery->withdrawn_at)
    withdrawn
@else
    @switch($delivery->state)
        @case('looking')
            being looked at
        @break

        @case('mapping')
            waits for its columns
        @break

        @case('done')
            done
        @break

        @case('queued')
            waiting to begin
        @break

        @case('running')
            under way, {{ number_format($delivery->position) }} so far
        @break

        @case('stopped')
            cancelled
        @break

        @case('failed')
            stopped
        @break
    @endswitch
@endif
