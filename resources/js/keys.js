// The sheet of keys that ? opens, filled from what the page says it listens to.
export const isTyping = (event) => event.target.closest('input:not([type="checkbox"]), textarea, select, [contenteditable]') !== null;

export default () => ({
    open: false,
    own: [],
    before: null,
    init() {
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
        this.own = [...document.querySelectorAll('[data-key]')].map((at) => ({ key: at.dataset.key, does: at.dataset.does }));
        this.before = document.activeElement;
        this.open = true;
        this.$nextTick(() => this.$refs.close.focus());
    },
    close() {
        this.open = false;
        if (this.before) this.before.focus();
    },
    get hasOwn() {
        return this.own.length > 0;
    },
});
