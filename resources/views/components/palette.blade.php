@props(['screens', 'find' => ''])
<div x-data="palette" data-screens="{{ json_encode($screens) }}" data-find="{{ $find }}" class="no-print">
    <div class="over" x-show="open" x-cloak x-on:click.self="close" x-on:keydown.escape.prevent.stop="close">
        <div class="over-sheet" role="dialog" aria-modal="true" aria-label="Find a screen, record or action">
            <input class="palette-input" type="text" role="combobox" aria-expanded="true" aria-controls="palette-list"
                aria-autocomplete="list" aria-label="What are you looking for?" placeholder="A screen, an action, or words of a title"
                x-ref="input" x-model="text" x-bind:aria-activedescendant="active" x-on:input="typed" x-on:keydown.down.prevent="down"
                x-on:keydown.up.prevent="up" x-on:keydown.enter.prevent="go" x-on:keydown.tab.prevent="down">
            <div id="palette-list" class="palette-list" role="listbox" aria-label="Found">
                <template x-for="entry in entries" x-bind:key="entry.id">
                    <a role="option" tabindex="-1" x-bind:id="entry.id" x-bind:href="entry.url"
                        x-bind:aria-selected="entry.selected"><span x-text="entry.title"></span> <span class="quiet small"
                            x-text="entry.about"></span></a>
                </template>
            </div>
            <p class="empty" x-show="isEmpty">Nothing has that name here. Try fewer letters.</p>
        </div>
    </div>
</div>
