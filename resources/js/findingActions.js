import { ask } from './server.js';

// Changes a strategy from another of its pages, then shows that page anew.
export default () => ({
    problem: '',
    isSending: false,
    page: null,
    init() {
        // this.$root is another element where a component within this one calls
        this.page = this.$root;
    },
    async apply(change, values) {
        if (this.isSending) return; // a second press on a slow line would meet the first
        this.isSending = true;
        try {
            await ask('POST', this.page.dataset.url, {
                revision: Number(this.page.dataset.revision),
                change,
                with: values,
            });
            window.location.reload();
        } catch (failure) {
            this.problem = failure.message;
            this.isSending = false;
        }
    },
    // the words that the reader has marked, as a phrase
    addMarked() {
        const marked = window
            .getSelection()
            .toString()
            .replace(/["“”\s]+/g, ' ')
            .trim();
        if (marked === '' || marked.length > 200) {
            this.problem = 'Mark some words of a record first, then press again.';
            return;
        }
        this.addTo(marked.includes(' ') ? `"${marked}"` : marked);
    },
    // what is said on a page stands in attributes: no text of a person or a source becomes part of an expression
    mend({ currentTarget: { dataset } }) {
        this.apply(dataset.change, JSON.parse(dataset.with));
    },
    addOffered({ currentTarget: { dataset } }) {
        this.addTerm(dataset.block, dataset.text);
    },
    addHeading({ currentTarget: { dataset } }) {
        this.addTo(dataset.text);
    },
    // to the concept chosen on the page
    addTo(text) {
        this.addTerm(this.$refs.block.value, text);
    },
    addTerm(block, text) {
        this.apply('add-terms', { block, texts: [text] });
    },
});
