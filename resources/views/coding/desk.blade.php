@use('WaryHeron\Core\Coding\ItemStanding')
@use('WaryHeron\Core\Coding\Pass')
<x-page :title="'Coding: ' . $publication->title" :review="$review" stage="coding" place="coding">
    <script type="application/json" id="coding-data">@json($desk)</script>
    <div class="desk desk-three desk-fixed desk-coding" x-data="codingDesk">
        <section class="sheet" aria-label="Items of the codebook">
            <header class="sheet-head">
                @foreach (Pass::cases() as $pass)
                    <button type="button" class="pass" x-show="has{{ $pass->name }}" x-on:click="turnTo('{{ $pass->value }}')"
                        x-bind:aria-pressed="is{{ $pass->name }}"><strong>{{ $pass->label() }}</strong> <span
                            x-text="progress{{ $pass->name }}"></span></button>
                @endforeach
                <button type="button" class="pass" x-on:click="turnNumbers" x-bind:aria-pressed="numbersPressed"><strong>Numbers</strong> <span
                        x-text="rowCount"></span></button>
            </header>
            @include('coding.numbers-list')
            <div class="sheet-scroll" tabindex="0" role="region" aria-label="Items" x-show="isCoding">
                <template x-for="section in sections" x-bind:key="section.key">
                    <div class="code-section">
                        <h2 x-text="section.name" x-show="section.name"></h2>
                        <h3 class="code-part" x-text="section.part" x-show="section.part"></h3>
                        <ul>
                            <template x-for="one in section.items" x-bind:key="one.id">
                                <li><button type="button" class="code-line" x-on:click="goTo(one.id)"
                                        x-bind:aria-current="one.current" x-bind:data-item="one.id">
                                        <span class="code-mark">
                                            @foreach (ItemStanding::cases() as $standing)
                                                <span x-show="one.is.{{ Str::camel($standing->value) }}"><x-standing :standing="$standing" /></span>
                                            @endforeach
                                        </span>
                                        <span class="code-name" x-text="one.label"></span>
                                        <span class="code-said" x-text="one.said"></span>
                                    </button></li>
                            </template>
                        </ul>
                    </div>
                </template>
                @includeWhen($parts !== [], 'coding.desk-parts')
                @if ($desk['mayCode'] && $desk['items'] !== [])
                    <form class="study-parts" method="post" action="{{ route('leads.start', $review) }}">@csrf
                        <input type="hidden" name="study" value="{{ $publication->id }}">
                        <button class="button button-plain">Read its papers for answers</button>
                    </form>
                @endif
                @if ($desk['items'] === [])
                    <x-empty title="The codebook is empty">Say first what is to be found out: <a
                            href="{{ route('codebook', $review) }}">the codebook</a>.</x-empty>
                @endif
            </div>
            <footer class="sheet-foot small">
                @if ($desk['previous'] !== '')
                    <a href="{{ $desk['previous'] }}" data-key="[" data-does="The study before">Before <kbd>[</kbd></a>
                @endif
                @if ($number)
                    <span class="quiet">{{ $number }} of {{ $count }}</span>
                @endif
                @if ($desk['next'] !== '')
                    <a href="{{ $desk['next'] }}" data-key="]" data-does="The next study">Next <kbd>]</kbd></a>
                @endif
            </footer>
        </section>
        <section class="sheet" aria-label="The paper">
            <header class="sheet-head paper-head">
                <h1 title="{{ $publication->title }}">{{ trim(Str::before($publication->authors, ';') . ' ' . $publication->year) ?: Str::limit($publication->title, 60) }}</h1>
                <span class="paper-sources" role="group" aria-label="What is shown">
                    <template x-for="one in sources" x-bind:key="one.id">
                        <button type="button" x-on:click="show(one.id)" x-bind:aria-pressed="one.current"
                            x-bind:title="one.about" x-text="one.name"></button>
                    </template>
                </span>
                <span class="end">
                    <span x-text="pageWords" class="quiet"></span>
                    <label class="paper-find" x-show="isPaper"><span class="sr-only">Find in it</span>
                        <input class="input" x-ref="find" x-on:input.debounce.300ms="find" x-on:keydown.enter.prevent="findNext"
                            x-on:keydown.escape="endFind" placeholder="find in it" size="11" maxlength="200" autocomplete="off">
                        <kbd data-key="/" data-does="Find words in the paper">/</kbd></label>
                    <span x-text="foundWords" class="quiet" role="status"></span>
                    <button type="button" class="button button-plain" x-show="isPaper" x-on:click="turnPlain"
                        x-bind:aria-pressed="isPlain" data-key="T" data-does="The paper as plain text, or as printed"><span
                            x-text="plainWords">as plain text</span> <kbd>T</kbd></button>
                </span>
            </header>
            <p class="small quiet paper-said" role="status" x-text="told" x-show="told"></p>
            <div class="sheet-scroll paper" tabindex="0" role="region" aria-label="Text of the paper" x-ref="scroll"
                x-on:click="pressedPaper">
                <div class="pdf" x-show="isPrinted" x-ref="pdf"></div>
                <article class="reading paper-plain" x-show="isPlainText" x-ref="plain"></article>
                <article class="reading" x-show="isAbstract" x-ref="abstract">
                    <h2 class="paper-title">{{ $publication->title }}</h2>
                    <p class="meta">{{ $publication->authors }} · {{ $publication->journal }} · {{ $publication->year }} ·
                        {{ $publication->place }}@if ($publication->doi !== '')
                            · doi {{ $publication->doi }}
                        @endif
                    </p>
                    <x-abstract :parts="$abstract" />
                </article>
            </div>
        </section>
        <section class="sheet" aria-label="The item at hand">
            @if ($instead !== null)
                <div class="problem">
                    <p>This study is coded with another of its reports: <a href="{{ route('coding.show', [$review, $instead]) }}">{{ $instead->called() }}</a>.
                        Its papers are all at hand there, and what was answered here is kept.</p>
                    @can('code', $review)
                        <form method="post" action="{{ route('coding.carries', [$review, $publication]) }}">@csrf <button class="button mt-1">Code
                                the study with this report instead</button></form>
                    @endcan
                </div>
            @elseif (!$included)
                <p class="problem">This publication is not included, so it is not coded. Its answers are kept.</p>
            @endif
            <div class="sheet-scroll" tabindex="0" role="region" aria-label="Item, evidence and leads" x-show="hasItem">
                <div class="section code-asked">
                    <p class="small quiet" x-text="placeWords"></p>
                    <h2 x-text="label"></h2>
                    <p class="code-part" x-text="partWords" x-show="partWords"></p>
                    <p class="small waits-words" x-show="isUnparted">Asked of each <span x-text="per"></span>, and none is named yet: name them
                        at the foot of the list. An answer here is of the study as a whole.</p>
                    <p class="small" x-text="guidance" x-show="guidance"></p>
                    <p class="small quiet" x-show="examples">Such as: <span x-text="examples"></span></p>
                    <p class="small waits-words" x-show="isNotAsked">Not asked of this study: what it depends on is answered otherwise.</p>
                </div>
                <fieldset class="section code-answer" @disabled(!$desk['mayCode'])>
                    <legend class="sr-only">Answer</legend>
                    <ul class="code-options" x-show="hasOptions">
                        <template x-for="one in options" x-bind:key="one.value">
                            <li><label x-bind:class="one.indent"><input x-bind:type="one.input" name="option"
                                        x-bind:value="one.value" x-bind:checked="one.chosen" x-on:change="choose(one.value)">
                                    <span x-text="one.label"></span> <kbd x-text="one.key" x-show="one.key"></kbd></label></li>
                        </template>
                    </ul>
                    <div class="row items-center" x-show="isNumber"><input class="input number code-number" inputmode="decimal" x-ref="number"
                            x-bind:value="typed" x-on:input.debounce.900ms="type" x-on:change="type" x-bind:aria-label="label"> <span
                            x-text="unit"></span></div>
                    <input class="input" type="date" x-show="isDate" x-ref="date" x-bind:value="typed" x-on:change="type"
                        x-bind:aria-label="label">
                    <textarea class="input" rows="3" x-show="isText" x-ref="text" x-bind:value="typed" x-on:input.debounce.900ms="type"
                        x-on:change="type" x-bind:aria-label="label"></textarea>
                    <div class="row code-kinds">
                        <button type="button" class="button button-plain" x-on:click="say('not-reported')"
                            x-bind:aria-pressed="isNotReported" data-key="R" data-does="Not reported">Not reported <kbd>R</kbd></button>
                        <button type="button" class="button button-plain" x-on:click="say('not-applicable')"
                            x-bind:aria-pressed="isNotApplicable" data-key="N" data-does="Not applicable">Not applicable <kbd>N</kbd></button>
                    </div>
                    <details class="small" x-bind:open="hasNote">
                        <summary class="cursor-pointer">Note</summary>
                        <textarea class="input" rows="2" maxlength="4000" x-bind:value="note" x-on:change="write" aria-label="Note on this answer"
                            x-ref="note"></textarea>
                    </details>
                </fieldset>
                <template x-if="lead">
                    <div class="section">
                        <h3>Lead</h3>
                        <div class="lead" x-bind:class="lead.look">
                            <p><span class="lead-mark" x-text="lead.confidence"></span> <strong x-text="lead.shown"></strong></p>
                            <button type="button" class="evidence-quote" x-show="lead.evidence" x-on:click="see(lead.evidence)"><span
                                    class="serif" x-text="lead.quoted"></span> <span class="small quiet" x-text="lead.where"></span></button>
                            <p class="small quiet" x-text="lead.reason"></p>
                            @if ($desk['mayCode'])
                                <div class="row">
                                    <button type="button" class="button" x-on:click="accept" data-key="A"
                                        data-does="Accept the lead">Accept <kbd>A</kbd></button>
                                    <button type="button" class="button button-plain" x-on:click="correct" data-key="C"
                                        data-does="Correct the lead, keeping its evidence">Correct <kbd>C</kbd></button>
                                    <button type="button" class="button button-plain" x-on:click="reject" data-key="X"
                                        data-does="Turn the lead down">Turn down <kbd>X</kbd></button>
                                </div>
                            @endif
                        </div>
                    </div>
                </template>
                <div class="section">
                    <h3>Evidence</h3>
                    <ul class="evidence-list">
                        <template x-for="one in evidence" x-bind:key="one.key">
                            <li>
                                <button type="button" class="evidence-quote" x-on:click="see(one)"><span class="serif"
                                        x-text="one.quoted"></span> <span class="small quiet" x-text="one.where"></span></button>
                                @if ($desk['mayCode'])
                                    <button type="button" class="evidence-off" x-on:click="takeOff(one)"
                                        aria-label="Take this evidence off">×</button>
                                @endif
                            </li>
                        </template>
                    </ul>
                    @if ($desk['mayCode'])
                        <p class="small quiet" x-show="noEvidence">None yet. Mark words in the paper and press <kbd>E</kbd>.</p>
                        <div class="row">
                            <button type="button" class="button button-plain" x-on:mousedown.prevent="" x-on:click="quote" data-key="E"
                                data-does="The marked words are evidence">Add the marked words <kbd>E</kbd></button>
                            <button type="button" class="button button-plain" x-on:mousedown.prevent="" x-on:click="markPassage" data-key="P"
                                data-does="The marked words are a passage under a theme">A theme for them <kbd>P</kbd></button>
                            <label class="small"><input type="checkbox" x-bind:checked="fromWhole" x-on:change="whole"> judged from the
                                whole <kbd data-key="W" data-does="Judged from the whole paper">W</kbd></label>
                        </div>
                    @endif
                </div>
                @include('coding.desk-passages')
            </div>
            @include('coding.numbers-form')
            <p class="unsent" role="status" x-show="cutOff" x-text="cutOff"></p>
            <p class="problem" role="alert" x-show="problem"><span x-text="problem"></span>
                <button type="button" class="button button-plain" x-show="refused" x-on:click="useRefused">Use mine</button></p>
            <footer class="sheet-foot" x-show="isCoding">
                <button type="button" class="button button-go" x-on:click="nextOpen" data-key="Enter"
                    data-does="Next item without an answer">Next open <kbd>Enter</kbd></button>
                @if ($desk['mayCode'])
                    <button type="button" class="button button-plain" x-on:click="undo" x-bind:disabled="nothingToUndo" data-key="U"
                        data-does="Undo">Undo <kbd>U</kbd></button>
                @endif
                <span class="quiet small" role="status" x-text="saved"></span>
            </footer>
            <span hidden><kbd data-key="J" data-does="Next item"></kbd><kbd data-key="K" data-does="Item before"></kbd><kbd
                    data-key="1–9" data-does="Choose an option"></kbd><kbd data-key="I" data-does="Into the answer box"></kbd></span>
        </section>
    </div>
</x-page>
