<x-page :title="$publication->title" :review="$review" stage="records" place="library">
    <div class="desk desk-side">
        <div class="grid gap-3">
            <section class="sheet">
                <article class="reading">
                    <h1>{{ $publication->title }}</h1>
                    <p class="meta">
                        {{ implode(' · ', array_filter([$publication->authors, $publication->journal,
                            $publication->year, $publication->place, $publication->doi === '' ? ''
                            : "doi {$publication->doi}"])) }}
                    </p>
                    <x-abstract :parts="$abstract" />
                </article>
            </section>
            <section class="sheet" id="values">
                <header class="sheet-head">
                    <h2>What is shown, and from where</h2> <span>the best of each record by stated rules; choose another value, or write
                        one</span>
                </header>
                <table class="table small">
                    <tbody>
                        @foreach ($shown as $one)
                            <tr>
                                <th scope="row">{{ $one->label }}<br><span class="quiet font-normal">{{ $one->rule }}</span></th>
                                <td>{{ Str::limit($one->value, 240) ?: '—' }}<br><span class="quiet">{{ $one->from }}</span></td>
                                <td>
                                    @can('deliver', $review)
                                        <x-menu label="Change" class="button-plain">
                                            @foreach ($one->others as $other)
                                                <form method="post" action="{{ route('publications.mend', [$review, $publication]) }}">@csrf
                                                    <input type="hidden" name="field" value="{{ $one->field }}"><input type="hidden"
                                                        name="value" value="{{ $other->value }}"><button
                                                        class="button-plain text-left">{{ Str::limit($other->value, 120) }} <span
                                                            class="quiet">{{ $other->source }}</span></button></form>
                                            @endforeach
                                            <form method="post" action="{{ route('publications.mend', [$review, $publication]) }}">@csrf
                                                <input type="hidden" name="field" value="{{ $one->field }}">
                                                <textarea class="input" name="value" rows="{{ $one->field === 'abstract'
                                                    ? 6
                                                    : 2 }}" aria-label="{{ $one->label }}">{{ $one->value }}</textarea>
                                                <div class="row"><button class="button">Show this</button>
                                                    @if ($one->chosen)
                                                        <button class="button" name="back" value="1">Let the rules decide</button>
                                                    @endif
                                                </div>
                                            </form>
                                        </x-menu>
                                    @endcan
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </section>
            <section class="sheet">
                <header class="sheet-head">
                    <h2>{{ $records->count() }} {{ $records->count() === 1 ? 'record' : 'records' }}</h2> <span>as the sources delivered
                        them; nothing is changed in them</span>
                </header>
                @foreach ($records as $record)
                    @php($reference = $references[$record->id])
                    <div class="section">
                        <p><a
                                href="{{ route('deliveries.show', [$review, $record->delivery]) }}">{{ $record->delivery->source_name }}</a>,
                            record
                            {{ number_format($record->position) }}{{ $record->delivery->file_name
                                ? " of {$record->delivery->file_name}, line " . number_format($record->line)
                                : '' }}{{ $reference->accession !== '' ? " · {$reference->accession}" : '' }}
                        </p>
                        <p class="serif">{{ $reference->title }}</p>
                        <p class="small quiet">{{ implode(', ', array_map(fn($n) => $n->short(), $reference->authors)) }} ·
                            {{ $reference->journal }} · {{ $reference->year }} ·
                            {{ $reference->place() }}{{ $reference->doi !== '' ? " · {$reference->doi}" : '' }}</p>
                        <details class="mt-1">
                            <summary class="small cursor-pointer">As delivered</summary>
                            <pre class="mt-1 overflow-auto whitespace-pre-wrap"><code>{{ $record->source }}</code></pre>
                        </details>
                        @can('deliver', $review)
                            @if ($record->separated_at)
                                <form method="post" action="{{ route('records.rejoin', [$review, $record]) }}">@csrf <button
                                        class="button button-plain">Put it back where it was</button></form>
                            @elseif ($records->count() > 1)
                                <form method="post" action="{{ route('records.separate', [$review, $record]) }}">@csrf <button
                                        class="button button-plain">This is another publication: separate it</button></form>
                            @endif
                        @endcan
                    </div>
                @endforeach
            </section>
        </div>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Where it stands</h2>
            </header>
            @if ($publication->removed_at)
                <div class="section">
                    <p>Removed from the review</p>
                    <p class="small quiet">{{ $publication->removed_for }}, {{ $publication->removed_at->format('j M Y') }}</p>
                    @can('deliver', $review)
                        <form method="post" action="{{ route('library.restore', $review) }}">@csrf <input type="hidden" name="ids[]"
                                value="{{ $publication->id }}"><button class="button">Bring it back</button></form>
                    @endcan
                </div>
            @endif
            @forelse ($items as $item)
                <div class="section">
                    <h3>{{ $item->stage->name }}</h3>
                    <p><x-mark :verdict="$item->state->value" label="" />
                        {{ ['waiting' => 'Not open yet', 'awaited' => $item->stage->after_titles
                            ? 'Its title has not been included yet' : 'Its text is not at hand yet',
                            'disagreement' => 'In disagreement', 'included' => 'Included', 'excluded' => 'Excluded',
                            'removed' => 'No longer judged',
                            'folded' => 'Found to be another publication'][$item->state->value] }}{{ $item->settled
                            ? ', settled' : '' }}
                    </p>
                    @if ($item->criterion)
                        <p class="small quiet">{{ $item->criterion->reason }}</p>
                    @endif
                    @if ($item->state->isOpen())
                        @can('screen', $review)
                            <p class="small"><a href="{{ route('disagreements.show', [$review, $item]) }}">Both sides and Talk</a></p>
                        @endcan
                    @endif
                    @can('screen', $review)
                        @if ($item->state->value === 'waiting')
                            <p class="small"><a href="{{ route('desk.show', [$review, $item]) }}">Judge it at the Reading Desk</a></p>
                        @endif
                    @endcan
                    @if ($item->state->value === 'included' && $item->stage_id === $review->lastStage()->id)
                        <p class="small"><a href="{{ route('coding.show', [$review, $publication]) }}">Code it</a></p>
                    @endif
                    @foreach ($sides[$item->id] ?? [] as $side)
                        <p class="mt-1"><x-mark :verdict="$side->verdict" label="" /> {{ $side->name }}:
                            {{ $side->verdict }}{{ $side->reason ? ", {$side->reason}" : '' }}@if ($side->note !== '')
                                <br><span class="serif small">{{ $side->note }}</span>
                            @endif
                        </p>
                    @endforeach
                </div>
                @empty
                    <p class="section small quiet">Not screened.</p>
                @endforelse
                @if ($items->contains(fn($item) => !$item->state->isOpen()))
                    <p class="section small quiet">Decisions are shown when the item opens; your own always.</p>
                @endif
                @if ($retrieval)
                    <div class="section">
                        <h3>Its text</h3>
                        <p><a
                                href="{{ route('full-texts', [$review, 'words' => $publication->doi !== ''
                                    ? $publication->doi
                                    : $publication->title]) }}">{{ ucfirst($retrieval->stateWords) }}</a>
                            <span
                                class="small quiet">{{ implode(', ', array_filter([$retrieval->reason, $retrieval->datedWords])) }}</span>
                        </p>
                        @foreach ($retrieval->copies as $copy)
                            <p class="small"><a href="{{ $copy->url }}">{{ $copy->name }}</a> <span
                                    class="quiet">{{ $copy->about }}</span></p>
                        @endforeach
                        @if ($retrieval->study !== '')
                            <p class="small">A report of the study <a href="{{ route('studies', $review) }}">{{ $retrieval->study }}</a>
                            </p>
                        @endif
                    </div>
                @endif
                @if ($uses !== [])
                    <div class="section" id="uses">
                        <h3>Where it is used</h3>
                        <x-uses :uses="$uses" />
                    </div>
                @endif
                <div class="section">
                    <h3>History</h3>
                    @forelse ($history as $entry)
                        <p class="small">{{ $entry->created_at->format('j M Y') }} {{ $entry->user?->name ?? 'Wary Heron' }}:
                        {{ Str::limit($entry->summary, 110) }}</p> @empty <p class="small quiet">Nothing but its delivery.</p>
                    @endforelse
                </div>
            </section>
        </div>
    </x-page>
