{{-- Text with the words that a query looks for marked; nothing may stand between the parts. --}}
@props(['text', 'by' => null])
@php
    echo $by === null ? e($text) : implode('', array_map(fn (array $part): string => $part['marked'] ? '<mark>'.e($part['text']).'</mark>' : e($part['text']), $by->segments($text)));
@endphp
