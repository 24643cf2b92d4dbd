{{-- What the marks on a page mean, where they stand without words. --}}
@props(['marks'])
<p {{ $attributes->class('mark-legend small quiet') }}>
    @foreach ($marks as $mark => $words)
        <span><x-mark :verdict="$mark" label="" /> {{ $words }}</span>
    @endforeach
</p>
