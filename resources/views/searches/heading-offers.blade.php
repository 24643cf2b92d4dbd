{{-- What the thesaurus has for a word, and one heading with its surroundings. --}}
<p class="field-error section" x-show="failure" x-cloak x-text="failure" role="alert"></p>
<div class="caution" x-show="hasCaution" x-cloak role="status">
    <strong>This word means several things.</strong>
    <template x-for="one in caution" x-bind:key="one.label">
        <p><button type="button" class="linklike" x-on:click="open(one.label)" x-text="one.label"></button> <span class="quiet"
                x-text="one.words"></span></p>
    </template>
</div>
<div class="section" x-show="heading" x-cloak>
    <template x-if="heading">
        <div>
            <h3 class="heading-name" tabindex="-1" x-text="heading.label"></h3>
            <p class="small quiet"><span x-text="heading.countWords"></span></p>
            <p class="serif mt-1" x-show="heading.note" x-text="heading.note"></p>
            <p class="serif mt-1" x-show="heading.definition" x-text="heading.definition"></p>
            <p class="small quiet mt-1" x-show="heading.noNote">No scope note.</p>
            <template x-for="path in heading.paths" x-bind:key="path.words">
                <p class="small mt-1 quiet" x-text="path.words"></p>
            </template>
            <ul class="small mt-2" x-show="heading.hasChildren">
                <template x-for="child in heading.children" x-bind:key="child.label">
                    <li class="tree-line"><label><input type="checkbox" x-model="child.taken" x-bind:disabled="leafOnly"> <span
                                class="sr-only">include </span></label><button type="button" class="linklike"
                            x-on:click="open(child.label)" x-text="child.label"></button><span class="end quiet number"
                            x-text="child.countWords"></span></li>
                </template>
            </ul>
            @if ($canAdd ?? true)
                <div class="mt-2 grid gap-1 small" x-show="canAdd">
                    <label x-show="heading.hasChildren"><input type="checkbox" x-model="explode"> with its narrower headings</label>
                    <label><input type="checkbox" x-model="major"> as a major topic only</label>
                    <label x-show="heading.hasQualifiers">qualifier <select class="input small" x-model="qualifier">
                            <option value="">any</option><template x-for="one in heading.qualifiers" x-bind:key="one">
                                <option x-text="one" x-bind:value="one"></option>
                            </template>
                        </select></label>
                    <fieldset x-show="heading.hasNames">
                        <legend class="quiet">Also called; tick to add as free text</legend>
                        <template x-for="name in heading.names" x-bind:key="name.text"><label class="mr-2 inline-block"><input
                                    type="checkbox" x-model="name.taken"> <span x-text="name.text"></span></label></template>
                    </fieldset>
                    <p class="small quiet" x-show="narrowsEarly">Narrowing this early can lose studies.</p>
                    <div class="row flex-wrap">
                        <button type="button" class="button button-go" x-on:click="add">Add to</button>
                        <select class="input small" x-model="target" aria-label="To which concept"><template x-for="one in sheet.blocks"
                                x-bind:key="one.id">
                                <option x-bind:value="one.id" x-bind:selected="one.id === target"
                                    x-text="one.name || 'a concept without a name'"></option>
                            </template>
                            <option value="" x-bind:selected="target === ''">a new concept</option>
                        </select>
                    </div>
                </div>
            @endif
            <p class="small mt-2" x-show="heading.hasRelated"><span class="quiet">Related:</span> <template x-for="one in heading.related"
                    x-bind:key="one"><button type="button" class="linklike mr-2" x-on:click="open(one)"
                        x-text="one"></button></template></p>
        </div>
    </template>
</div>
<template x-for="offer in offers" x-bind:key="offer.label">
    <div class="section offer">
        <p><button type="button" class="linklike strong" x-on:click="open(offer.label)" x-text="offer.label"></button> <span
                class="quiet small number" x-text="offer.countWords"></span></p>
        <p class="small quiet" x-text="offer.reason"></p>
        <p class="small serif" x-show="offer.note" x-text="offer.note"></p>
    </div>
</template>
<p class="section small quiet" x-show="nothing" x-cloak>No heading has this word in any of its names or notes. Try a shorter form, or
    another word for it.</p>
<p class="section small quiet" x-show="idle" x-cloak>Type a word of the concept. Every heading comes with the reason why it is offered,
    its scope note, and how many records carry it.</p>
