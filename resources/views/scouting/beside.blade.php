@use('App\Actions\Drafting\StartDraft')
@use('WaryHeron\Core\Scouting\Reading\StudyKind')
@php
    $pattern = $papers->pattern();
    $kinds = array_values(array_filter(StudyKind::cases(), fn($kind) => collect($pattern)->contains(fn($row) => isset($row[$kind->value]))));
    $named = $papers->named();
    // the longest row fills the sheet, and few papers are not blown up
    $scale = min(9, 140 / max([1, ...array_map(array_sum(...), $pattern)]));
    $on = $terms->with([]);
@endphp
<aside class="sheet scout-beside" aria-label="Beside the answers">
    @if ($pattern !== [])
        <section>
            <h2>What they say together</h2>
            @foreach ($papers->told() as $told)
                <p>
                    @if ($told->leads())
                        <a
                            href="{{ $to(['direction' => array_key_first($told->says), 'kind' => $told->kind->value, 'shown' => null]) }}">{{ max($told->says) }}</a>
                        of
                    @endif
                    <a href="{{ $to(['direction' => null, 'kind' => $told->kind->value, 'shown' => null]) }}">{{ $told->of }}
                        {{ $told->of === 1 ? $told->kind->label() : $told->kind->plural() }}</a>:
                    @if ($told->leads())
                        {{ array_key_first($told->says) }}
                    @else
                        @foreach ($told->says as $says => $count)
                            <a href="{{ $to(['direction' => $says, 'kind' => $told->kind->value, 'shown' => null]) }}">{{ $count }}</a>
                            {{ $says }}{{ $loop->last ? '' : ',' }}
                        @endforeach
                    @endif
                </p>
            @endforeach
            <table class="scout-pattern">
                <caption class="visually-hidden">Papers by what they say and kind of study</caption>
                @foreach ($pattern as $says => $row)
                    <tr>
                        <th scope="row">{{ $says }}</th>
                        <td class="number">{{ array_sum($row) }}</td>
                        <td>
                            @foreach ($kinds as $kind)
                                @if (isset($row[$kind->value]))
                                    <a href="{{ $to(['direction' => $says, 'kind' => $kind->value, 'shown' => null]) }}"
                                        aria-label="{{ $row[$kind->value] }} {{ $row[$kind->value] === 1 ? $kind->label() : $kind->plural() }}: {{ $says }}"
                                        title="{{ $row[$kind->value] }} {{ $row[$kind->value] === 1 ? $kind->label() : $kind->plural() }}">
                                        <svg width="{{ round($row[$kind->value] * $scale + 2, 1) }}" height="12" aria-hidden="true">
                                            <rect x="1" y="1.500" width="{{ round(max(1.5, $row[$kind->value] * $scale - 1), 1) }}" height="9"
                                                stroke="currentColor" stroke-width="1.200" fill="{{ $kind === StudyKind::Trial ? 'currentColor' : 'none' }}"
                                                @if (!in_array($kind, [StudyKind::Trial, StudyKind::Observational], true)) stroke-dasharray="1.500 1.500" @endif />
                                        </svg></a>
                                @endif
                            @endforeach
                        </td>
                    </tr>
                @endforeach
            </table>
            <p class="quiet">filled: trials · open: observational · dotted: others</p>
        </section>
    @endif
    @if ($papers->answering->isNotEmpty() && !$isUnderWay)
        <section>
            <h2>Asked more sharply</h2>
            <div x-data="later" data-url="{{ route('scouting.sharper', [$review, $scouting], false) }}" aria-live="polite" aria-busy="true">
                <p class="quiet" x-show="waiting">Counting …</p>
                <p class="says-warn" x-show="failed" x-cloak x-text="failed"></p>
            </div>
        </section>
    @endif
    @if ($papers->answering->isNotEmpty())
        <section>
            <h2>Instruments they name</h2>
            @forelse ($named as $thing)
                <details>
                    <summary>{{ $thing->name }} <span class="quiet">{{ count($thing->ids) }}</span></summary>
                    @if ($thing->definition !== '')
                        <p>“{{ $thing->definition }}”</p>
                    @endif
                    @foreach ($thing->variants as $i => $variant)
                        <p class="quiet">also “{{ $variant }}”: {{ $thing->joined[$i] }}</p>
                    @endforeach
                </details>
            @empty
                <p class="quiet">none by its name</p>
            @endforelse
            <p>All of the
                @foreach (\WaryHeron\Core\Scouting\Named\NameKind::cases() as $kind)
                    {{ $loop->first ? '' : '· ' }}<a href="{{ route('scouting.things', [$review, $scouting, $kind->value]) }}">{{ $kind->label() }}</a>
                @endforeach
                they name
            </p>
        </section>
    @endif
    @if ($further->isNotEmpty())
        <section>
            <h2>Asked of them</h2>
            @foreach ($further as $one)
                @php($said = collect($papers->further)->filter(fn($of) => ($of[$one->id]->value ?? '') !== '')->count())
                <div class="scout-out">{{ $one->label }} <span class="quiet">{{ $said }} say{{ $one->only_of === null ? '' : ', of ' . count($one->only_of) . ' asked' }}</span>
                    @can($one->code_id === null ? 'manage' : 'code', $review)
                        <form method="post" action="{{ route('scouting.further.codebook', [$review, $scouting, $one]) }}">@csrf<button
                                class="link">{{ $one->code_id === null ? 'Into the codebook' : 'Leads from the included' }}</button></form>
                    @endcan
                    @if ($maySearch)
                        @if ($one->only_of !== null)
                            <form method="post" action="{{ route('scouting.further.all', [$review, $scouting, $one]) }}">@csrf<button class="link">Ask the
                                    others too</button></form>
                        @endif
                        <form method="post" action="{{ route('scouting.further.back', [$review, $scouting, $one]) }}">@csrf @method('delete')<button
                                class="link" aria-label="Take back: {{ $one->label }}">Take back</button></form>
                    @endif
                </div>
            @endforeach
        </section>
    @endif
    @if ($draft)
        <section>
            <h2>A first draft</h2>
            <p><a href="{{ route('drafts.show', [$review, $draft]) }}">The review drafted from these papers</a></p>
        </section>
    @elseif ($maySearch)
        <section>
            <h2>A first draft</h2>
            <form method="post" action="{{ route('drafts.start', [$review, $scouting]) }}" class="draft-more">@csrf
                <label>By title and abstract <select class="input" name="depth">
                        @foreach (StartDraft::DEPTHS as $depth)
                            <option value="{{ $depth }}" @selected($depth === StartDraft::DEPTH)>{{ $depth }} papers</option>
                        @endforeach
                    </select></label>
                <label>Closely, of those that fit <select class="input" name="in_full">
                        @foreach (StartDraft::IN_FULL as $depth)
                            <option value="{{ $depth }}" @selected($depth === StartDraft::DEPTH_IN_FULL)>{{ $depth }} papers</option>
                        @endforeach
                    </select></label>
                <button class="button">Draft a review from them</button>
            </form>
            <p class="small quiet">A proposal beside the review: criteria, answers, codes and a text, each with its quotes. Usually there
                within a minute.</p>
        </section>
    @endif
    <section>
        <h2>From here</h2>
        @if ($maySearch && $papers->shown()->isNotEmpty())
            <form method="post" action="{{ route('scouting.known', [$review, $scouting, ...$on]) }}">@csrf<button class="link">Keep the
                    {{ $papers->shown()->count() }} shown as known items</button></form>
            <form method="post" action="{{ route('searches.store', $review) }}">@csrf
                <input type="hidden" name="name" value="{{ Str::limit($scouting->question, 110, '') }}">
                @foreach ($scouting->sources as $source)
                    <input type="hidden" name="sources[]" value="{{ $source }}">
                @endforeach
                @foreach ($concepts as $i => $concept)
                    <input type="hidden" name="blocks[{{ $i }}][name]" value="{{ $concept->name }}">
                    <input type="hidden" name="blocks[{{ $i }}][terms]" value="{{ implode("\n", $concept->terms) }}">
                @endforeach
                <button class="link">Its words into a strategy</button>
            </form>
            @can('deliver', $review)
                <form method="post" action="{{ route('scouting.deliver', [$review, $scouting, ...$on]) }}">@csrf<button class="link">Those not in the library
                        as a delivery</button></form>
            @endcan
        @endif
        @if ($papers->answering->isNotEmpty())
            <p>Take them along:
                @foreach (['csv', 'xlsx', 'ris', 'bibtex'] as $format)
                    {{ $loop->first ? '' : '· ' }}<a
                        href="{{ route('scouting.download', [$review, $scouting, $format, ...$on]) }}">{{ ['bibtex' => 'BibTeX'][$format] ?? strtoupper($format) }}</a>
                @endforeach
            </p>
        @endif
        @if ($maySearch && $papers->answering->isNotEmpty())
            <x-table-recipes :recipes="$recipes" :fields="$recipeFields" what="papers" :keep="route('scouting.recipes', [$review, $scouting, ...$on])"
                :take="fn($recipe) => route('scouting.recipes.export', [$review, $scouting, $recipe, ...$on])"
                :drop="fn($recipe) => route('scouting.recipes.destroy', [$review, $recipe])" />
        @endif
        @if ($maySearch && !$isUnderWay)
            <form method="post" action="{{ route('scouting.again', [$review, $scouting]) }}">@csrf<button class="link">Ask again: what is new?</button></form>
            <form method="post" action="{{ route('scouting.again', [$review, $scouting]) }}">@csrf<input type="hidden" name="deeper" value="1"><button
                    class="link">Read {{ \App\Actions\Scouting\AskPlainly::DEPTH }} more records of each</button></form>
        @endif
        <p class="quiet">{{ collect($scouting->found)->map(fn($n, $key) => number_format($n) . ' in ' . ($key === 'library' ? 'the library' : $sources->shortName($key)))->join(', ', ' and ') }}
            share its words; {{ number_format($scouting->depth) }} of each are read at most.</p>
        <p><a href="{{ route('scouting', $review) }}">Ask another question</a></p>
    </section>
</aside>
