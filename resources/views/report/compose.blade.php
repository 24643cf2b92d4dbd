<x-page title="Report" :review="$review" stage="report" place="report.text">
    <script type="application/json" id="report-data">@json($data)</script>
    <div class="desk desk-three desk-fixed desk-report" x-data="composer">
        <section class="sheet no-print" aria-label="Sections">
            <header class="sheet-head">
                <h2>Sections</h2> <span x-text="coverage">{{ $coverage->answered() }} of {{ $items }} items</span>
            </header>
            <div class="sheet-scroll" tabindex="0" role="region" aria-label="Sections of the report">
                <ul class="report-outline">
                    <template x-for="one in outline" x-bind:key="one.key">
                        <li><button type="button" x-on:click="goTo(one.at)" x-bind:class="one.look"><span x-text="one.title"></span> <span
                                    class="number quiet" x-text="one.items"></span></button></li>
                    </template>
                </ul>
                <div class="section" x-show="hasMissing">
                    <h3>Missing</h3>
                    <ul class="small">
                        <template x-for="one in missing" x-bind:key="one.n">
                            <li><span class="number" x-text="one.n"></span> <span x-text="one.label"></span></li>
                        </template>
                    </ul>
                </div>
                <div class="section">
                    <h3>Here now</h3>
                    <template x-for="one in here" x-bind:key="one.client">
                        <p class="small" x-text="one.name"></p>
                    </template>
                </div>
                <div class="section">
                    <h3>As one file</h3>
                    <p class="small">
                        @foreach (['html', 'md'] as $format)
                            {{ $loop->first ? '' : '· ' }}<a href="{{ route('report.download', [$review, $format]) }}">{{ strtoupper($format) }}</a>
                        @endforeach
                        · made in the background:
                    </p>
                    <form class="row mt-1" method="post" action="{{ route('made.store', $review) }}">@csrf
                        <button class="button button-plain" name="kind" value="report-pdf">PDF</button>
                        <button class="button button-plain" name="kind" value="report-docx">DOCX</button>
                        <button class="button button-plain" name="kind" value="supplements">Supplements</button>
                    </form>
                    @can('write', $review)
                        <form class="row mt-1" method="post" action="{{ route('report.style', $review) }}">@csrf @method('put')
                            <select class="input" name="style" aria-label="Style of citations">
                                @foreach ($styles as $style => $name)
                                    <option value="{{ $style }}" @selected($style === $report->style)>{{ $name }}</option>
                                @endforeach
                            </select> <button class="button button-plain">Set</button>
                        </form>
                    @endcan
                </div>
                <div class="section">
                    <h3>Versions</h3>
                    <p class="small"><a href="{{ route('report.written', $review) }}">Who wrote what</a></p>
                    @foreach ($versions as $version)
                        <p class="small">{{ $version->name }} <span class="quiet">{{ $version->user->name }},
                                {{ $version->created_at->format('j M Y') }}</span> <a href="{{ route('report.changes', [$review, 'from' => $version->id]) }}"
                                aria-label="Compare {{ $version->name }} with now">Compare</a></p>
                    @endforeach
                    @can('write', $review)
                        <form class="row mt-2" method="post" action="{{ route('report.versions', $review) }}" x-on:submit="flush">@csrf
                            <input class="input" name="name" maxlength="200" required placeholder="Name it" aria-label="Name of the version">
                            <button class="button button-plain">Keep</button>
                        </form>
                    @endcan
                </div>
            </div>
        </section>
        <section class="sheet" aria-label="The report">
            <header class="sheet-head no-print">
                <h1>Report</h1> <span role="status" x-text="saved"></span>
                <span class="end"><button type="button" class="button button-plain" x-show="hasChanged" x-bind:disabled="refreshing"
                        x-on:click="refreshAll" x-text="changedWords"></button> <span class="quiet" x-text="wordCount"></span></span>
            </header>
            @can('write', $review)
                <div class="report-tools no-print" role="toolbar" aria-label="Setting words">
                    <select class="input" aria-label="Kind of paragraph" x-on:change="setBlock">
                        <option value="paragraph">Text</option>
                        <option value="1">Title</option>
                        <option value="2">Section</option>
                        <option value="3">Subsection</option>
                    </select>
                    <button type="button" x-on:click="run('toggleBold')" aria-label="Bold" title="Bold, Ctrl B"><strong>B</strong></button>
                    <button type="button" x-on:click="run('toggleItalic')" aria-label="Italic" title="Italic, Ctrl I"><em>I</em></button>
                    <button type="button" x-on:click="run('toggleBulletList')">List</button>
                    <button type="button" x-on:click="run('toggleOrderedList')">Numbers</button>
                    <button type="button" x-on:click="run('toggleBlockquote')">Quotation</button>
                    <button type="button" x-on:click="addTable">Table</button>
                    <span class="report-tools-part"></span>
                    <button type="button" x-on:click="addClaim" title="The selected words are a claim, Ctrl Shift E">Claim</button>
                    <button type="button" x-on:click="openPanel('cite')" title="Cite, Ctrl Shift C">Cite</button>
                    <button type="button" x-on:click="openPanel('number')">Number</button>
                    <button type="button" x-on:click="openPanel('block')">Live block</button>
                    <button type="button" x-on:click="openPanel('note')">Footnote</button>
                    <button type="button" x-on:click="openPanel('refer')">Figure or table</button>
                    <button type="button" x-on:click="addRemark" title="Speak about the selected words, Ctrl Shift M">Remark</button>
                    <span class="report-tools-part"></span>
                    <button type="button" x-on:click="run('undo')" title="Undo, Ctrl Z">Undo</button>
                    <button type="button" x-on:click="run('redo')">Redo</button>
                </div>
            @endcan
            <p class="problem" role="alert" x-show="problem" x-text="problem"></p>
            <div class="sheet-scroll report-page" tabindex="0" role="region" aria-label="Text of the report" x-ref="scroll">
                <div class="report-text" x-ref="editor"></div>
            </div>
        </section>
        <section class="sheet no-print" aria-label="At hand">
            <header class="sheet-head">
                <h2 x-text="panelTitle"></h2>
            </header>
            <div class="sheet-scroll" tabindex="0" role="region" aria-label="What is at hand">
                <div class="section" x-show="isClaim">
                    <p class="serif" x-text="claimWords"></p>
                    <p class="small says-warn" x-show="claimProblem" x-text="claimProblem"></p>
                    <p class="small quiet" role="status" x-text="claimSaid"></p>
                    <ul class="evidence-list mt-2">
                        <template x-for="one in claimEvidence" x-bind:key="one.key">
                            <li><a class="evidence-quote" x-bind:href="one.url"><span class="serif" x-text="one.quoted"></span> <span
                                        class="small quiet" x-text="one.where"></span></a>
                                <p class="small says-warn" x-show="one.stands" x-text="one.stands"></p>
                                @can('write', $review)
                                    <button type="button" class="evidence-off" x-on:click="takeOff(one)" aria-label="Take this evidence off">×</button>
                                @endcan
                            </li>
                        </template>
                    </ul>
                    @can('write', $review)
                        <label class="field block">Add evidence <input class="input" x-ref="evidence" x-on:input.debounce.300ms="findEvidence"
                                placeholder="a study, words of a quote" maxlength="200" autocomplete="off"></label>
                        <ul class="evidence-list mt-2">
                            <template x-for="one in found" x-bind:key="one.key">
                                <li><button type="button" class="evidence-quote" x-on:click="addEvidence(one)"><strong class="small"
                                            x-text="one.study"></strong> <span class="small" x-text="one.says"></span> <span class="serif"
                                            x-text="one.quoted"></span> <span class="small quiet" x-text="one.where"></span></button></li>
                            </template>
                        </ul>
                        <p class="small quiet" x-show="foundNothing">Nothing in answers, passages and results holds these words.</p>
                        <label class="block mt-2"><input type="checkbox" x-bind:checked="isOwn" x-on:change="setOwn"> ours alone, rests on nothing
                            else</label>
                        <button type="button" class="button button-plain mt-2" x-on:click="dropClaim">It is no claim</button>
                    @endcan
                </div>
                <div class="section" x-show="isCiting">
                    <label class="field block">Whom <input class="input" x-ref="cite" x-on:input="filter" placeholder="name, year or title"
                            maxlength="100" autocomplete="off"></label>
                    <ul class="report-choices">
                        <template x-for="one in choices" x-bind:key="one.id">
                            <li><button type="button" x-on:click="cite(one.id)"><strong x-text="one.name"></strong> <span class="small quiet"
                                        x-text="one.title"></span></button></li>
                        </template>
                    </ul>
                </div>
                <div class="section" x-show="isNumbering">
                    <label class="field block">Which <input class="input" x-ref="number" x-on:input="filter" placeholder="studies, estimate"
                            maxlength="100" autocomplete="off"></label>
                    <ul class="report-choices">
                        <template x-for="one in choices" x-bind:key="one.id">
                            <li><button type="button" x-on:click="putNumber(one.id)"><strong class="number" x-text="one.name"></strong> <span
                                        class="small quiet" x-text="one.title"></span></button></li>
                        </template>
                    </ul>
                </div>
                <div class="section" x-show="isBlocking">
                    @foreach ($offered as $group => $blocks)
                        <h3>{{ $group }}</h3>
                        <ul class="report-choices">
                            @foreach ($blocks as $key => $title)
                                @php([$kind, $source] = str_starts_with($key, ':') ? [substr($key, 1), ''] : explode(':', $key, 2))
                                <li><button type="button" data-kind="{{ $kind }}" data-source="{{ $source }}"
                                        x-on:click="putBlock">{{ $title }}</button></li>
                            @endforeach
                        </ul>
                    @endforeach
                </div>
                <div class="section" x-show="isNoting">
                    <label class="field block">Footnote <textarea class="input" rows="4" x-ref="note" maxlength="2000"></textarea></label>
                    <button type="button" class="button button-go" x-on:click="putNote">Keep it</button>
                    <p class="small quiet mt-1">Press a footnote in the text to read or change it; without words it is taken out.</p>
                </div>
                <div class="section" x-show="isReferring">
                    <ul class="report-choices">
                        <template x-for="one in numberedBlocks" x-bind:key="one.id">
                            <li><button type="button" x-on:click="refer(one.id)"><strong x-text="one.name"></strong> <span class="small quiet"
                                        x-text="one.title"></span></button></li>
                        </template>
                    </ul>
                    <p class="small quiet mt-1">The number follows the figure or table, wherever it moves.</p>
                </div>
                <div class="section" x-show="isCaptioning">
                    <label class="field block">Caption <textarea class="input" rows="3" x-ref="caption" maxlength="2000"></textarea></label>
                    <button type="button" class="button button-go" x-on:click="putCaption">Keep it</button>
                    <p class="small quiet mt-1">Without words it has its usual title; its number goes before.</p>
                </div>
                <div class="section" x-show="isRemarking">
                    <p class="serif" x-text="remarkWords"></p>
                    <ul class="report-remarks mt-2">
                        <template x-for="one in said" x-bind:key="one.id">
                            <li><strong class="small" x-text="one.by"></strong> <span class="small quiet" x-text="one.at"></span>
                                <p x-text="one.words"></p>
                            </li>
                        </template>
                    </ul>
                    @can('write', $review)
                        <label class="field block mt-2">Say <textarea class="input" rows="3" x-ref="remark" maxlength="4000"></textarea></label>
                        <div class="row"><button type="button" class="button button-go" x-on:click="sayRemark">Say it</button> <button type="button"
                                class="button button-plain" x-show="isSpokenOf" x-on:click="endRemark" x-text="endWords"></button></div>
                        <p class="small quiet mt-1">Whoever spoke here before gets a notice. Remarks are not part of what is handed out.</p>
                    @endcan
                </div>
                <div class="section" x-show="isIdle">
                    <p class="small quiet">Select words and press <em>Claim</em> to say what they rest on. Press a claim to see it.</p>
                    @can('write', $review)
                        <p class="mt-2"><button type="button" class="button" x-on:click="draft">Write from the facts</button></p>
                        <p class="small quiet mt-1">Methods, what analyses found and how many studies speak of a theme: sentences go to the end of their sections; their numbers stay live, the words
                            are yours to change.</p>
                    @endcan
                    <h3 class="mt-3" x-show="hasOpenRemarks">Open remarks</h3>
                    <ul class="small">
                        <template x-for="one in openRemarks" x-bind:key="one.id">
                            <li><button type="button" class="button-plain report-problem" x-on:click="goToRemark(one.id)"><span class="serif"
                                        x-text="one.words"></span> <span class="quiet" x-text="one.says"></span></button></li>
                        </template>
                    </ul>
                    <h3 class="mt-3" x-show="hasProblems">To look at</h3>
                    <ul class="small">
                        <template x-for="one in problems" x-bind:key="one.id">
                            <li><button type="button" class="button-plain report-problem" x-on:click="goToClaim(one.id)"><span class="serif"
                                        x-text="one.words"></span> <span class="says-warn" x-text="one.problem"></span></button></li>
                        </template>
                    </ul>
                </div>
            </div>
        </section>
    </div>
</x-page>
