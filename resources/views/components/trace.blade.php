{{-- From a number back to the words it rests on, the decision that took the study in, and the search that found it. --}}
@props(['review', 'row', 'trace', 'pooled'])
@use('App\Queries\Synthesis\Shown')
<header class="sheet-head">
    <h2>Where {{ $row->label }} comes from</h2>
</header>
@foreach ($trace->numbers($pooled->reported->results, $pooled->outcome) as $traced)
    @php($result = $traced->result)
    <div class="section">
        <h3>The numbers</h3>
        <p class="small quiet">{{ $result->form->label() }}{{ $result->scale !== '' ? ", {$result->scale}" : '' }}{{ $result->days !== null ? ", day {$result->days}" : '' }};
            taken by {{ $result->user->name }}, {{ $result->created_at->format('j M Y') }}</p>
        <dl class="facts">
            @foreach ($traced->numbers as $number)
                <dt>{{ $number->label }}</dt>
                <dd class="number">{{ $number->given }}</dd>
            @endforeach
        </dl>
        @foreach ($traced->reckoned->steps as $step)
            <p class="small">{{ $step->what }}: {{ $step->formula }}{{ $step->result !== '' ? " = {$step->result}" : '' }}
                {{ $step->source !== '' ? "({$step->source})" : '' }}</p>
        @endforeach
        @foreach ($traced->reckoned->checks as $check)
            <p class="small waits-words">{{ $check }}</p>
        @endforeach
    </div>
    <div class="section">
        <h3>The words they rest on</h3>
        @forelse ($traced->words() as $piece)
            <blockquote class="evidence-strip"><span class="serif">“{{ $piece->selector->quote }}”</span> <span
                    class="small quiet">{{ $piece->whereabouts() }}</span></blockquote>
        @empty
            <p class="quiet">No words are marked as their evidence.</p>
        @endforelse
        <p><a href="{{ route('coding.show', [$review, $result->publication_id]) }}#result-{{ $result->row_id }}">Open the paper there</a></p>
    </div>
@endforeach
<div class="section">
    <h3>Why the study is in</h3>
    @foreach ($trace->inclusions() as $one)
        <p>Included at {{ Str::lower($one->name) }}{{ $one->opened_at ? ', ' . \Carbon\CarbonImmutable::parse($one->opened_at)->format('j M Y') : '' }}</p>
    @endforeach
    <p class="small"><a href="{{ route('publications.show', [$review, $row->publication]) }}">The publication and its history</a></p>
</div>
<div class="section">
    <h3>How it was found</h3>
    @foreach ($trace->records() as $record)
        <p>{{ $record->source_name }}{{ $record->searched_on ? ', ' . \Carbon\CarbonImmutable::parse($record->searched_on)->format('j M Y') : '' }}@if ($record->run_id)
                : <a href="{{ route('runs.show', [$review, $record->run_id]) }}">line #{{ $record->last_number }}</a> <code
                    class="small">{{ Str::limit((string) $record->last_line, 90) }}</code>
            @else
                : <a href="{{ route('deliveries.show', [$review, $record->delivery_id]) }}">delivery</a>{{ $record->line ? ", line {$record->line}" : '' }}
            @endif
        </p>
    @endforeach
</div>
<div class="section">
    <h3>Where it is used</h3>
    <x-uses :uses="$trace->uses()" />
</div>
