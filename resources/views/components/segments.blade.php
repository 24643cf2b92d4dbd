{{-- Text that was cut into marked and plain parts; nothing may stand between them. --}}
@props(['parts'])
@php
    echo implode(
        '',
        array_map(fn(array $part): string => $part['marked'] ? '<mark>' . e($part['text']) . '</mark>' : e($part['text']), $parts),
    );
@endphp
