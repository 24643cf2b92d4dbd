{{-- The results of the study, by outcome. --}}
<div class="sheet-scroll" tabindex="0" role="region" aria-label="Results" x-show="isNumbers">
    <template x-for="outcome in outcomeLists" x-bind:key="outcome.id">
        <div class="code-section">
            <h2 x-text="outcome.name"></h2>
            <ul>
                <template x-for="one in outcome.rows" x-bind:key="one.id">
                    <li><button type="button" class="code-line numbers-line" x-on:click="goToRow(one.id)" x-bind:aria-current="one.current">
                            <span class="code-name" x-text="one.words"></span>
                            <span class="code-said number" x-text="one.said"></span>
                        </button></li>
                </template>
                @if ($desk['mayCode'])
                    <template x-for="one in outcome.offers" x-bind:key="one.key">
                        <li><button type="button" class="code-line numbers-line numbers-offer" x-on:click="takeOffer(one.offer)"
                                x-bind:title="one.offer.label"><span class="code-name">+ <span x-text="one.words"></span></span>
                                <span class="lead-mark">in a table</span></button></li>
                    </template>
                    <li><button type="button" class="code-line numbers-line" x-on:click="addRow(outcome.id)"><span class="quiet">+ take a result</span></button>
                    </li>
                @endif
            </ul>
        </div>
    </template>
    <p class="sheet-body" x-show="noOutcomes">No outcome is defined yet. <a href="{{ route('outcomes', $review) }}">Define outcomes and groups</a>
        once, then take results here.</p>
</div>
