<x-page :title="$strategy->name . ', lines'" :review="$review" stage="searches" place="searches">
    <div class="desk desk-side desk-fixed" x-data="strategyLines" data-url="{{ route('strategies.change', [$review, $strategy], false) }}"
        data-numbers="{{ route('strategies.numbers', [$review, $strategy], false) }}" x-on:keydown.window="key">
        <script type="application/json" id="sheet">@json($sheet)</script>
        <section class="sheet">
            <x-strategy.head :review="$review" :strategy="$strategy" current="lines" />
            <div class="sheet-scroll" tabindex="0" role="region" aria-label="The lines">
                <p class="unsent" x-show="problem" x-cloak x-text="problem" role="alert"></p>
                <table class="table lines">
                    <thead>
                        <tr>
                            @can('search', $review)
                                <th scope="col"><span class="sr-only">Choose</span></th>
                            @endcan
                            <th scope="col" class="number">
                                Line</th>
                            <th scope="col">Query and note</th>
                            <template x-for="source in sheet.sources" x-bind:key="source.key">
                                <th scope="col" class="number" x-text="source.short"></th>
                            </template>
                            @can('search', $review)
                                <th scope="col" class="tools"><span class="sr-only">Change</span></th>
                            @endcan
                        </tr>
                    </thead>
                    <tbody>
                        <template x-for="line in lines" x-bind:key="line.id">
                            <tr x-bind:class="line.isResult ? 'is-result' : ''">
                                @can('search', $review)
                                    <td><input type="checkbox" x-bind:checked="line.chosen" x-on:change="choose(line)"
                                            x-bind:aria-label="line.chooseWords"></td>
                                @endcan
                                <td class="number"><strong>#<span x-text="line.number"></span></strong></td>
                                <td class="line-cell">
                                    @can('search', $review)
                                        <input class="input input-mono line-text" x-bind:value="line.text" x-bind:data-line="line.id"
                                            x-on:change="changed(line, $event)" x-on:keydown="lineKey(line, $event)"
                                            x-bind:aria-label="line.textWords" x-bind:aria-invalid="line.bad" spellcheck="false"
                                            autocomplete="off">
                                        <input class="input small line-note" x-bind:value="line.note" x-on:change="noted(line, $event)"
                                            x-bind:aria-label="line.noteWords" placeholder="note" maxlength="300">
                                    @else
                                        <code x-text="line.text"></code> <span class="quiet small" x-text="line.note"></span>
                                    @endcan
                                    <p class="field-error" x-show="line.problem" x-text="line.problem"></p>
                                    <p class="small quiet" x-show="line.isResult">The result: what is fetched.</p>
                                </td>
                                <template x-for="cell in line.cells" x-bind:key="cell.key">
                                    <td class="number" x-text="cell.own" x-bind:title="cell.why"></td>
                                </template>
                                @can('search', $review)
                                    <td class="tools"><x-menu label="…" x-bind:aria-label="line.menuWords">
                                            <div class="menu-list">
                                                <button type="button" x-show="!line.isFirst" x-on:click="move(line, -1)">Move up</button>
                                                <button type="button" x-show="!line.isLast" x-on:click="move(line, 1)">Move down</button>
                                                <button type="button" x-on:click="duplicate(line)">Copy it below</button>
                                                <button type="button" x-on:click="addBelow(line)">New line below</button>
                                                <button type="button" x-on:click="makeResult(line)">Make it the result</button>
                                                <button type="button" x-on:click="remove(line)">Take it off</button>
                                            </div>
                                        </x-menu></td>
                                @endcan
                            </tr>
                        </template>
                    </tbody>
                </table>
                <div x-show="isEmpty" x-cloak><x-empty title="No line yet">Type the first one below, or build the strategy on the board. The
                        board shows the same lines as concepts.</x-empty></div>
            </div>
            @can('search', $review)
                <div class="sheet-foot">
                    <input class="input input-mono grow-input" x-ref="fresh" x-on:keydown.enter.prevent="addLine" aria-label="A new line"
                        placeholder="A new line, such as #3 AND #7" spellcheck="false" autocomplete="off">
                    <button type="button" class="button" x-on:click="addLine">Add the line</button>
                    <span class="row"><button type="button" class="button" x-on:click="combine('or')"
                            x-bind:disabled="fewChosen">OR</button><button type="button" class="button" x-on:click="combine('and')"
                            x-bind:disabled="fewChosen">AND</button><button type="button" class="button" x-on:click="combine('not')"
                            x-bind:disabled="fewChosen">NOT</button></span>
                    <button type="button" class="button" x-on:click="undo" x-bind:disabled="cannotUndo" data-key="Z"
                        data-does="Undo">Undo</button>
                    <button type="button" class="button" x-on:click="redo" x-bind:disabled="cannotRedo" data-key="Y"
                        data-does="Redo">Redo</button>
                    <span class="small quiet" role="status" x-text="stateWords"></span>
                </div>
            @endcan
        </section>
        <div class="grid gap-3 overflow-auto">
            @include('searches.language')
        </div>
    </div>
</x-page>
