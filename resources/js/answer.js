import { ask } from './server';

// One item of the codebook on the coding page: saved when one leaves it, with its evidence.
export default () => ({
    state: '',
    said: '',
    seen: '',
    last: '',
    init() {
        this.seen = this.$el.dataset.seen;
        this.last = JSON.stringify(this.given());
        window.addEventListener('beforeunload', (event) => {
            if (this.changed) event.preventDefault();
        });
    },
    given() {
        const inputs = [...this.$root.querySelectorAll('[data-value]')];
        const boxes = inputs.filter((input) => input.type === 'checkbox' || input.type === 'radio');
        const ticked = boxes.filter((box) => box.checked).map((box) => box.value);
        const value = boxes.length === 0 ? inputs[0].value : this.$root.dataset.several ? ticked : (ticked[0] ?? '');
        return {
            value,
            quote: this.$root.querySelector('[data-quote]').value,
            place: this.$root.querySelector('[data-place]').value,
        };
    },
    get changed() {
        return JSON.stringify(this.given()) !== this.last;
    },
    async save() {
        if (!this.changed) return;
        const given = this.given();
        const text = JSON.stringify(given);
        this.state = 'busy';
        this.said = 'Saving …';
        try {
            const answer = await ask('PUT', this.$root.dataset.url, { ...given, seen: this.seen });
            this.seen = answer.id;
            this.last = text;
            this.state = 'saved';
            this.said = answer.by ? `Saved by ${answer.by}` : 'Saved: no answer';
        } catch (failure) {
            this.state = 'refused';
            this.said = failure.status === 409 ? `${failure.message} Reload the page to see it.` : failure.message;
        }
    },
    clear() {
        this.$root.querySelectorAll('[data-value]').forEach((input) => {
            if (input.type === 'radio' || input.type === 'checkbox') input.checked = false;
            else input.value = '';
        });
        this.save();
    },
    // what is selected in the text becomes the quote
    quoteSelection() {
        const text = String(window.getSelection()).trim();
        if (text) {
            this.$root.querySelector('[data-quote]').value = text;
            const place = this.$root.querySelector('[data-place]');
            if (!place.value) place.value = 'abstract';
            this.save();
        }
    },
});
