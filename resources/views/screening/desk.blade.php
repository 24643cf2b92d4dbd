@php($byTitle = $stage->purpose === \WaryHeron\Core\Screening\StagePurpose::Titles)
@php($link = fn(array $change): string => route('desk', [$review, ...array_filter(['stage' => $stage->id, ...$kept,
    'layout' => $listed ? 'list' : null, ...$change], fn($v) => $v !== null && $v !== '')]))
<x-page title="Reading Desk" :review="$review" :stage="$inFull ? 'full-texts' : 'screening'" :place="$inFull ? 'full-texts.read' : 'desk'">
    <div class="desk desk-three desk-fixed" x-data="readingDesk">
        <section class="sheet">
            <header class="sheet-head">
                <h2>{{ $stage->name }}</h2> <span><a href="{{ route('mine', [$review, 'stage' => $stage->id]) }}"><span
                            x-text="done">{{ number_format($counts->done) }}</span> judged by me</a></span>
            </header>
            <x-stages :review="$review" :stage="$stage" to="desk" />
            <p class="filter-words small">
                @foreach ($steps as $step)
                    {{ $loop->first ? '' : '→' }} <strong
                        @if ($step->key === null && !$loop->first) x-text="left" @endif>{{ number_format($step->count) }}</strong>
                    {{ $step->words }}
                    @if ($step->key)
                        <a href="{{ $link([$step->key => null]) }}" aria-label="Take off: {{ $step->words }}">take off</a>
                    @endif
                @endforeach
                <br>{{ $stage->work === 'queue' ? 'from the common queue, ' : '' }}{{ $stage->reading_order->label() }} · <a
                    href="{{ $link(['layout' => $listed ? null : 'list']) }}" data-key="V"
                    data-does="One at a time, or as a list">{{ $listed ? 'one at a time' : 'as a list' }} <kbd>V</kbd></a>
            </p>
            <details class="section small desk-filters" @if ($problem !== '') open @endif>
                <summary class="cursor-pointer">Read only some of it</summary>
                <form method="get" action="{{ route('desk', $review) }}">
                    <input type="hidden" name="stage" value="{{ $stage->id }}">
                    @if ($listed)
                        <input type="hidden" name="layout" value="list">
                    @endif
                    <label class="block mt-1">Query <input class="input input-mono" name="q" value="{{ $kept['q'] ?? '' }}"
                            spellcheck="false" placeholder="title:trial*"></label>
                    @if ($problem !== '')
                        <p class="field-error" role="alert">{{ $problem }}</p>
                    @endif
                    @foreach (['source' => ['Source', $choices->sources], 'type' => ['Type', $choices->types],
                        'language' => ['Language', $choices->languages], 'tag' => ['Tag', $choices->tags]]
                        as $field => [$label, $values])
                        @if (count($values) > ($field === 'tag' ? 0 : 1))
                            <label class="block mt-1">{{ $label }} <select class="input" name="{{ $field }}">
                                    <option value="">any</option>
                                    @foreach ($values as $one)
                                        <option @selected(($kept[$field] ?? '') === $one)>{{ $one }}</option>
                                    @endforeach
                                </select>
                            </label>
                        @endif
                    @endforeach
                    @if ($deliveries->count() > 1) <label class="block mt-1">Delivery <select
                                class="input" name="delivery">
                                <option value="">any</option>
                                @foreach ($deliveries as $one)
                                    <option value="{{ $one->id }}" @selected(($kept['delivery'] ?? '') === $one->id)>
                                        {{ $one->file_name ?? $one->source_name }}</option>
                                @endforeach
                            </select>
                        </label> @endif
                    <span class="block mt-1">Years <span class="row"><input class="input number" name="from" size="4"
                                inputmode="numeric" maxlength="4" value="{{ $kept['from'] ?? '' }}" placeholder="from"
                                aria-label="From year"> <input class="input number" name="to" size="4" inputmode="numeric"
                                maxlength="4" value="{{ $kept['to'] ?? '' }}" placeholder="to" aria-label="To year"></span></span>
                    <label class="block mt-1"><input type="checkbox" name="no_abstract" value="1" @checked($kept['no_abstract'] ?? false)> without
                        an abstract</label>
                    <button class="button mt-1">Show</button>
                </form>
            </details>
            <ul class="spine sheet-scroll" @if ($listed) hidden @endif aria-label="Last judged, this one, and next">
                <template x-for="one in spine" x-bind:key="one.id">
                    <li><button type="button" x-on:click="goTo(one.id)" x-bind:aria-current="one.current">
                            <span>
                                <span x-show="one.isInclude"><x-mark verdict="include" /></span><span x-show="one.isExclude"><x-mark
                                        verdict="exclude" /></span><span x-show="one.isUnsure"><x-mark verdict="unsure" /></span><span
                                    x-show="one.isNone"><x-mark verdict="none" /></span>
                            </span><span class="spine-title" x-text="one.title"></span>
                        </button></li>
                </template>
            </ul>
        </section>
        <section class="sheet" aria-label="The item">
            <p class="unsent" x-show="showUnsent" x-cloak x-text="unsentWords" role="status"></p>
            <p class="unsent" x-show="said" x-cloak role="alert"><span x-text="said"></span> <button type="button"
                    class="button button-plain" x-show="saidLeads" x-on:click="goToSaid">Look at it</button></p>
            @if ($inFull)
                <div class="pdf-bar" x-show="hasFiles" x-cloak>
                    <h1 class="pdf-title" x-show="showsText" x-text="item ? item.title : ''"></h1>
                    <button type="button" class="button" x-on:click="toggleText" x-bind:aria-pressed="showsText" data-key="P"
                        data-does="The full text, or title and abstract"><span x-show="showsText">Title and abstract</span><span
                            x-show="showsAbstract">Full text</span> <kbd>P</kbd></button>
                    <template x-for="one in files" x-bind:key="one.id"><span><button type="button" class="button button-plain"
                                x-show="severalFiles" x-on:click="openFile(one.url)" x-bind:aria-current="one.current"
                                x-text="one.name"></button> <a class="small" x-bind:href="one.url"
                                download>Download</a></span></template>
                    <span class="small quiet" x-show="showsText" x-text="fileWords" role="status"></span>
                </div>
            @endif
            <div class="sheet-scroll" x-ref="text" tabindex="0" role="region"
                aria-label="{{ $listed ? 'The list' : ($byTitle ? 'Title' : 'Title and abstract') }}">
                @if ($listed)
                    <h1 class="sr-only">{{ $stage->name }}, as a list</h1>
                    <ol class="desk-lines">
                        <template x-for="one in lines" x-bind:key="one.id">
                            <li x-bind:aria-current="one.current" x-bind:id="one.anchor">
                                <button type="button" x-on:click="goTo(one.id)">
                                    <span class="desk-lines-mark"><span x-show="one.isInclude"><x-mark verdict="include" /></span><span
                                            x-show="one.isExclude"><x-mark verdict="exclude" /></span><span x-show="one.isUnsure"><x-mark
                                                verdict="unsure" /></span><span x-show="one.isNone"><x-mark
                                                verdict="none" /></span></span>
                                    <span><span class="desk-lines-title" x-text="one.title"></span><span class="small quiet"
                                            x-text="one.meta"></span></span>
                                </button>
                                <div class="desk-lines-abstract" x-show="one.shown">
                                    <p class="quiet" x-show="noAbstract">
                                        {{ $byTitle ? 'Judged by its title.' : 'No abstract was delivered.' }}</p>
                                    <template x-for="paragraph in one.abstract" x-bind:key="paragraph.id">
                                        <p><span class="label" x-show="paragraph.label" x-text="paragraph.label"></span><template
                                                x-for="part in paragraph.parts" x-bind:key="part.id"><span><mark
                                                        x-show="part.marked" x-bind:class="part.shade" x-bind:title="part.names"
                                                        x-text="part.text"></mark><span x-show="!part.marked"
                                                        x-text="part.text"></span></span></template></p>
                                    </template>
                                </div>
                            </li>
                        </template>
                    </ol>
                @endif
                @if ($inFull && !$listed)
                    <div class="pdf" x-show="showsText" x-ref="pdf" x-cloak></div>
                @endif
                <article class="reading" @if ($listed) hidden @endif x-show="showsAbstract" x-cloak>
                    <h1><template x-for="part in title" x-bind:key="part.id"><span><mark x-show="part.marked"
                                    x-bind:class="part.shade" x-bind:title="part.names" x-text="part.text"></mark><span
                                    x-show="!part.marked" x-text="part.text"></span></span></template></h1>
                    <p class="meta" x-text="item ? item.meta : ''"></p>
                    <template x-for="paragraph in abstract" x-bind:key="paragraph.id">
                        <p><span class="label" x-show="paragraph.label" x-text="paragraph.label"></span><template
                                x-for="part in paragraph.parts" x-bind:key="part.id"><span><mark x-show="part.marked"
                                        x-bind:class="part.shade" x-bind:title="part.names" x-text="part.text"></mark><span
                                        x-show="!part.marked" x-text="part.text"></span></span></template></p>
                    </template>
                    <p class="quiet" x-show="noAbstract">
                        {{ $byTitle
                            ? 'Here the title alone is judged. Where it leaves you in doubt, choose unsure: the abstract is read at the next stage.'
                            : 'No abstract was delivered. Judge by the title, or choose unsure.' }}
                    </p>
                </article>
                <p class="section quiet" x-show="waiting" x-cloak role="status">The next items are on their way.</p>
                <div x-show="stranded" x-cloak role="status">
                    <x-empty title="No more can be fetched until the connection is back">There is more to judge. What you decided is kept
                        on this machine and goes out by itself; this page asks again every few seconds.</x-empty>
                </div>
                <div x-show="nothing" x-cloak>
                    <x-empty title="Nothing is left for you to judge here">
                        @if ($empty && $counts->done === 0 && $stage->work === 'shares')
                            Nothing is shared out to you at this stage. @can('manage', $review)
                                Give yourself a share under <a
                                    href="{{ route('share-outs', [$review, 'stage' => $stage->id]) }}">Share-out</a>.
                            @else
                                The lead does that.
                            @endcan
                        @elseif ($empty && $counts->done === 0)
                            Publications arrive with the first <a href="{{ route('deliveries', $review) }}">delivery</a>.
                        @elseif (count($steps) > 2)
                            What is left does not match what this list was narrowed down to; <a
                                href="{{ route('desk', [$review, 'stage' => $stage->id]) }}">read all of it</a>.
                        @elseif ($stage->work === 'shares')
                            Your shares are done. See the <a
                                href="{{ route('screening', [$review, 'stage' => $stage->id]) }}">overview</a>.
                        @else
                            See the <a href="{{ route('screening', $review) }}">overview</a>, or the <a
                                href="{{ route('disagreements', $review) }}">disagreements</a> that have opened.
                        @endif
                    </x-empty>
                </div>
            </div>
            <div class="verdicts">
                <button type="button" x-on:click="include" x-bind:disabled="locked" x-bind:aria-pressed="included" data-key="F"
                    data-does="Include"><x-mark verdict="include" label="" />Include <kbd>F</kbd></button>
                <button type="button" x-on:click="beUnsure" x-bind:disabled="locked" x-bind:aria-pressed="unsure" data-key="G"
                    data-does="Unsure"><x-mark verdict="unsure" label="" />Unsure <kbd>G</kbd></button>
                <button type="button" x-on:click="exclude" x-bind:disabled="locked" x-bind:aria-pressed="excluded" data-key="H"
                    data-does="Exclude, then the number of the reason"><x-mark verdict="exclude" label="" />Exclude
                    <kbd>H</kbd></button>
                <button type="button" x-on:click="undo" x-bind:disabled="cannotUndo" data-key="Z"
                    data-does="Undo the last decision">Undo <kbd>Z</kbd></button>
            </div>
        </section>
        <section class="sheet sheet-scroll">
            <header class="sheet-head">
                <h2>Criteria</h2> <span>the number excludes for that reason</span>
            </header>
            <p class="asking small" x-ref="criteria" x-show="choosing" x-cloak role="status">Which criterion fails? Press its number,
                or <kbd>Esc</kbd>.</p>
            @if ($criteria === [])
                <p class="section small quiet">No criteria yet, so exclusions carry no reason. The lead lists them under <a
                        href="{{ route('question', $review) }}#criteria">Question</a>.</p>
            @endif
            <ol class="reasons" data-key="1 … 9" data-does="Exclude for that criterion">
                <template x-for="reason in reasons" x-bind:key="reason.id">
                    <li><button type="button" x-on:click="excludeFor(reason.id)" x-bind:disabled="locked"
                            x-bind:aria-pressed="reason.pressed"><bdi x-text="reason.question"></bdi> <kbd
                                x-text="reason.key"></kbd></button>
                        <div class="answers" role="group" x-bind:aria-label="reason.question">
                            <button type="button" x-on:click="answer(reason.id, 'yes')" x-bind:disabled="locked"
                                x-bind:aria-pressed="reason.yes">yes</button><button type="button" x-on:click="answer(reason.id, 'no')"
                                x-bind:disabled="locked" x-bind:aria-pressed="reason.no">no</button><button type="button"
                                x-on:click="answer(reason.id, 'unclear')" x-bind:disabled="locked"
                                x-bind:aria-pressed="reason.unclear">unclear</button>
                        </div>
                    </li>
                </template>
            </ol>
            <p class="proposal small" x-show="proposed" x-cloak role="status" data-key="Shift 1 … 9"
                data-does="Answer a criterion: yes, no, unclear in turn"><span x-text="proposalWords"></span> <button type="button"
                    class="button" x-on:click="accept" x-bind:disabled="locked" data-key="Enter"
                    data-does="Decide as the answers propose">Decide so <kbd>Enter</kbd></button></p>
            <div class="section" data-key="N" data-does="Write a note">
                <label class="field-label" for="note">My note <kbd>N</kbd></label>
                <textarea class="input serif" id="note" rows="3" maxlength="4000" x-model="note" x-ref="note" x-on:input="keepDraft"
                    x-bind:disabled="locked" dir="auto"></textarea>
                <p class="field-help">Kept with your decision; seen by others when the item opens.</p>
            </div>
            <div class="section">
                <h3><label for="tag">Tags <kbd>T</kbd></label></h3>
                <p class="tags"><template x-for="one in tags" x-bind:key="one.tag"><span class="tag"><span
                                x-text="one.tag"></span> <button type="button" x-on:click="takeTagOff(one.tag)"
                                x-bind:aria-label="one.takeOff">×</button></span></template></p>
                <form x-on:submit.prevent="addTag" data-key="T" data-does="Add a tag"><input class="input" id="tag"
                        x-ref="tag" x-model="newTag" maxlength="60" list="tags-known" autocomplete="off"
                        placeholder="seen by the whole team"></form>
                <datalist id="tags-known">
                    @foreach ($choices->tags as $one)
                        <option>{{ $one }}</option>
                    @endforeach
                </datalist>
            </div>
            <div class="section" x-show="hasLeads">
                <h3>Where the text states it</h3>
                <ul class="leads"><template x-for="lead in leads" x-bind:key="lead.id">
                        <li><button type="button" x-on:click="pointAt(lead.sentence)"><span class="small"><strong
                                        x-text="lead.about"></strong> <span class="confidence" x-text="lead.confidence"
                                        x-bind:title="lead.because"></span></span><span class="leads-quote"
                                    x-text="lead.sentence"></span></button></li>
                    </template></ul>
            </div>
            @if ($desk['marks'] !== [])
                <div class="section" data-key="M" data-does="Marked words: all, only the team’s own, none">
                    <h3>Marked words <kbd>M</kbd></h3>
                    <ul class="legend-list"><template x-for="one in legend" x-bind:key="one.key">
                            <li><button type="button" x-on:click="toggleList(one.key)" x-bind:aria-pressed="one.pressed"><mark
                                        x-bind:class="one.style" x-text="one.name"></mark> <span class="quiet small"
                                        x-text="one.sign"></span><span class="number quiet" x-text="one.count"></span></button></li>
                        </template></ul>
                    @can('screen', $review)
                        <p class="small"><a href="{{ route('marks', $review) }}">The team’s lists</a></p>
                    @endcan
                </div>
            @endif
            <div class="section">
                <h3>Talk</h3>
                <p class="small quiet" x-show="isClosed">Begins when the item opens. Until then, write a note.</p>
                <ul><template x-for="one in talk" x-bind:key="one.id">
                        <li class="mb-1"><span class="small quiet"><span x-text="one.by"></span>, <span
                                    x-text="one.at"></span></span><br><span class="serif" x-text="one.body"></span></li>
                    </template></ul>
                <form x-show="isOpen" x-cloak x-on:submit.prevent="sayInTalk"><label class="visually-hidden"
                        for="talk">Message</label>
                    <textarea class="input" id="talk" rows="2" maxlength="4000" x-model="newTalk"></textarea><button class="button mt-1">Write</button>
                </form>
            </div>
            @if ($stage->ranked)
                <div class="section">
                    <h3>Why this one now</h3>
                    <button type="button" class="button button-plain" x-show="mayAskWhy" x-on:click="askWhy" data-key="W"
                        data-does="Why this one now">Tell <kbd>W</kbd></button>
                    <p class="small" x-show="whyWords" x-cloak x-text="whyWords" role="status"></p>
                </div>
            @endif
            <div class="section">
                <h3>Opens</h3>
                <p class="small" x-text="opens"></p>
            </div>
            <div class="section">
                <h3>Came by</h3>
                <p class="small" x-text="came"></p>
            </div>
            <div class="section">
                <button type="button" class="button button-plain" x-on:click="later" data-key="L"
                    data-does="Leave this for later">Leave for later <kbd>L</kbd></button>
                <button type="button" class="button button-plain" x-on:click="back" data-key="B"
                    data-does="Back to the one before">Back <kbd>B</kbd></button>
            </div>
        </section>
    </div>
    <script type="application/json" id="desk-data">{!! json_encode($desk,
        JSON_HEX_TAG | JSON_HEX_AMP | JSON_HEX_APOS | JSON_HEX_QUOT | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR) !!}</script>
</x-page>
