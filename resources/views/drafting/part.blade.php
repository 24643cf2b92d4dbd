{{-- What is done with a criterion or an item of a draft: switched off or on, and taken over. --}}
<td class="draft-do">
    @if ($mayChange)
        <form method="post" action="{{ route($route, [$review, $draft, $one]) }}">@csrf @method('put')
            <input type="hidden" name="on" value="{{ $one->is_on ? 0 : 1 }}">
            <button class="button">{{ $one->is_on ? $off : $on }}</button>
        </form>
    @endif
    @if ($isTaken)
        <span class="small quiet">{{ $taken }}</span>
    @elseif ($one->is_on && Gate::allows('manage', $review))
        <form method="post" action="{{ route("{$route}.take", [$review, $draft, $one]) }}">@csrf
            <button class="button">Take over</button>
        </form>
    @endif
</td>
