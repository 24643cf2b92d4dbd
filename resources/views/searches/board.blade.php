<x-page :title="$strategy->name" :review="$review" stage="searches" place="searches">
    <x-slot:skip><a class="skip" href="#board">To the board's terms</a></x-slot:skip>
    <div class="desk desk-spine desk-fixed" x-data="strategyBoard" data-url="{{ route('strategies.change', [$review, $strategy], false) }}"
        data-numbers="{{ route('strategies.numbers', [$review, $strategy], false) }}"
        data-translation="{{ route('strategies.translation', [$review, $strategy], false) }}" x-on:keydown.window="key">
        <script type="application/json" id="sheet">@json($sheet)</script>
        @can('search', $review)
            <section class="sheet" x-data="thesaurus" data-find="{{ route('thesauri.find', $review, false) }}"
                data-heading="{{ route('thesauri.heading', $review, false) }}" aria-label="Thesaurus">
                <header class="sheet-head">
                    <h2>Thesaurus</h2>
                    <select class="input small" x-ref="scheme" x-on:change="again" aria-label="Which thesaurus">
                        @foreach ($schemes as $scheme)
                            <option value="{{ $scheme->id }}">{{ $scheme->title }}</option>
                        @endforeach
                    </select>
                </header>
                @if ($schemes->isEmpty())
                    <x-empty title="No thesaurus is here yet">The databases' own come with the set-up. <a
                            href="{{ route('thesauri', $review) }}">Add one of your own</a>.</x-empty>
                @else
                    <div class="section">
                        <label class="field-label" for="words">Find a heading by any word</label>
                        <input class="input input-mono" id="words" type="search" x-model="words" x-on:input="typed" maxlength="200"
                            autocomplete="off" data-key="T" data-does="Find a heading">
                    </div>
                    <div class="sheet-scroll" tabindex="0" role="region" aria-label="Headings found" x-bind:aria-busy="looking">
                        @include('searches.heading-offers')
                    </div>
                @endif
            </section>
        @endcan
        <section class="sheet">
            <x-strategy.head :review="$review" :strategy="$strategy" current="show" />
            <span hidden data-key="B" data-does="Go to the first term"></span><span hidden data-key="E"
                data-does="Change the term that has the focus"></span><span hidden data-key="Alt ↑ ↓"
                data-does="Move it, also into the next concept"></span><span hidden data-key="Delete" data-does="Take it off"></span>
            <div class="sheet-scroll" id="board" tabindex="0" role="region" aria-label="The board">
                <p class="unsent" x-show="problem" x-cloak x-text="problem" role="alert"></p>
                <table class="table board">
                    <thead>
                        <tr>
                            <th scope="col">Concept and term</th>
                            <template x-for="source in sheet.sources" x-bind:key="source.key">
                                <th scope="col" class="number pair" colspan="2"><span x-text="source.short"></span><br><span class="tiny">finds ·
                                        only by it</span></th>
                            </template>
                            <th scope="col" class="bar-head"><span x-text="shareOf"></span></th>
                            @can('search', $review)
                                <th scope="col" class="tools"><span class="sr-only">Change</span></th>
                            @endcan
                        </tr>
                    </thead>
                    <template x-for="block in blocks" x-bind:key="block.id">
                        <tbody x-bind:data-block="block.id" x-on:dragover.prevent="" x-on:drop.prevent="dropOn(block, $event)">
                            <tr class="board-block">
                                <th scope="rowgroup">
                                    <span class="board-number" x-text="block.at"></span> <span x-show="!block.isRenamed"
                                        x-text="block.title"></span><input class="input" x-show="block.isRenamed"
                                        x-bind:value="block.name" x-bind:data-edit="block.id"
                                        x-on:keydown.enter.prevent="rename(block, $event)" x-on:keydown.escape="stopEditing(block.id)"
                                        aria-label="Name of the concept" maxlength="300">
                                    <span class="tag" x-show="block.isAlone">not combined</span>
                                </th>
                                <template x-for="cell in block.cells" x-bind:key="cell.key">
                                    <td class="number" colspan="2"><strong x-text="cell.own" x-bind:title="cell.why"></strong></td>
                                </template>
                                <td></td>
                                @can('search', $review)
                                    <td class="tools"><x-menu label="…" aria-label="Change this concept">
                                            <div class="menu-list">
                                                <button type="button" x-on:click="edit(block.id)">Rename</button>
                                                <button type="button" x-on:click="moveBlock(block, -1)">Move up</button>
                                                <button type="button" x-on:click="moveBlock(block, 1)">Move down</button>
                                                <button type="button" x-on:click="combine(block)" x-text="block.combineWords"></button>
                                                <button type="button" x-on:click="removeBlock(block)">Take off</button>
                                            </div>
                                        </x-menu></td>
                                @endcan
                            </tr>
                            <template x-for="term in block.terms" x-bind:key="term.id">
                                <tr class="board-term" x-bind:draggable="canChange" x-on:dragstart="drag(term, $event)">
                                    <td>
                                        <button type="button" class="term" x-bind:class="term.heading ? 'term-heading' : ''"
                                            x-show="!term.isEdited" x-bind:data-term="term.id" x-on:click="openTerm(term)"
                                            x-on:keydown="termKey(term, block, $event)"><span x-show="term.heading"
                                                aria-hidden="true">◇</span><span class="sr-only" x-show="term.heading">Heading
                                            </span><span x-text="term.shown"></span></button>
                                        <input class="input input-mono" x-show="term.isEdited" x-bind:value="term.text"
                                            x-bind:data-edit="term.id" x-on:keydown.enter.prevent="rewrite(term, $event)"
                                            x-on:keydown.escape="stopEditing(term.id)" aria-label="The term in the query language"
                                            spellcheck="false" autocomplete="off">
                                        <template x-for="tag in term.tags" x-bind:key="tag"><span class="tag"
                                                x-text="tag"></span></template>
                                        <span class="verdict-word" x-show="term.says" x-text="term.says"
                                            x-bind:class="term.saysClass"></span>
                                        <span class="field-error block" x-show="term.problem" x-text="term.problem"></span>
                                    </td>
                                    <template x-for="cell in term.numbers" x-bind:key="cell.key">
                                        <td class="number" x-bind:class="cell.cls" x-bind:title="cell.why"><span
                                                x-show="!cell.map" x-text="cell.text"></span><a class="tiny" x-show="cell.map"
                                                x-bind:href="cell.map" x-bind:aria-label="cell.mapWords">map it</a></td>
                                    </template>
                                    <td class="bar-cell"><svg viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
                                            <rect class="whole" x="0" y="1" height="8" x-bind:width="term.bar.own"></rect>
                                            <rect class="part" x-bind:x="term.bar.from" y="1" height="8"
                                                x-bind:width="term.bar.only"></rect>
                                        </svg></td>
                                    @can('search', $review)
                                        <td class="tools"><button type="button" x-on:click="removeTerm(term)"
                                                x-bind:aria-label="term.removeWords">×</button></td>
                                    @endcan
                                </tr>
                            </template>
                            @can('search', $review)
                                <tr class="board-add">
                                    <td x-bind:colspan="columns">
                                        <div class="suggesting" x-data="suggest"
                                            data-suggest="{{ route('thesauri.suggest', $review, false) }}" x-on:focusout="left">
                                            <input class="input input-mono" data-term-field
                                                x-on:keydown.enter.prevent="entered(block, $event)" x-on:keydown.down="intoList"
                                                x-on:keydown.escape="away()" x-on:input="suggest" x-on:paste="pasted(block, $event)"
                                                x-on:focus="focusBlock(block)" x-bind:aria-label="block.addWords"
                                                placeholder="Add a term, or paste a list of synonyms" maxlength="2000" autocomplete="off"
                                                spellcheck="false">
                                            <x-menu label="By a form" class="small" aria-label="Put a term together by a form">
                                                <div class="limit-form" x-data="termForm">
                                                    <label>Words <input class="input" x-model="words" maxlength="300"
                                                            autocomplete="off"></label>
                                                    <label>Together <select class="input" x-model="how">
                                                            <option value="phrase">as they stand, one after the other</option>
                                                            <option value="near">near each other, in any order</option>
                                                            <option value="all">all of them, anywhere</option>
                                                        </select></label>
                                                    <label x-show="isNear">At most so many words apart <input class="input" type="number"
                                                            min="1" max="20" x-model="distance"></label>
                                                    <label>Where <select class="input" x-model="fields">
                                                            <option value="">title, abstract and headings</option>
                                                            <option value="title">title</option>
                                                            <option value="title,abstract">title or abstract</option>
                                                            <option value="keyword">headings and keywords</option>
                                                            <option value="author">authors</option>
                                                            <option value="journal">journal</option>
                                                        </select></label>
                                                    <label><input type="checkbox" x-model="endings"> with any ending</label>
                                                    <p class="small">Reads: <code x-text="text"></code></p>
                                                    <button type="button" class="button button-go" x-bind:disabled="isEmpty"
                                                        x-on:click="put(block)">Add it</button>
                                                </div>
                                            </x-menu>
                                            <x-suggestions add="addTaken(block)" />
                                        </div>
                                    </td>
                                </tr>
                            @endcan
                        </tbody>
                    </template>
                    @can('search', $review)
                        <tbody x-show="isNaming" x-cloak>
                            <tr class="board-block">
                                <td x-bind:colspan="columns"><input class="input" data-edit="new-block"
                                        x-on:keydown.enter.prevent="nameNew" x-on:keydown.escape="stopEditing('')"
                                        aria-label="Name of the new concept"
                                        placeholder="What is the concept? For instance Population: hospital staff on nights. Then Enter."
                                        maxlength="300"></td>
                            </tr>
                        </tbody>
                    @endcan
                    <tbody>
                        <template x-for="row in sums" x-bind:key="row.id">
                            <tr class="board-sum">
                                <th scope="row"><span x-text="row.words"></span> <span class="quiet small" x-show="row.lacks"
                                        x-text="row.lacks"></span>
                                    @can('search', $review)
                                        <button type="button" class="tag tag-button" x-show="row.isLimit"
                                            x-on:click="removeLimit(row)">take off</button>
                                    @endcan
                                </th>
                                <template x-for="cell in row.cells" x-bind:key="cell.key">
                                    <td class="number" colspan="2"><strong x-text="cell.own" x-bind:title="cell.why"></strong>
                                    </td>
                                </template>
                                <td class="bar-cell"><svg viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
                                        <rect class="whole" x="0" y="1" height="8" x-bind:width="row.bar"></rect>
                                    </svg></td>
                                @can('search', $review)
                                    <td></td>
                                @endcan
                            </tr>
                        </template>
                        <template x-for="line in rest" x-bind:key="line.id">
                            <tr>
                                <td><span class="quiet">Line #<span x-text="line.number"></span>, kept as a line:</span> <code
                                        x-text="line.text"></code></td>
                                <template x-for="cell in line.cells" x-bind:key="cell.key">
                                    <td class="number" colspan="2" x-text="cell.own"></td>
                                </template>
                                <td></td>
                                @can('search', $review)
                                    <td></td>
                                @endcan
                            </tr>
                        </template>
                    </tbody>
                </table>
                <details class="section small board-legend">
                    <summary>What the words and bars mean</summary>
                    <dl class="facts">
                        <dt>finds</dt>
                        <dd>records with this term</dd>
                        <dt>only by it</dt>
                        <dd>records of this concept that no other term of it finds; what the concept would lose without it</dd>
                        <dt class="says-warn">finds nothing</dt>
                        <dd>in no database; misspelt, or not said so there</dd>
                        <dt class="says-warn">adds nothing</dt>
                        <dd>all it finds is found by other terms of this concept already</dd>
                        <dt>carries</dt>
                        <dd>it finds more than half of all that this concept finds</dd>
                        <dt class="says-warn">floods</dt>
                        <dd>more than 60 % of what this concept finds comes by it alone: is it too wide?</dd>
                        <dt>map it</dt>
                        <dd>this heading is none of that database’s thesaurus; the translation offers what stands for it there</dd>
                        <dt>bar</dt>
                        <dd>its share of what the concept finds in the first database; dark is what only it finds</dd>
                    </dl>
                </details>
                <div x-show="isEmpty" x-cloak><x-empty title="No concept is on the board yet">Add the concepts of the question one by one:
                        the people, what is done, what is measured. Each gets the headings and words that stand for it; the board joins them
                        with OR, and the concepts with AND.</x-empty></div>
                @foreach ($help as $hint)
                    <p class="section small help-line" x-show="lacksTerm('{{ $hint->lacking }}')">{{ $hint->text }}
                        @foreach ($hint->headings as $heading)
                            <button type="button" class="tag tag-button" data-label="{{ $heading }}" data-block="{{ $hint->to }}"
                                x-on:click="findHinted">{{ $heading }}</button>
                        @endforeach
                    </p>
                @endforeach
            </div>
            @can('search', $review)
                <div class="sheet-foot">
                    <button type="button" class="button" x-on:click="addBlock" data-key="N" data-does="Add a concept">Add a concept
                        <kbd>N</kbd></button>
                    <x-menu label="Add a limit" class="button" up>
                        <div class="limit-form">
                            <label>Years <span class="row"><input class="input" x-ref="from" inputmode="numeric" maxlength="4"
                                        placeholder="from" aria-label="From year"> <input class="input" x-ref="to" inputmode="numeric"
                                        maxlength="4" placeholder="to" aria-label="To year"> <button type="button" class="button"
                                        x-on:click="limitYears">Limit</button></span></label>
                            <label>What <span class="row"><select class="input" x-ref="limit" aria-label="Limit to">
                                        <option value="language:english">English</option>
                                        @foreach (['randomised trial', 'observational study', 'qualitative study',
                                            'systematic review', 'review', 'conference abstract', 'letter', 'editorial',
                                            'case report', 'trial protocol'] as $type)
                                            <option value='type:"{{ $type }}"'>{{ $type }}</option>
                                        @endforeach
                                        @foreach (['newborn infants', 'children', 'adults', 'aged 65 and over'] as $age)
                                            <option value='age:"{{ $age }}"'>{{ $age }}</option>
                                        @endforeach
                                        <option value="species:humans">humans</option>
                                    </select></span></label>
                            <span class="row"><button type="button" class="button" x-on:click="limitTo(false)">Only these</button>
                                <button type="button" class="button" x-on:click="limitTo(true)">All but these</button></span>
                        </div>
                    </x-menu>
                    <button type="button" class="button" x-on:click="undo" x-bind:disabled="cannotUndo" data-key="Z"
                        data-does="Undo">Undo <kbd>Z</kbd></button>
                    <button type="button" class="button" x-on:click="redo" x-bind:disabled="cannotRedo" data-key="Y"
                        data-does="Redo">Redo <kbd>Y</kbd></button>
                    <span class="small quiet" role="status" x-text="stateWords"></span>
                    <a class="button button-go end-push" href="{{ route('strategies.runs', [$review, $strategy]) }}">Run and fetch</a>
                </div>
            @endcan
        </section>
    </div>
</x-page>
