{{-- Text with the words that a query looks for marked. --}}
@props(['text', 'by' => null])
<x-segments :parts="$by === null ? [['text' => $text, 'marked' => false]] : $by->segments($text)" />
