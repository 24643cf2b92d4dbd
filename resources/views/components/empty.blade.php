@props(['title'])
<div {{ $attributes->class('empty') }}>
    <strong>{{ $title }}</strong>
    {{ $slot }}
</div>
