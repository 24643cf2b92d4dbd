import { ask } from './server.js';

// Below a field for a term, while it is being typed: what it finds, and headings that go on from it, each with its other names to tick.
const PAUSE = 300;
const number = (value) => value.toLocaleString('en-GB');
const carried = (offer) => {
    if (offer.own === null) return '';
    const narrower =
        offer.exploded !== null && offer.exploded !== offer.own ? `, ${number(offer.exploded)} with narrower` : '';
    return `${number(offer.own)} in ${offer.source}${narrower}`;
};
const quoted = (name) => (/[^\p{L}\p{N}]/u.test(name) ? `"${name.replace(/"/g, '')}"` : name);

export default () => ({
    shown: false,
    finds: '',
    offers: [],
    typedWords: '',
    timer: null,
    asked: 0,
    place: null,
    init() {
        this.place = this.$root;
    },
    // the piece that is being written: of several synonyms the last
    current(field) {
        return field.value
            .slice(0, field.selectionStart)
            .split(/\n|\bOR\b/)
            .pop()
            .trim();
    },
    suggest(event) {
        clearTimeout(this.timer);
        const field = event.target;
        this.timer = setTimeout(() => this.look(field), PAUSE);
    },
    async look(field) {
        const words = this.current(field);
        const mine = ++this.asked;
        if (words.length < 2 || words.includes(':')) {
            this.away();
            return;
        }
        const sources = this.sources()
            .map((source) => `&sources[]=${encodeURIComponent(source)}`)
            .join('');
        try {
            const found = await ask(
                'GET',
                `${this.place.dataset.suggest}?words=${encodeURIComponent(words)}${sources}`,
            );
            if (mine !== this.asked || document.activeElement !== field) return;
            this.typedWords = words;
            this.finds = found.finds.map((one) => `${number(one.count)} in ${one.source}`).join(', ');
            this.offers = found.offers.map((offer) => ({
                ...offer,
                taken: false,
                countWords: carried(offer),
                names: offer.names.map((text) => ({ text, term: quoted(text), taken: false })),
            }));
            this.shown = this.finds !== '' || this.offers.length > 0;
        } catch {
            this.away(); // the typed term can be added all the same
        }
    },
    sources() {
        const boxes = [...document.querySelectorAll('input[name="sources[]"]:checked')].map((box) => box.value);
        return boxes.length > 0 ? boxes : (this.sheet?.sources ?? []).map((source) => source.key);
    },
    get hasOffers() {
        return this.offers.length > 0;
    },
    get taken() {
        return this.offers.flatMap((offer) => [
            ...(offer.taken ? [offer.term] : []),
            ...offer.names.filter((name) => name.taken).map((name) => name.term),
        ]);
    },
    get nothingTaken() {
        return this.taken.length === 0;
    },
    get addWords() {
        if (this.nothingTaken) return 'Tick what to add';
        return this.taken.length === 1 ? 'Add the one ticked' : `Add the ${this.taken.length} ticked`;
    },
    away() {
        this.asked++;
        this.shown = false;
        this.offers = [];
    },
    left(event) {
        if (!this.place.contains(event.relatedTarget)) this.away();
    },
    intoList(event) {
        const first = this.place.querySelector('.suggestions input');
        const field = event.target;
        const atEnd = field.tagName !== 'TEXTAREA' || field.selectionEnd === field.value.length;
        if (this.shown && first && atEnd) {
            event.preventDefault();
            first.focus();
        }
    },
    step(event, by) {
        const all = [...this.place.querySelectorAll('.suggestions input, .suggestions button')].filter(
            (one) => !one.disabled && one.offsetParent !== null,
        );
        event.preventDefault();
        const next = all[all.indexOf(event.target) + by];
        (next ?? this.place.querySelector('[data-term-field]')).focus();
    },
    entered(block, event) {
        this.away();
        this.addTyped(block, event);
    },
    back() {
        this.away();
        this.place.querySelector('[data-term-field]').focus();
    },
    // on the board they go into the concept; in a form they are written into the field
    async addTaken(block) {
        const field = this.place.querySelector('[data-term-field]');
        const terms = this.taken;
        if (block) {
            // what was ticked stays ticked until it is there
            if (!(await this.send('add-terms', { block: block.id, texts: terms }))) return;
            field.value = '';
        } else {
            const before = field.value.slice(0, field.selectionStart);
            const kept = before.slice(0, before.length - this.current(field).length);
            field.value = [
                ...kept
                    .split(/\n|\bOR\b/)
                    .map((one) => one.trim())
                    .filter((one) => one !== ''),
                this.current(field),
                ...terms,
            ]
                .filter((one) => one !== '')
                .join('\n');
            field.rows = Math.min(10, Math.max(field.rows, terms.length + 2));
        }
        this.back();
    },
});
