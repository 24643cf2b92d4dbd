{{-- An answer that the reading of the paper proposes, with what it rests on; it is none until a person accepts it. --}}
@props(['lead', 'shown', 'url', 'copy' => null])
<div class="lead lead-{{ $lead->confidence->value }}">
    <p><span class="lead-mark">Lead, {{ $lead->confidence->value }}</span> <strong>{{ $shown }}</strong></p>
    <blockquote class="serif">“{{ Str::limit($lead->quote, 420) }}”</blockquote>
    <p class="small quiet">
        @if ($copy && $lead->page)
            <a href="{{ $copy['url'] }}#page={{ $lead->page }}">{{ $lead->place() }}</a>
        @else
            {{ $lead->place() }}
        @endif
        · {{ $lead->reason }}
    </p>
    <form class="row" method="post" action="{{ $url }}">
        @csrf
        <button class="button" name="do" value="accept">Accept</button>
        <button class="button button-plain" name="do" value="reject">Turn down</button>
    </form>
</div>
