SEARCH REPORT: {!! $review->title !!}
{!! $review->question !!}
{{ now()->format('j M Y') }}

DATABASES AND REGISTERS
@foreach ($runs as $run)
- {!! $run->source_title !!}, searched through its own server in {!! $run->dialect !!} on {{ $run->ran_at->format('j M Y') }} by {!! $run->runner->name !!}: {{ number_format($run->total) }} found, {{ number_format($kept($run)) }} kept. Limits: {!! $limits[$run->id] === [] ? 'none' : implode('; ', $limits[$run->id]) !!}
@endforeach
@foreach ($files as $file)
- {!! $file->source_name !!}, file {!! $file->file_name !!}, searched on {{ $file->searched_on->format('j M Y') }}: {{ number_format($file->kept) }} kept.
@endforeach

RECORDS
{{ number_format($records) }} records; {{ number_format($records - $publications) }} exact duplicates joined by machine; {{ number_format($publications) }} publications.
@foreach ($runs as $run)

{!! mb_strtoupper($run->source_title) !!}, {{ $run->ran_at->format('j M Y') }}
{!! $run->strategy->name !!}, version {{ $run->version }}; {!! route('runs.show', [$review, $run]) !!}
@foreach ($run->lines as $line)
@if ($line['sent'] !== '')
{{ str_pad((string) $line['number'], 3, ' ', STR_PAD_LEFT) }}  {!! $line['sent'] !!}  [{{ $line['count'] === null ? '-' : number_format($line['count']) }}]
@endif
@endforeach
@endforeach
