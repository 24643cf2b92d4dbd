@props(['standing', 'to', 'label', 'aria' => null])
{{-- One ruling on a heading; the button's value names both, so that one form holds many. --}}
<button class="tag tag-button" name="ruling" value="{{ $to }}|{{ $standing }}"
    @if ($aria) aria-label="{{ $aria }}" @endif>{{ $label }}</button>
