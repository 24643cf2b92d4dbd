{{-- A labelled input. The slot replaces the plain text input. --}}
@props(['name', 'label', 'type' => 'text', 'value' => '', 'help' => '', 'id' => null])
@php
    $id ??= str_replace(['[', ']'], ['-', ''], $name);
    $key = str_replace(['[', ']'], ['.', ''], $name);
    $wrong = $errors->has($key);
@endphp
<div class="field">
    <label for="{{ $id }}">{{ $label }}</label>
    @if ($help !== '')
        <p class="field-help" id="{{ $id }}-help">{{ $help }}</p>
    @endif
    @if ($slot->isNotEmpty())
        {{ $slot }}
    @else
        <input id="{{ $id }}" name="{{ $name }}" type="{{ $type }}"
            @if ($type !== 'password') value="{{ old($key, $value) }}" @endif {{ $attributes->class('input') }}
            @if ($help !== '') aria-describedby="{{ $id }}-help" @endif
            @if ($wrong) aria-invalid="true" aria-errormessage="{{ $id }}-error" @endif>
    @endif
    @error($key)
        <p class="field-error" id="{{ $id }}-error" role="alert">{{ $message }}</p>
    @enderror
</div>
