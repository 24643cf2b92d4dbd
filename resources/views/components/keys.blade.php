<div x-data="keys" class="no-print">
    <div class="over" x-show="open" x-cloak x-on:click.self="close">
        <div class="over-sheet" role="dialog" aria-modal="true" aria-label="Keys">
            <div class="sheet-head">
                <h2>Keys</h2> <span class="end"><button type="button" class="button" x-ref="close" x-on:click="close">Close
                        <kbd>Esc</kbd></button></span>
            </div>
            <table class="keys-table">
                <tbody>
                    <template x-for="one in own" x-bind:key="one.key">
                        <tr>
                            <th scope="row" x-text="one.does"></th>
                            <td><kbd x-text="one.key"></kbd></td>
                        </tr>
                    </template>
                    <tr>
                        <th scope="row">Find a screen, record or action</th>
                        <td><kbd>Ctrl K</kbd> or <kbd>/</kbd></td>
                    </tr>
                    <tr>
                        <th scope="row">Show these keys</th>
                        <td><kbd>?</kbd></td>
                    </tr>
                </tbody>
            </table>
            <label class="section block"><input type="checkbox" x-bind:checked="off" x-on:change="toggle"> Switch single keys off on
                this machine. Ctrl K, Enter, arrows and Escape stay; all else can be pressed on the screen.</label>
        </div>
    </div>
</div>
