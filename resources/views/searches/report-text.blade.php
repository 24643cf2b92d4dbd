@php($facts = $report->flow->facts)
SEARCH REPORT: {!! $review->title !!}
{!! $review->question !!}
{{ now()->format('j M Y') }}

DATABASES, PLATFORMS AND REGISTERS (items 1 to 3, 13)
@foreach ($report->runs as $run)
- {!! $run->source_title !!}, searched through its own server in {!! $run->dialect !!} on {{ $run->ran_at->format('j M Y') }} by {!! $run->runner->name !!}: {{ number_format($run->total) }} found, {{ number_format($report->keptOf($run)) }} here. Limits: {!! $report->limits[$run->id] === [] ? 'none' : implode('; ', $report->limits[$run->id]) !!}
@endforeach
@foreach ($report->files as $file)
- {!! $file->source_name !!}, file {!! $file->file_name !!}, searched on {{ $file->searched_on->format('j M Y') }}: {{ number_format($report->kept[$file->id] ?? 0) }} here.
@endforeach
@if ($report->updates->isNotEmpty())

UPDATES (item 12)
@foreach ($report->updates as $run)
- {!! $run->source_title !!}, again on {{ $run->ran_at->format('j M Y') }}: {{ number_format($run->total) }} found, {{ number_format($report->keptOf($run)) }} new here.
@endforeach
@endif
@foreach (\App\Queries\Searches\SearchReport::TYPED as $key => [$item, $name])

{!! mb_strtoupper($name) !!} (item {{ $item }})
{!! ($report->notes[$key] ?? '') === '' ? 'Nothing is said yet.' : $report->notes[$key] !!}
@endforeach

RECORDS AND DUPLICATES (items 15 and 16)
{{ number_format($facts->recordsDelivered) }} records; {{ number_format($report->flow->duplicatesRemoved()) }} duplicates, {{ number_format($report->flow->duplicatesByMachine()) }} found by machine and {{ number_format($facts->joinedByPeople) }} by people; {{ number_format($facts->publications) }} publications, {{ number_format($facts->removed) }} of them removed for other reasons.
@foreach ($report->searches() as $run)

{!! mb_strtoupper($run->source_title) !!}, {{ $run->ran_at->format('j M Y') }}
{!! $run->strategy->name !!}, version {{ $run->version }}; {!! route('runs.show', [$review, $run]) !!}
@foreach ($run->lines as $line)
{{ str_pad((string) $line['number'], 3, ' ', STR_PAD_LEFT) }}  {!! $line['sent'] !== '' ? $line['sent'] : "(cannot be said in this database: {$line['text']})" !!}  [{{ $line['count'] === null ? '-' : number_format($line['count']) }}]
@endforeach
@endforeach
