import { focusShown } from './focusShown.js';
import { isTyping } from './keys.js';
import { ask } from './server.js';

// a page may have a use of its own for the key, and says so where that is shown
const isTaken = (key) => document.querySelector(`[data-key="${key}"]`)?.checkVisibility() ?? false;

// Ctrl-K: any screen or action by its name, and publications of the review by words of their titles.
export default () => ({
    open: false,
    text: '',
    at: 0,
    screens: [],
    found: [],
    timer: null,
    before: null,
    init() {
        this.screens = JSON.parse(this.$el.dataset.screens);
        window.addEventListener('keydown', (event) => {
            if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
                event.preventDefault();
                this.open ? this.close() : this.show();
            } else if (event.key === '/' && !isTyping(event) && !this.open && !event.ctrlKey && !isTaken('/')) {
                event.preventDefault();
                this.show();
            }
        });
        window.addEventListener('open-palette', () => this.show());
    },
    show() {
        this.before = document.activeElement;
        this.open = true;
        this.text = '';
        this.found = [];
        this.at = 0;
        focusShown(() => this.$refs.input);
    },
    close() {
        this.open = false;
        if (this.before) this.before.focus();
    },
    get entries() {
        const wanted = this.text.toLowerCase().split(/\s+/).filter(Boolean);
        const screens = this.screens.filter((screen) =>
            wanted.every((word) => screen.title.toLowerCase().includes(word)),
        );
        return [...screens, ...this.found].map((entry, i) => ({
            ...entry,
            id: `palette-${i}`,
            selected: i === this.at ? 'true' : 'false',
        }));
    },
    get active() {
        return this.entries.length ? `palette-${this.at}` : '';
    },
    typed() {
        this.at = 0;
        clearTimeout(this.timer);
        const url = this.$el.closest('[data-find]')?.dataset.find;
        if (!url || this.text.trim().length < 2) {
            this.found = [];
            return;
        }
        this.timer = setTimeout(async () => {
            const asked = this.text;
            const answer = await ask('GET', `${url}?q=${encodeURIComponent(asked)}`).catch(() => ({ found: [] }));
            if (asked === this.text) this.found = answer.found;
        }, 150);
    },
    move(by) {
        const count = this.entries.length;
        if (count) this.at = (this.at + by + count) % count;
    },
    down() {
        this.move(1);
    },
    up() {
        this.move(-1);
    },
    go() {
        const entry = this.entries[this.at];
        if (entry) window.location.assign(entry.url);
    },
    get isEmpty() {
        return this.entries.length === 0;
    },
});
