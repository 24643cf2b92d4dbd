import { focusShown } from './focusShown.js';

// The sheet of keys that ? opens, filled from what the page says it listens to.
const OFF = 'heron-single-keys-off';

const areOff = () => localStorage.getItem(OFF) === '1';

// also where single keys are switched off: whoever speaks to the machine, or whose hand trembles, sets off none of them
export const isTyping = (event) =>
    event.target.closest('input:not([type="checkbox"]), textarea, select, [contenteditable]') !== null ||
    (areOff() && event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey);

export default () => ({
    open: false,
    own: [],
    before: null,
    off: areOff(),
    init() {
        window.addEventListener('show-keys', () => this.show());
        window.addEventListener('keydown', (event) => {
            if (event.key === '?' && !isTyping(event) && !event.ctrlKey && !event.metaKey) {
                event.preventDefault();
                this.show();
            } else if (event.key === 'Escape' && this.open) {
                this.close();
            }
        });
    },
    show() {
        this.own = [...document.querySelectorAll('[data-key]')].map((at) => ({
            key: at.dataset.key,
            does: at.dataset.does,
        }));
        this.before = document.activeElement;
        this.open = true;
        focusShown(() => this.$refs.close);
    },
    close() {
        this.open = false;
        if (this.before) this.before.focus();
    },
    toggle() {
        this.off = !this.off;
        if (this.off) localStorage.setItem(OFF, '1');
        else localStorage.removeItem(OFF);
    },
    get hasOwn() {
        return this.own.length > 0;
    },
});
