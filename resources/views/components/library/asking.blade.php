{{-- Asks once, with the number, before many publications go out of the review or come back. --}}
@props(['review', 'asking', 'kept'])
@php($words = number_format($asking['count']) . ($asking['count'] === 1 ? ' publication' : ' publications'))
<form class="section asking" id="asking" method="post"
    action="{{ route($asking['what'] === 'remove' ? 'library.remove' : 'library.restore', [$review, ...$kept]) }}" role="alertdialog"
    aria-labelledby="asking-words">@csrf
    @foreach ($asking['ids'] as $id)
        <input type="hidden" name="ids[]" value="{{ $id }}">
    @endforeach
    @if ($asking['all'] !== null)
        <input type="hidden" name="all" value="{{ $asking['all'] }}">
    @endif
    <input type="hidden" name="reason" value="{{ $asking['reason'] }}">
    <p id="asking-words">
        <strong>{{ $asking['what'] === 'remove' ? "Take {$words} out of the review, as “{$asking['reason']}”?"
            : "Bring {$words} back into the review?" }}</strong>
    </p>
    <div class="row mt-2">
        <button class="button button-go" name="sure" value="1"
            autofocus>{{ $asking['what'] === 'remove' ? "Yes, take {$words} out" : "Yes, bring {$words} back" }}</button>
        <a class="button" href="{{ route('library', [$review, ...$kept]) }}">No, leave them</a>
    </div>
</form>
