@php
    $asked = $page->criteria()->firstWhere('id', $criterion);
    $papers = $page->papers($only, $asked === null ? '' : $criterion, $answer, $shown + 1);
    $answers = $page->answers($papers);
    $inUse = $page->criteriaInUse();
    $marks = ['yes' => 'include', 'no' => 'exclude', 'unclear' => 'unsure'];
@endphp
<p class="draft-filter small">
    @foreach ([
        '' => 'All ' . number_format($counts->read),
        'in' => number_format($counts->in) . ' that fit',
        'out' => number_format($counts->read - $counts->in) . ' that do not',
    ] as $key => $name)
        <a href="{{ $to('papers', array_filter(['only' => $key])) }}" @if ($only === $key && $asked === null) aria-current="true" @endif>{{ $name }}</a>
    @endforeach
    @if ($asked)
        <a class="table-filter" href="{{ $to('papers') }}">{{ $asked->asked()->asks() }} {{ $answer }} <span aria-hidden="true">×</span></a>
    @endif
</p>
@forelse ($papers->take($shown) as $paper)
    @php($isIn = (bool) $paper->getAttribute('is_in'))
    <article class="draft-paper" id="paper-{{ $paper->id }}">
        <x-mark :verdict="$isIn ? 'include' : 'exclude'" :label="$isIn ? 'fits' : 'does not fit'" />
        <div>
            <h2 class="serif">{{ $paper->reference()->suppliedTitle() }}</h2>
            <p class="small"><strong>{{ $paper->called() }}</strong> ·
                {{ $paper->publication_id ? 'in the library' : $sources->shortName($paper->source) }}
                {{ $paper->getAttribute('ruling') === null ? '' : '· ' . ($isIn ? 'put in' : 'taken out') . ' by a person' }}
                {{ $paper->getAttribute('read_copy') === null ? '' : '· read in full' }}
                {{ $paper->getAttribute('taken_at') === null ? '' : '· taken over' }}
            </p>
            <details class="small">
                <summary class="draft-answers">
                    @foreach ($inUse as $one)
                        @php($is = $answers[$paper->id][$one->id] ?? null)
                        @if ($is)
                            <span><x-mark :verdict="$marks[$is->ruling ?? $is->answer]" label="" /> {{ $one->kind->hasWords() ? $one->words : 'own findings' }}
                                <span class="quiet">{{ $is->ruling ?? $is->answer }}</span></span>
                        @endif
                    @endforeach
                </summary>
                @foreach ($inUse as $one)
                    @php($is = $answers[$paper->id][$one->id] ?? null)
                    @if ($is)
                        <div class="draft-answer">
                            <p><strong>{{ $one->asked()->asks() }}</strong> {{ Str::ucfirst($is->answer) }} <x-sureness :confidence="$is->confidence" />
                                <span class="quiet">{{ $is->reason }}</span></p>
                            @if ($is->quote !== '')
                                <p class="serif">“{{ Str::limit($is->quote, 400) }}”
                                    <span class="quiet">{{ $is->page === null ? 'title or abstract' : "page {$is->page}" }}</span></p>
                            @endif
                            @if ($mayChange)
                                <form method="post" action="{{ route('drafts.answer', [$review, $draft, $one, $paper]) }}" class="draft-line">
                                    @csrf @method('put')
                                    <label for="a-{{ $one->id }}-{{ $paper->id }}">You say</label>
                                    <select class="input" id="a-{{ $one->id }}-{{ $paper->id }}" name="answer">
                                        <option value="">as the machine</option>
                                        @foreach (['yes', 'no', 'unclear'] as $may)
                                            <option value="{{ $may }}" @selected($is->ruling === $may)>{{ $may }}</option>
                                        @endforeach
                                    </select>
                                    <button class="button">Keep</button>
                                </form>
                            @endif
                        </div>
                    @endif
                @endforeach
            </details>
            @if ($mayAddPdf && $isIn && $paper->publication_id && $paper->getAttribute('read_copy') === null)
                @include('drafting.pdf')
            @endif
        </div>
        @if ($mayChange)
            <form method="post" action="{{ route('drafts.paper', [$review, $draft, $paper]) }}" class="draft-do">@csrf @method('put')
                @if ($paper->getAttribute('ruling') !== null)
                    <button class="button" name="ruling" value="">As the criteria say</button>
                @else
                    <button class="button" name="ruling" value="{{ $isIn ? 'out' : 'in' }}">{{ $isIn ? 'Take out' : 'Put in' }}</button>
                @endif
            </form>
        @endif
    </article>
@empty
    <x-empty title="No paper here">{{ $counts->read === 0 ? 'None has been read yet.' : 'No paper is left by what you chose above.' }}</x-empty>
@endforelse
<footer class="scout-foot">
    @if ($papers->count() > $shown)
        @php($more = array_filter(['only' => $only, 'criterion' => $criterion, 'answer' => $answer, 'shown' => $shown + $page::SHOWN]))
        <a class="button" href="{{ $to('papers', $more) }}">Show more</a>
    @endif
    @if ($waiting->papers > 0 && Gate::allows('deliver', $review))
        <form method="post" action="{{ route('drafts.papers.take', [$review, $draft]) }}">@csrf
            <button class="button button-go">Take over the next {{ min(10, $waiting->papers) }} that fit</button>
        </form>
    @endif
</footer>
