@props(['add' => 'addTaken()'])
{{-- What goes on from the term that is being typed; stands within an element with x-data="suggest". --}}
<div class="suggestions" x-show="shown" x-cloak role="group" aria-label="Headings and other names" x-on:keydown.down="step($event, 1)"
    x-on:keydown.up="step($event, -1)" x-on:keydown.escape.stop="back()">
    <p class="small" x-show="finds" role="status">“<span x-text="typedWords"></span>” finds <strong class="number" x-text="finds"></strong>
    </p>
    <template x-for="offer in offers" x-bind:key="offer.label">
        <fieldset class="suggestion">
            <legend class="sr-only" x-text="offer.label"></legend>
            <label><input type="checkbox" x-model="offer.taken"> <span aria-hidden="true">◇ </span><span class="sr-only">Heading
                </span><span class="strong" x-text="offer.label"></span> <span class="small quiet number"
                    x-text="offer.countWords"></span></label>
            <span class="small suggestion-names"><template x-for="name in offer.names" x-bind:key="name.text"><label><input
                            type="checkbox" x-model="name.taken"> <span x-text="name.text"></span></label></template></span>
        </fieldset>
    </template>
    <p class="suggestion-foot" x-show="hasOffers"><button type="button" class="button" x-bind:disabled="nothingTaken"
            x-on:click="{{ $add }}" x-text="addWords"></button> <span class="small quiet">Enter takes what you typed; ↓ goes to the
            list; Esc closes it.</span></p>
</div>
