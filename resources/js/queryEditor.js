import { ask } from './server';

// Reads the query while it is typed: mistakes under their columns, the compiled text, and the count once typing rests.
export default () => ({
    query: '',
    problems: [],
    compiled: '',
    notes: [],
    count: null,
    failure: '',
    busy: false,
    timer: null,
    asked: 0,
    init() {
        this.query = this.$refs.query.value;
        this.read();
    },
    typed() {
        clearTimeout(this.timer);
        this.count = null;
        this.timer = setTimeout(() => this.read(), 300);
    },
    async read() {
        if (this.query.trim() === '') {
            this.problems = [];
            this.compiled = '';
            this.count = null;
            return;
        }
        const number = ++this.asked;
        this.busy = true;
        try {
            const answer = await ask('POST', this.$root.dataset.url, { query: this.query, source: this.$refs.source.value, count: true });
            if (number !== this.asked) return;
            this.problems = answer.problems;
            this.compiled = answer.compiled;
            this.notes = answer.notes;
            this.count = answer.count ?? null;
            this.failure = answer.failure ?? '';
        } catch (failure) {
            if (number === this.asked) this.failure = failure.message;
        } finally {
            if (number === this.asked) this.busy = false;
        }
    },
    get hasProblems() {
        return this.problems.length > 0;
    },
    get hasNotes() {
        return this.notes.length > 0;
    },
    get counted() {
        return this.count !== null && !this.hasProblems;
    },
    get countWords() {
        return this.count === null ? '' : `${this.count.toLocaleString('en-GB')} ${this.count === 1 ? 'record' : 'records'}`;
    },
    // the query once more with the places of mistakes underlined
    get underlined() {
        const signs = [...this.query.replace(/\n/g, ' ')];
        const bad = signs.map((_, i) => this.problems.some((p) => i + 1 >= p.start && i + 1 <= p.end));
        const past = this.problems.some((p) => p.start > signs.length);
        const parts = [];
        signs.forEach((sign, i) => {
            const last = parts[parts.length - 1];
            if (last && last.bad === bad[i]) last.text += sign;
            else parts.push({ text: sign, bad: bad[i] });
        });
        if (past) parts.push({ text: '‸', bad: true });
        return parts.map((part, i) => ({ ...part, id: i }));
    },
    select(start, end) {
        const area = this.$refs.query;
        area.focus();
        area.setSelectionRange(start - 1, end);
    },
    copy() {
        navigator.clipboard?.writeText(this.compiled);
    },
});
