import { focusShown } from './focusShown.js';
import { ask } from './server.js';

// Headings for a word, with reasons, counts and cautions; and one heading with what is around it.
const count = (value) => (value === null || value === undefined ? '' : value.toLocaleString('en-GB'));
const countWords = (one) =>
    one.own === null || one.own === undefined
        ? ''
        : one.exploded !== one.own && one.exploded !== null
          ? `${count(one.own)} · ${count(one.exploded)} with narrower`
          : count(one.own);

export default () => ({
    words: '',
    offers: [],
    caution: [],
    heading: null,
    failure: '',
    looking: false,
    searched: false,
    explode: true,
    major: false,
    qualifier: '',
    canAdd: false,
    timer: null,
    asked: 0,
    panel: null,
    init() {
        this.panel = this.$root;
        this.canAdd = 'blocks' in this;
        window.addEventListener('find-heading', ({ detail }) => {
            // what is added next goes to the concept that it was asked for
            if (detail.block) this.target = detail.block;
            this.open(detail.label);
        });
        const start = this.panel.dataset.start;
        if (start) this.open(start);
    },
    openTop({ currentTarget: { dataset } }) {
        this.open(dataset.label);
    },
    typed() {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.find(), 300);
    },
    again() {
        this.heading = null;
        this.find();
    },
    async find() {
        const words = this.words.trim();
        if (words === '') {
            this.offers = [];
            this.caution = [];
            this.searched = false;
            return;
        }
        const number = ++this.asked;
        this.looking = true;
        try {
            const found = await ask(
                'GET',
                `${this.panel.dataset.find}?scheme=${this.$refs.scheme.value}&words=${encodeURIComponent(words)}`,
            );
            if (number !== this.asked) return;
            this.heading = null;
            this.offers = found.offers.map((offer) => ({ ...offer, countWords: countWords(offer) }));
            this.caution = found.caution.map((one) => ({
                ...one,
                words: one.own === null ? '' : `${count(one.own)} records`,
            }));
            this.failure = found.failure;
            this.searched = true;
        } catch (failure) {
            if (number === this.asked) this.failure = failure.message;
        } finally {
            if (number === this.asked) this.looking = false;
        }
    },
    async open(label) {
        const number = ++this.asked;
        this.looking = true;
        this.failure = '';
        try {
            const found = await ask(
                'GET',
                `${this.panel.dataset.heading}?scheme=${this.$refs.scheme.value}&label=${encodeURIComponent(label)}`,
            );
            if (number !== this.asked) return;
            this.heading = {
                ...found,
                countWords: [
                    count(found.counts.own) && `${count(found.counts.own)} records carry it`,
                    found.below > 0 &&
                        count(found.counts.exploded) &&
                        `${count(found.counts.exploded)} with its ${found.below} narrower ${found.below === 1 ? 'heading' : 'headings'}`,
                ]
                    .filter(Boolean)
                    .join(', '),
                noNote: !found.note && !found.definition,
                paths: found.paths
                    .map((path) => ({ words: path.join(' › ') }))
                    .filter((path) => path.words.includes('›')),
                children: found.children.map((child) => ({ ...child, taken: true, countWords: countWords(child) })),
                hasChildren: found.children.length > 0,
                hasQualifiers: found.qualifiers.length > 0,
                names: found.names.map((text) => ({ text, taken: false })),
                hasNames: found.names.length > 0,
                hasRelated: found.related.length > 0,
            };
            this.explode = found.children.length > 0;
            this.major = false;
            this.qualifier = '';
            focusShown(() => this.panel.querySelector('.heading-name'));
        } catch (failure) {
            if (number !== this.asked) return;
            this.failure = failure.status === 404 ? `“${label}” is no heading of this thesaurus.` : failure.message;
        } finally {
            if (number === this.asked) this.looking = false;
        }
    },
    get hasCaution() {
        return this.caution.length > 0;
    },
    get nothing() {
        return this.searched && this.offers.length === 0 && !this.heading && !this.failure;
    },
    get idle() {
        return !this.searched && !this.heading;
    },
    get leafOnly() {
        return !this.explode || !this.canAdd;
    },
    get narrowsEarly() {
        return this.major || this.qualifier !== '';
    },
    get query() {
        const quoted = (text) => `"${text.replace(/"/g, '')}"`;
        const left = this.explode ? this.heading.children.filter((child) => !child.taken) : [];
        return `heading:${quoted(this.heading.label)}${this.explode ? '/narrower' : ''}${left.map((child) => `/less:${quoted(child.label)}`).join('')}${this.major ? '/major' : ''}${this.qualifier ? `/q:${quoted(this.qualifier)}` : ''}`;
    },
    async add() {
        const texts = [
            this.query,
            ...this.heading.names
                .filter((name) => name.taken)
                .map((name) => (name.text.includes(' ') ? `"${name.text}"` : name.text)),
        ];
        const block = this.sheet.blocks.find((one) => one.id === this.target);
        const done = block
            ? await this.send('add-terms', { block: block.id, texts })
            : await this.send('fill', { blocks: [{ name: this.heading.label, terms: texts }] });
        if (!done) return;
        const words = document.getElementById('words');
        words.focus();
        words.select();
    },
});
