<x-page title="Pairing Desk" :review="$review" stage="records" place="pairing">
    <div class="desk desk-fixed" x-data="pairing" data-rule="{{ route('pairing.rule', $review, false) }}"
        data-undo="{{ route('pairing.undo', $review, false) }}" data-ahead="{{ route('pairing.ahead', $review, false) }}"
        data-left="{{ $left }}">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Pairing Desk</h1> <span><strong x-text="left">{{ number_format($left) }}</strong>
                    {{ $left === 1 ? 'group' : 'groups' }} to
                    judge{{ $later > 0 ? ', ' . number_format($later) . ' of them put off' : '' }}{{ $claimed > 0 ? '; '
                        . number_format($claimed) . ' open with others' : '' }}</span>
                <span class="ml-auto quiet small" data-key="1 … 9" data-does="Move that publication to another part, to split a group"
                    x-text="partWords"></span>
            </header>
            <p class="unsent" x-show="said" x-cloak x-text="said" role="alert"></p>
            <div class="sheet-scroll" x-ref="place" tabindex="0" role="region" aria-label="The group" aria-live="polite">@include('matching.pairing-group')
            </div>
            <x-legend class="section" :marks="[
                'included' => 'included',
                'excluded' => 'excluded',
                'disagreement' => 'in disagreement',
                'waiting' => 'not judged or not open yet',
            ]" />
            <div class="verdicts">
                <button type="button" x-on:click="same" x-bind:disabled="none" data-key="F"
                    data-does="The same publication: join them, or the parts as lettered">Same <kbd>F</kbd></button>
                <button type="button" x-on:click="different" x-bind:disabled="none" data-key="H"
                    data-does="Different publications, all of them">Different <kbd>H</kbd></button>
                <button type="button" x-on:click="later" x-bind:disabled="none" data-key="L" data-does="Later">Later
                    <kbd>L</kbd></button>
                <button type="button" x-on:click="undo" x-bind:disabled="cannotUndo" data-key="Z" data-does="Undo the last ruling">Undo
                    <kbd>Z</kbd></button>
            </div>
        </section>
    </div>
</x-page>
