@php
    $reference = $paper->reference();
    $name = $paper->called();
    $speaks = $against[$paper->id] ?? new App\Queries\Scouting\SpokenAgainst();
    $isNew = $scouting->new_since !== null && $paper->created_at->gt($scouting->new_since);
@endphp
<li class="scout-paper" id="paper-{{ $paper->id }}">
    <p class="scout-sentence serif">“{{ $paper->sentence }}” <x-sureness :confidence="$paper->confidence->value" title="{{ $paper->reason }}" /></p>
    <p class="small"><strong>
            @if ($paper->publication_id)
                <a href="{{ route('publications.show', [$review, $paper->publication_id]) }}">{{ $name }}</a>
            @else
                {{ $name }}
            @endif
        </strong> {{ $reference->suppliedTitle() }} · {{ $paper->publication_id ? 'in the library' : $sources->shortName($paper->source) }}{{ $paper->page === null ? '' : ", full text, page {$paper->page}" }} ·
        {{ $paper->design->label() }}{{ $isNew ? ' · new' : '' }}</p>
    @foreach ($further as $one)
        @php($answer = $papers->further[$paper->id][$one->id] ?? null)
        @if ($answer !== null)
            <p class="small"><span class="quiet">{{ $one->label }}</span>
                @if ($answer->value === '')
                    {{ $answer->page === null ? 'not said in the abstract' : 'not reported' }}
                @else
                    <strong>{{ Str::limit($answer->value, 160) }} {{ $answer->unit }}</strong>
                    @if ($answer->quote !== '' && $answer->quote !== $answer->value)
                        “{{ Str::limit($answer->quote, 220) }}”
                    @endif
                    <span class="quiet">{{ $answer->page === null ? 'abstract' : "page {$answer->page}" }}</span>
                    <x-sureness :confidence="$answer->confidence" title="{{ $answer->reason }}" />
                @endif
            </p>
        @endif
    @endforeach
    <details class="scout-more small">
        <summary>Abstract, reasons{{ $speaks->comments !== [] ? ', what speaks against it' : '' }}</summary>
        <p class="mt-1">{{ $reference->abstract }}</p>
        <p class="mt-1"><span class="quiet">Why it stands here:</span> {{ $paper->reason }}.</p>
        @if ($paper->amount() !== '')
            <p class="mt-1"><span class="quiet">By how much:</span> {{ $paper->amount() }}</p>
        @endif
        @foreach ($speaks->comments as $comment)
            <p class="mt-1"><span class="quiet">Speaks against it:</span> {{ $comment->paper->reference()->suppliedTitle() }}: “{{ $comment->text }}”</p>
        @endforeach
        @foreach ($speaks->contrary as $other)
            <p class="mt-1"><span class="quiet">Says otherwise ({{ $other->direction?->value }}{{ $other->amount() === '' ? '' : ", {$other->amount()}" }}):</span>
                {{ ($other->reference()->authors[0] ?? null)?->family }} {{ $other->reference()->year }}: “{{ $other->sentence }}”</p>
        @endforeach
        @if ($reference->doi !== '')
            <p class="mt-1"><span class="quiet">DOI</span> <a href="https://doi.org/{{ $reference->doi }}" rel="noreferrer">{{ $reference->doi }}</a></p>
        @endif
        @if ($maySearch)
            <form method="post" action="{{ route('scouting.paper', [$review, $scouting, $paper]) }}">@csrf @method('put')<input type="hidden" name="out"
                    value="1"><button class="link">Throw out</button></form>
        @endif
    </details>
</li>
