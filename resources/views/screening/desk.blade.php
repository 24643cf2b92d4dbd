<x-page title="Reading Desk" :review="$review" stage="screening" place="desk">
    <div class="desk desk-three desk-fixed" x-data="readingDesk">
        <section class="sheet">
            <header class="sheet-head"><h2>My reading</h2> <span><span x-text="done">{{ number_format($counts['done']) }}</span> judged</span></header>
            <p class="filter-words small"><strong x-text="left">{{ number_format($counts['left']) }}</strong> not judged by me<br>in order of delivery</p>
            <ul class="spine sheet-scroll" aria-label="Last judged, this one, and next">
                <template x-for="one in spine" x-bind:key="one.id">
                    <li><button type="button" x-on:click="goTo(one.id)" x-bind:aria-current="one.current">
                        <span>
                            <span x-show="one.isInclude"><x-mark verdict="include" /></span><span x-show="one.isExclude"><x-mark verdict="exclude" /></span><span x-show="one.isUnsure"><x-mark verdict="unsure" /></span><span x-show="one.isNone"><x-mark verdict="none" /></span>
                        </span><span class="spine-title" x-text="one.title"></span>
                    </button></li>
                </template>
            </ul>
        </section>
        <section class="sheet" aria-label="The item">
            <p class="unsent" x-show="showUnsent" x-cloak x-text="unsentWords" role="status"></p>
            <p class="unsent" x-show="said" x-cloak x-text="said" role="alert"></p>
            <div class="sheet-scroll" x-ref="text" tabindex="0" aria-label="Title and abstract">
                <article class="reading" x-show="hasItem" x-bind:class="marks ? '' : 'no-marks'" x-cloak>
                    <h1><template x-for="part in title" x-bind:key="part.id"><span><mark x-show="part.marked" x-text="part.text"></mark><span x-show="!part.marked" x-text="part.text"></span></span></template></h1>
                    <p class="meta" x-text="item ? item.meta : ''"></p>
                    <template x-for="paragraph in abstract" x-bind:key="paragraph.id">
                        <p><span class="label" x-show="paragraph.label" x-text="paragraph.label"></span><template x-for="part in paragraph.parts" x-bind:key="part.id"><span><mark x-show="part.marked" x-text="part.text"></mark><span x-show="!part.marked" x-text="part.text"></span></span></template></p>
                    </template>
                    <p class="quiet" x-show="noAbstract">No abstract was delivered. Judge by the title, or choose unsure.</p>
                </article>
                <div x-show="!hasItem" x-cloak>
                    <x-empty title="Nothing is left for you to judge here">
                        @if ($empty && $counts['done'] === 0) Publications arrive with the first <a href="{{ route('deliveries', $review) }}">delivery</a>. @else See the <a href="{{ route('screening', $review) }}">overview</a>, or the <a href="{{ route('disagreements', $review) }}">disagreements</a> that have opened. @endif
                    </x-empty>
                </div>
            </div>
            <div class="verdicts">
                <button type="button" x-on:click="include" x-bind:disabled="locked" x-bind:aria-pressed="included" data-key="F" data-does="Include"><x-mark verdict="include" label="" />Include <kbd>F</kbd></button>
                <button type="button" x-on:click="beUnsure" x-bind:disabled="locked" x-bind:aria-pressed="unsure" data-key="G" data-does="Unsure"><x-mark verdict="unsure" label="" />Unsure <kbd>G</kbd></button>
                <button type="button" x-on:click="exclude" x-bind:disabled="locked" x-bind:aria-pressed="excluded" data-key="H" data-does="Exclude, then the number of the reason"><x-mark verdict="exclude" label="" />Exclude <kbd>H</kbd></button>
                <button type="button" x-on:click="undo" x-bind:disabled="cannotUndo" data-key="Z" data-does="Undo the last decision">Undo <kbd>Z</kbd></button>
            </div>
        </section>
        <section class="sheet sheet-scroll">
            <header class="sheet-head"><h2>Criteria</h2> <span>the number excludes for that reason</span></header>
            <p class="asking small" x-show="choosing" x-cloak role="status">Which criterion fails? Press its number, or <kbd>Esc</kbd>.</p>
            @if ($criteria === [])
                <p class="section small quiet">No criteria yet, so exclusions carry no reason. The lead lists them under <a href="{{ route('question', $review) }}#criteria">Question</a>.</p>
            @endif
            <ol class="reasons" data-key="1 … 9" data-does="Exclude for that criterion">
                <template x-for="reason in reasons" x-bind:key="reason.id">
                    <li><button type="button" x-on:click="excludeFor(reason.id)" x-bind:disabled="locked" x-bind:aria-pressed="reason.pressed"><span x-text="reason.question"></span> <kbd x-text="reason.key"></kbd></button></li>
                </template>
            </ol>
            <div class="section" data-key="N" data-does="Write a note">
                <label class="field-label" for="note">My note <kbd>N</kbd></label>
                <textarea class="input serif" id="note" rows="3" maxlength="4000" x-model="note" x-ref="note" x-bind:disabled="locked"></textarea>
                <p class="field-help">Kept with your decision; seen by others when the item opens.</p>
            </div>
            <div class="section"><h3>Opens</h3><p class="small" x-text="opens"></p></div>
            <div class="section"><h3>Came by</h3><p class="small" x-text="came"></p></div>
            <div class="section">
                <button type="button" class="button button-plain" x-on:click="later" data-key="L" data-does="Leave this for later">Leave for later <kbd>L</kbd></button>
                <button type="button" class="button button-plain" x-on:click="back" data-key="B" data-does="Back to the one before">Back <kbd>B</kbd></button>
                <button type="button" class="button button-plain" x-on:click="toggleMarks" data-key="M" data-does="Marked words on or off">Marked words <kbd>M</kbd></button>
            </div>
        </section>
    </div>
    <script type="application/json" id="desk-data">{!! json_encode($desk, JSON_HEX_TAG | JSON_HEX_AMP | JSON_HEX_APOS | JSON_HEX_QUOT | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR) !!}</script>
</x-page>
