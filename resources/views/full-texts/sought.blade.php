@use('WaryHeron\Core\FullText\RetrievalState')
@php($link = fn(array $change): string => route('full-texts', [$review, ...array_filter([...$kept, ...$change])]))
<x-page title="Full texts" :review="$review" stage="full-texts" place="full-texts">
    @if ($stage === null)
        <div class="desk">
            <section class="sheet"><x-empty title="This review reads nothing in full yet">What is included by title and abstract comes here
                    once there is a stage for it: add <em>Full text</em> under <a href="{{ route('stages', $review) }}">Stages</a>. Its texts
                    are sought here, judged on the Reading Desk, and told apart in the flow.</x-empty></section>
        </div>
    @else
        <div class="desk desk-side desk-fixed" x-data="textsSought" x-on:dragover.prevent="enter" x-on:dragleave="leave"
            x-on:drop.prevent="dropped" x-bind:class="over ? 'drop-over' : ''">
            <section class="sheet">
                <header class="sheet-head">
                    <h1>Texts sought</h1>
                    @foreach (RetrievalState::cases() as $state)
                        <a class="small" href="{{ $link(['state' => ($kept['state'] ?? '') === $state->value ? null : $state->value]) }}"
                            @if (($kept['state'] ?? '') === $state->value) aria-current="true" @endif><strong
                                x-text="count('{{ $state->value }}')">{{ number_format($counts[$state->value]) }}</strong>
                            {{ $state->label() }}</a>
                    @endforeach
                    <span class="end">
                        <form method="get" class="line-up" action="{{ route('full-texts', $review) }}">
                            @isset($kept['state'])
                                <input type="hidden" name="state" value="{{ $kept['state'] }}">
                            @endisset
                            <label class="visually-hidden" for="only">Only those</label><select class="input" name="only"
                                id="only">
                                <option value="">all of them</option>
                                @foreach (\App\Queries\FullTexts\Retrievals::NARROW as $key => $words)
                                    <option value="{{ $key }}" @selected(($kept['only'] ?? '') === $key)>{{ $words }}</option>
                                @endforeach
                            </select>
                            <input class="input" name="words" value="{{ $kept['words'] ?? '' }}" placeholder="title, author or DOI"
                                aria-label="Title, author or DOI"><button class="button">Show</button>
                        </form>
                    </span>
                </header>
                @if ($kept !== [])
                    <p class="filter-words small"><strong>{{ number_format(array_sum($counts)) }}</strong> in all →
                        <strong>{{ number_format($total) }}</strong>
                        {{ implode(', ', array_filter([isset($kept['state'])
                            ? RetrievalState::tryFrom($kept['state'])?->label() : '',
                            \App\Queries\FullTexts\Retrievals::NARROW[$kept['only'] ?? ''] ?? '', isset($kept['words'])
                            ? "matching “{$kept['words']}”" : '', isset($kept['reason'])
                            ? "for the reason “{$kept['reason']}”" : ''])) }}
                        · <a href="{{ route('full-texts', $review) }}">show all</a></p>
                @endif
                @can('obtain', $review) @if ($total > 0)
                    <p class="section small texts-all"><label><input type="checkbox" x-bind:checked="allTicked" x-on:change="tickAll">
                            Tick all {{ number_format(min($total, \App\Queries\FullTexts\Retrievals::PER_PAGE)) }} shown</label>
                        @if ($total > \App\Queries\FullTexts\Retrievals::PER_PAGE)
                            <button type="button" class="button-plain" x-show="mayTickOthers" x-on:click="tickOthers">Tick
                                {{ $total > \App\Queries\FullTexts\Retrievals::AT_ONCE ? 'the first '
                                    . number_format(\App\Queries\FullTexts\Retrievals::AT_ONCE) : 'all '
                                    . number_format($total) }}
                                of the list</button>
                        @endif <span class="quiet" x-text="tickedWords" role="status"></span>
                    </p>
                @endif @endcan
                <div class="sheet-scroll" tabindex="0" role="region" aria-label="Texts sought">
                    @if ($total === 0)
                        <x-empty
                            title="{{ $kept === [] ? 'No text is sought yet' : 'None of them' }}">{{ $kept === []
                                ? 'What is included by title and abstract comes here.'
                                : 'No text matches what the list was narrowed down to.' }}</x-empty>
                    @endif
                    <ol class="texts">
                        <template x-for="row in shown" x-bind:key="row.id">
                            <li x-bind:aria-current="row.current" x-bind:id="row.anchor">
                                @can('obtain', $review)
                                    <input type="checkbox" x-bind:checked="row.ticked" x-on:change="tick(row.id)"
                                        x-bind:aria-label="row.tickWords" data-key="Space" data-does="Tick, for the keys to be about several">
                                @endcan
                                <button type="button" x-on:click="goTo(row.id)">
                                    <span class="texts-state" x-bind:class="row.shade" x-text="row.stateWords"></span>
                                    <span><span class="texts-title" x-text="row.title"></span><span class="small quiet"
                                            x-text="row.meta"></span><span class="small" x-show="row.about"
                                            x-text="row.about"></span></span>
                                </button>
                            </li>
                        </template>
                    </ol>
                </div>
                @if ($pages > 1)
                    <footer class="sheet-foot small">
                        @if ($page > 1)
                            <a class="button" href="{{ $link(['page' => $page - 1]) }}">Before</a>
                            @endif Page {{ $page }} of {{ $pages }} @if ($page < $pages)
                                <a class="button" href="{{ $link(['page' => $page + 1]) }}">After</a>
                            @endif
                    </footer>
                @endif
            </section>
            <section class="sheet sheet-scroll" aria-label="The text at hand">
                <p class="unsent" x-show="said" x-cloak x-text="said" role="alert"></p>
                <div x-show="hasRow" x-cloak>
                    <div class="section">
                        <h2 class="serif" x-text="title"></h2>
                        <p class="small quiet mt-1" x-text="meta"></p>
                        <p class="small mt-1" x-show="doi"><span class="quiet">DOI</span> <span class="mono" x-text="doi"></span></p>
                        <p class="small mt-1"><a x-bind:href="publication">Its records and history</a> @can('screen', $review)
                                <span x-show="canRead">· <a x-bind:href="read">Read and judge it</a></span>
                            @endcan
                        </p>
                    </div>
                    <div class="section">
                        <h3>Standing</h3>
                        <p><strong x-text="standing"></strong> <span class="quiet small" x-text="since"></span></p>
                        <p class="small" x-show="reason" x-text="reason"></p>
                        <p class="small quiet" x-show="locker" x-text="locker"></p>
                        @can('obtain', $review)
                            <div class="texts-keys mt-2">
                                <button type="button" class="button" x-on:click="ask('requested')" data-key="R"
                                    data-does="Requested, from whom">Requested <kbd>R</kbd></button>
                                <button type="button" class="button" x-on:click="ask('obtained')" data-key="O"
                                    data-does="Obtained, kept elsewhere">Obtained <kbd>O</kbd></button>
                                <button type="button" class="button" x-on:click="ask('not-retrievable')" data-key="X"
                                    data-does="Not retrievable, and why">Not retrievable <kbd>X</kbd></button>
                                <button type="button" class="button" x-on:click="ask('sought')" data-key="S"
                                    data-does="Sought again">Sought <kbd>S</kbd></button>
                                <button type="button" class="button" x-on:click="undo" x-bind:disabled="cannotUndo" data-key="Z"
                                    data-does="Undo">Undo <kbd>Z</kbd></button>
                            </div>
                            <form class="mt-2" x-show="asking" x-on:submit.prevent="save">
                                <label class="field-label" for="reason" x-text="reasonLabel"></label>
                                <input class="input" id="reason" maxlength="300" x-model="newReason" x-ref="reason" list="reasons"
                                    autocomplete="off">
                                <datalist id="reasons">
                                    <option>from the author</option>
                                    <option>through the library</option>
                                    <option>no copy in any library</option>
                                    <option>withdrawn by the publisher</option>
                                    <option>author did not answer</option>
                                    <option>a printed copy</option>
                                </datalist>
                                <label class="field-label mt-1" for="dated">On</label> <input class="input" type="date"
                                    id="dated" x-model="dated" x-bind:max="today">
                                <p class="mt-2"><button class="button button-go">Keep <kbd>Enter</kbd></button> <button type="button"
                                        class="button button-plain" x-on:click="forget">Leave <kbd>Esc</kbd></button></p>
                            </form>
                        @endcan
                    </div>
                    <div class="section">
                        <h3>Copies</h3>
                        <p class="small quiet" x-show="noCopies">None here yet. Drop its PDF anywhere on this page.</p>
                        <ul><template x-for="copy in copies" x-bind:key="copy.id">
                                <li class="small"><a x-bind:href="copy.url" x-text="copy.name"></a> <span class="quiet"
                                        x-text="copy.words"></span> <a x-show="copy.isOlder" x-bind:href="copy.evidence">replaced: its
                                        evidence</a> @can('obtain', $review)
                                        <button type="button" class="button button-plain" x-show="copy.mayBeBetter" x-on:click="better(copy.id)">Better
                                            than the other</button>
                                        <button type="button" class="button button-plain" x-on:click="takeOff(copy.id)">Not a copy of
                                            this</button>
                                    @endcan
                                </li>
                            </template></ul>
                        @can('obtain', $review)
                            <label class="small mt-2 block"><span class="field-label">Its PDF, chosen by hand <kbd>U</kbd></span><input
                                    class="small w-full" type="file" accept="application/pdf,.pdf" x-ref="own"
                                    x-on:change="ownChosen" data-key="U" data-does="Choose the PDF of this one"></label>
                        @endcan
                    </div>
                </div>
                @can('obtain', $review)
                    <div class="section">
                        <h3>Bring many</h3>
                        <p class="small">Drop PDFs anywhere on this page: each is put to the publication whose DOI or title stands on its
                            first pages.</p>
                        <label class="small mt-1 block"><span class="visually-hidden">PDFs</span><input class="small w-full" type="file"
                                accept="application/pdf,.pdf" multiple x-ref="many" x-on:change="manyChosen"></label>
                        <ul class="mt-1" aria-live="polite"><template x-for="file in files" x-bind:key="file.id">
                                <li class="small"><strong x-text="file.name"></strong> <span x-text="file.words"></span></li>
                            </template></ul>
                        <p class="small mt-1" x-show="someUnassigned"><a href="{{ route('full-texts.unassigned', $review) }}"><span
                                    x-text="unassignedWords"></span></a></p>
                        @if ($shelf !== [])
                            <form method="post" action="{{ route('full-texts.shelf', $review) }}" class="mt-2">@csrf
                                <button class="button">Bring {{ count($shelf) }} from my shelf</button>
                                <details class="small mt-1">
                                    <summary>You brought {{ count($shelf) === 1 ? 'it' : 'them' }} to another review; here the team will see
                                        {{ count($shelf) === 1 ? 'it' : 'them' }}.</summary>
                                    <ul>
                                        @foreach ($shelf as $one)
                                            <li><bdi>{{ $one->title }}</bdi> <span class="quiet">{{ $one->name }}</span></li>
                                        @endforeach
                                    </ul>
                                </details>
                            </form>
                        @endif
                        <form method="post" action="{{ route('retrievals.locker', $review) }}" class="mt-2">@csrf <button
                                class="button">Ask the locker for all with a DOI</button></form>
                    </div>
                @endcan
            </section>
        </div>
        <script type="application/json" id="texts-data">{!! json_encode([...$list, 'counts' => $counts,
            'unassigned' => $unassigned],
            JSON_HEX_TAG | JSON_HEX_AMP | JSON_HEX_APOS | JSON_HEX_QUOT | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR) !!}</script>
    @endif
</x-page>
