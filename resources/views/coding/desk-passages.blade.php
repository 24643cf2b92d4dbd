{{-- Passages of the paper under themes. --}}
<template x-if="isNaming">
    <form class="section passage-form" x-on:submit.prevent="keepPassage" x-on:keydown.escape="leavePassage">
        <p class="small serif" x-text="pendingQuote"></p>
        <label class="field block"><span class="small quiet">Themes, between commas; “Comfort › Glare” is narrower</span>
            <input class="input" x-ref="themes" list="theme-names" maxlength="1000" autocomplete="off" required></label>
        <label class="field block"><span class="small quiet">Memo</span><input class="input" x-ref="memo" maxlength="4000" autocomplete="off"></label>
        <div class="row"><button class="button button-go">Keep <kbd>Enter</kbd></button>
            <button type="button" class="button button-plain" x-on:click="leavePassage">Leave <kbd>Esc</kbd></button></div>
    </form>
</template>
<datalist id="theme-names"><template x-for="one in themeNames" x-bind:key="one">
        <option x-bind:value="one"></option>
    </template></datalist>
<details class="section" x-show="hasPassages">
    <summary class="cursor-pointer"><strong>Passages</strong> <span class="quiet" x-text="passages.length"></span></summary>
    <ul class="evidence-list mt-2">
        <template x-for="one in passageLines" x-bind:key="one.id">
            <li class="passage-line">
                <button type="button" class="evidence-quote" x-on:click="see(one.piece)"><span class="serif" x-text="one.quoted"></span> <span
                        class="small quiet" x-text="one.where"></span><br><span class="small theme-name" x-text="one.themes"></span> <span
                        class="small quiet" x-text="one.memo"></span></button>
                @if ($desk['mayCode'])
                    <button type="button" class="evidence-off" x-on:click="changePassage(one.id)" aria-label="Change its themes">✎</button>
                    <button type="button" class="evidence-off" x-on:click="removePassage(one.id)" aria-label="Take the mark off">×</button>
                @endif
            </li>
        </template>
    </ul>
</details>
