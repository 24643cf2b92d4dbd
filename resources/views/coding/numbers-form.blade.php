{{-- One result: in which form it is reported, its numbers with the words they rest on, and what is made of them. --}}
<div class="sheet-scroll" tabindex="0" role="region" aria-label="The result at hand" x-show="hasRow">
    <fieldset @disabled(!$desk['mayCode'])>
        <legend class="sr-only">The result</legend>
        <div class="section">
            <h2 class="numbers-name" x-text="outcomeName"></h2>
            <label class="field block" x-show="isOfTwo"><span class="small quiet">Comparison</span><select class="input"
                    x-on:change="setOf('comparison', $event)">
                    <template x-for="one in comparisons" x-bind:key="one.id">
                        <option x-bind:value="one.id" x-bind:selected="one.chosen" x-text="one.words"></option>
                    </template>
                </select></label>
            <label class="field block"><span class="small quiet">Reported as</span><select class="input" x-on:change="setForm">
                    <template x-for="one in forms" x-bind:key="one.id">
                        <option x-bind:value="one.id" x-bind:selected="one.chosen" x-text="one.label"></option>
                    </template>
                </select></label>
            <label class="field block" x-show="hasScales"><span class="small quiet">Measured with</span><select class="input"
                    x-on:change="setOf('scale', $event)">
                    <option value="">another scale</option>
                    <template x-for="one in scaleChoices" x-bind:key="one.name">
                        <option x-bind:value="one.name" x-bind:selected="one.chosen" x-text="one.name"></option>
                    </template>
                </select></label>
            <div class="numbers-time"><label><span class="small quiet">Time, as told</span><input class="input" maxlength="120"
                        x-bind:value="timeTold" x-on:change="setOf('time', $event)" placeholder="after 4 weeks"></label>
                <label><span class="small quiet">day</span><input class="input" size="4" inputmode="numeric" x-bind:value="daysTold"
                        x-on:change="setOf('days', $event)"></label></div>
        </div>
        <div class="section">
            <div class="numbers-grid">
                <span></span><strong class="small" x-text="armOne" x-show="isOfTwo"></strong><strong class="small" x-text="armTwo"
                    x-show="isOfTwo"></strong><span class="numbers-both" x-show="isOfOne"></span>
                <template x-for="line in lines" x-bind:key="line.key">
                    <div class="contents">
                        <span x-text="line.label"></span>
                        <template x-for="one in line.cells" x-bind:key="one.key">
                            <input x-bind:class="one.look" inputmode="decimal" maxlength="60" autocomplete="off" x-bind:value="one.value"
                                x-bind:data-rests="one.rests" x-bind:aria-label="one.name" x-on:focus="hold(one.key)"
                                x-on:change="setNumber(one.key, $event)">
                        </template>
                        <span x-show="line.isBoth"></span>
                    </div>
                </template>
            </div>
            @if ($desk['mayCode'])
                <p class="small quiet mt-2"><span x-text="fieldWords"></span> Press a number in the paper, or select it and press <kbd
                        data-key="E" data-does="Take the number that is selected in the paper">E</kbd>.</p>
            @endif
            <template x-for="one in checks" x-bind:key="one.key">
                <p class="small waits-words" x-text="one.words"></p>
            </template>
        </div>
        <div class="section">
            <h3>What is used</h3>
            <template x-for="one in effects" x-bind:key="one.measure">
                <p class="numbers-used"><span x-text="one.measure"></span> <strong class="number" x-text="one.shown"></strong></p>
            </template>
            <template x-for="one in steps" x-bind:key="one.key">
                <p class="small"><span x-text="one.words"></span> <span class="quiet" x-text="one.source"></span></p>
            </template>
        </div>
        <div class="section">
            <h3>Evidence</h3>
            <ul class="evidence-list">
                <template x-for="one in pieces" x-bind:key="one.key">
                    <li><button type="button" class="evidence-quote" x-on:click="see(one)"><span class="serif" x-text="one.quoted"></span> <span
                                class="small quiet" x-text="one.where"></span></button></li>
                </template>
            </ul>
            <details class="small">
                <summary class="cursor-pointer">Design, the study’s own words, note</summary>
                <label class="field block"><span class="small quiet">Who is in the groups</span><select class="input"
                        x-on:change="setOf('design', $event)">
                        <template x-for="one in designs" x-bind:key="one.id">
                            <option x-bind:value="one.id" x-bind:selected="one.chosen" x-text="one.label"></option>
                        </template>
                    </select></label>
                <div class="row"><label class="grow"><span class="small quiet">its intervention</span><input class="input" maxlength="200"
                            x-bind:value="ownOne" x-on:change="setOf('own1', $event)"></label>
                    <label class="grow"><span class="small quiet">its comparator</span><input class="input" maxlength="200"
                            x-bind:value="ownTwo" x-on:change="setOf('own2', $event)"></label></div>
                <label class="field block"><span class="small quiet">Note</span>
                    <textarea class="input" rows="2" maxlength="4000" x-bind:value="noteTold" x-on:change="setOf('note', $event)"></textarea>
                </label>
            </details>
        </div>
    </fieldset>
</div>
<p class="sheet-body quiet" x-show="noRow">Choose an outcome on the left and take a result.</p>
<p class="problem" role="alert" x-show="numbersProblem"><span x-text="numbersProblem"></span>
    <button type="button" class="button button-plain" x-show="isRowRefused" x-on:click="useRefusedRow">Use mine</button></p>
<footer class="sheet-foot" x-show="hasRow">
    @if ($desk['mayCode'])
        <button type="button" class="button button-plain" x-on:click="undoNumber" x-bind:disabled="nothingUndone" data-key="U"
            data-does="Undo">Undo <kbd>U</kbd></button>
        <button type="button" class="button button-plain" x-on:click="withdrawRow">Withdraw it</button>
    @endif
    <span class="quiet small" role="status" x-text="numbersSaved"></span>
</footer>
