import { PaperSheet } from './paperSheet.js';
import { selectedIn } from './selectedWords.js';
import { ask } from './server.js';

const ABSTRACT = 'abstract';

// outside the component: what it watches must not be wrapped
let sheet = null;
let opening = Promise.resolve();

// The middle of the Coding Desk: which copy is open and how, what is marked in it, and words to be found in it.
export default () => ({
    copies: [],
    source: ABSTRACT,
    isPlain: 'false',
    told: '',
    page: 0,
    found: [],
    finding: 0,
    foundAt: -1,
    begin(copies) {
        this.copies = copies;
        sheet = new PaperSheet(
            {
                scroll: this.$refs.scroll,
                pdf: this.$refs.pdf,
                plain: this.$refs.plain,
                abstract: this.$refs.abstract,
            },
            {
                told: (words) => {
                    this.told = /^\d/.test(words) ? '' : words;
                },
                pressed: (item) => this.goTo(item),
            },
        );
        this.$refs.scroll.addEventListener('scroll', () => {
            this.page = sheet.page;
        });
        this.first = this.show(copies[0]?.id ?? ABSTRACT);
    },
    get copy() {
        return this.copies.find((one) => one.id === this.source) ?? null;
    },
    get sources() {
        const several = this.copies.length > 1;
        const all = [
            ...this.copies.map((one, i) => ({ id: one.id, name: several ? `PDF ${i + 1}` : 'PDF', about: `${one.report}: ${one.name}` })),
            { id: ABSTRACT, name: 'Abstract', about: 'Title and abstract' },
        ];
        return all.map((one) => ({ ...one, current: one.id === this.source ? 'true' : 'false' }));
    },
    get isPaper() {
        return this.copy !== null;
    },
    get isPrinted() {
        return this.isPaper && this.isPlain === 'false';
    },
    get isPlainText() {
        return this.isPaper && this.isPlain === 'true';
    },
    get isAbstract() {
        return !this.isPaper;
    },
    get plainWords() {
        return this.isPlain === 'true' ? 'as printed' : 'as plain text';
    },
    get pageWords() {
        return this.isPrinted && this.page > 0 && this.copy.pages ? `page ${this.page} of ${this.copy.pages}` : '';
    },
    get foundWords() {
        if (this.found.length === 0) return this.foundAt === -2 ? 'not found' : '';
        return `${this.foundAt + 1} of ${this.found.length}`;
    },
    async show(id) {
        this.source = id;
        this.page = 0;
        await this.$nextTick();
        opening = sheet.open(this.copy, this.isPlain === 'true');
        await opening;
        this.page = sheet.page;
    },
    async turnPlain() {
        if (!this.isPaper) return;
        this.isPlain = this.isPlain === 'true' ? 'false' : 'true';
        await this.show(this.source);
    },
    // everything that is evidence or proposed, where it stands
    remark() {
        if (!sheet) return;
        const marks = this.items.flatMap((item) =>
            item.answer.evidence.map((piece) => ({ piece, item: item.id, look: item.id === this.at ? 'current' : 'evidence' })),
        );
        const leads = this.leads
            .filter((lead) => lead.evidence)
            .map((lead) => ({ piece: lead.evidence, item: lead.code, look: 'lead' }));
        const found = this.found.map((one) => ({ piece: { ...one, copy: this.source, quote: '' }, item: '', look: 'found' }));
        sheet.mark(this.isNumbers ? [...this.resultMarks(), ...found] : [...this.passageMarks(), ...leads, ...marks, ...found]);
    },
    async see(piece) {
        const source = piece.copy || ABSTRACT;
        if (source !== this.source) await this.show(source);
        await this.$nextTick();
        await opening;
        sheet.goTo(piece);
    },
    quote() {
        const pieces = selectedIn(this.$refs.scroll, this.copy?.id ?? '');
        if (pieces.length === 0) {
            this.problem = 'No words are marked in the paper. Select some, then press E.';
            return;
        }
        window.getSelection().removeAllRanges();
        this.give({ evidence: [...this.item.answer.evidence, ...pieces.map((one) => ({ ...one, where: one.page ? `page ${one.page}` : ABSTRACT }))] });
    },
    takeOff(piece) {
        this.give({ evidence: this.item.answer.evidence.filter((_, i) => i !== piece.number) });
    },
    async find(event) {
        const words = event.target.value.trim();
        const { source } = this;
        const mine = ++this.finding; // answers to what was typed before may come later
        let found = [];
        try {
            if (words.length > 1) ({ found } = await ask('GET', `${this.copy.paper}/find?q=${encodeURIComponent(words)}`));
        } catch (failure) {
            this.problem = failure.message;
            return;
        }
        if (source !== this.source || mine !== this.finding) return;
        this.found = found;
        this.foundAt = found.length ? 0 : words ? -2 : -1;
        this.remark();
        if (found.length) sheet.goTo({ ...found[0], quote: words });
    },
    // words that an address asks for
    async findFirst(words) {
        await this.first;
        this.$refs.find.value = words;
        await this.find({ target: { value: words } });
    },
    findNext() {
        if (this.found.length === 0) return;
        this.foundAt = (this.foundAt + 1) % this.found.length;
        sheet.goTo({ ...this.found[this.foundAt], quote: this.$refs.find.value });
    },
    endFind() {
        this.$refs.find.value = '';
        this.found = [];
        this.foundAt = -1;
        this.$refs.find.blur();
        this.remark();
    },
});
