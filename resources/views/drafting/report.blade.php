@php
    $cited = $page->cited();
    $mayWrite = Gate::allows('write', $review);
    $leads = $page->standing->leads();
    $close = $page->papers('close');
    $inUse = $page->itemsInUse();
@endphp
@forelse ($page->sections() as $section)
    <section class="draft-section" id="section-{{ $section->key }}" aria-labelledby="title-{{ $section->key }}">
        <header>
            <h2 id="title-{{ $section->key }}">{{ $section->title }}</h2>
            @if ($section->taken)
                <span class="small quiet">taken over</span>
            @endif
            @if ($mayWrite && $hasReport)
                <a class="button"
                    href="{{ route('report.text', $review) }}#draft-{{ $draft->id }}-{{ $section->key }}">{{ $section->taken ? 'Take over again' : 'Take over into the report' }}</a>
            @endif
        </header>
        @if ($section->before !== '')
            <details class="small draft-before">
                <summary>Written anew. What it said before</summary>
                <p>{!! nl2br(e($section->before)) !!}</p>
            </details>
        @endif
        @foreach ($section->paragraphs as $paragraph)
            @if ($paragraph['heading'])
                <h3>{{ $paragraph['pieces'][0]['text'] }}</h3>
            @else
                @php($at = "{$section->key}-{$loop->index}")
                <div x-data="{ open: '' }">
                    {{-- at the beginning of the line, so that no blank comes between words and a full stop --}}
                    <p class="serif draft-words">@foreach ($paragraph['pieces'] as $n => $piece)
@if ($piece['papers'] === []){{ $piece['text'] }}@else<a href="#quotes-{{ $at }}-{{ $n }}" role="button" class="draft-claim"
                        x-on:click.prevent="open = open === '{{ $n }}' ? '' : '{{ $n }}'" x-bind:aria-expanded="open === '{{ $n }}'"
                        title="Rests on {{ count($piece['papers']) }} {{ Str::plural('paper', count($piece['papers'])) }}">{{ $piece['text'] }}</a>@endif
@endforeach
                    </p>
                    @foreach ($paragraph['pieces'] as $n => $piece)
                        @if ($piece['papers'] !== [])
                            <ul class="draft-quotes small" id="quotes-{{ $at }}-{{ $n }}" x-show="open === '{{ $n }}'" x-cloak>
                                @foreach ($piece['papers'] as $id)
                                    @isset($cited[$id])
                                        <li><strong>{{ $cited[$id]->called() }}</strong> “{{ $cited[$id]->sentence }}”
                                            <span class="quiet">{{ $cited[$id]->page === null ? 'abstract' : "full text, page {$cited[$id]->page}" }}</span>
                                            <x-sureness :confidence="$cited[$id]->confidence->value" title="{{ $cited[$id]->reason }}" />
                                            <a href="{{ $to('papers', ['only' => 'in', 'shown' => 300]) }}#paper-{{ $id }}">Why it fits</a></li>
                                    @endisset
                                @endforeach
                            </ul>
                        @endif
                    @endforeach
                </div>
            @endif
        @endforeach
    </section>
@empty
    <x-empty title="Not written yet">The text is written from what the papers say, once they have been read. You can leave; a mail and a notice say
        when it is there.</x-empty>
@endforelse
@if ($page->sections() !== [])
    <section class="draft-section" aria-labelledby="title-studies">
        <header>
            <h2 id="title-studies">The papers that were read closely</h2>
        </header>
        @include('drafting.table')
    </section>
    <section class="draft-section">
        <header>
            <h2>References</h2>
        </header>
        <ol class="small draft-references">
            @foreach ($page->papers('in') as $paper)
                @php($reference = $paper->reference())
                <li>{{ implode(', ', array_map(fn($name) => $name->short(), $reference->authors)) }} ({{ $reference->year ?? 'no year' }}).
                    {{ $reference->suppliedTitle() }}. {{ $reference->appearedIn() }}.
                    @if ($reference->doi !== '')
                        <a href="https://doi.org/{{ $reference->doi }}" rel="noreferrer">{{ $reference->doi }}</a>
                    @endif
                </li>
            @endforeach
        </ol>
        <p class="small quiet sheet-body">Taken over, the papers become records of the review and are cited from there.</p>
    </section>
    @unless ($hasReport)
        <p class="sheet-body small quiet">Sections can be taken over once <a href="{{ route('report.text', $review) }}">the report</a> has been begun.</p>
    @endunless
@endif
