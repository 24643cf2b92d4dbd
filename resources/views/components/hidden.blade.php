{{-- What an address asks for, kept through a form that asks for more. --}}
@props(['query'])
@foreach ($query as $name => $value)
    @foreach ((array) $value as $one)
        <input type="hidden" name="{{ $name }}{{ is_array($value) ? '[]' : '' }}" value="{{ $one }}">
    @endforeach
@endforeach
