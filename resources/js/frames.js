// The form of a question: shows the parts of the frame that is chosen, and one more row for a concept of one's own.
export default () => ({
    choose() {
        for (const parts of this.$root.querySelectorAll('[data-frame]')) {
            parts.hidden = parts.dataset.frame !== this.$refs.frame.value;
            parts.disabled = parts.hidden;
        }
    },
    add() {
        const spare = this.$root.querySelector('[data-spare]');
        const row = spare.cloneNode(true);
        const number = this.$root.querySelectorAll('.own-concept').length;
        spare.hidden = false;
        spare.removeAttribute('data-spare');
        for (const input of row.querySelectorAll('input, textarea')) {
            input.name = input.name.replace(/\[\d+\]/, `[${number}]`);
            input.setAttribute('aria-label', input.getAttribute('aria-label').replace(/\d+/, number + 1));
        }
        spare.after(row);
        spare.querySelector('input').focus();
    },
    init() {
        this.choose(); // after going back, browsers keep what was chosen
    },
});
