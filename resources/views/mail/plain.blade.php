@foreach ($paragraphs as $paragraph)
{!! $paragraph !!}

@endforeach
Wary Heron
