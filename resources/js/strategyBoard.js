import { focusShown } from './focusShown.js';
import { inTurn } from './inTurn.js';
import { isTyping } from './keys.js';
import { stillMeans } from './meanwhile.js';
import { ask, data } from './server.js';
import { newNumbers } from './strategyNumbers.js';
import { judged } from './yields.js';

// steps, of which each press means one more
const REPEATED = ['undo', 'redo', 'duplicate-line', 'add-line'];

// The board of concept blocks. Every change is sent at once and answered with the strategy as it then stands; numbers follow by themselves.
const figure = (value) =>
    value === undefined ? '…' : value === null ? '–' : typeof value === 'number' ? value.toLocaleString('en-GB') : '!';
const why = (value) => (value === null ? 'cannot be said in this database' : typeof value === 'string' ? value : '');

export default () => ({
    sheet: { sources: [], blocks: [], chain: [], limits: [], rest: [] },
    numbers: {},
    problem: '',
    meanwhile: '',
    busy: 0,
    sending: [],
    theirs: 0,
    turn: inTurn(),
    counting: false,
    target: '',
    dragged: '',
    editing: '',
    canChange: false,
    counter: null,
    boardRoot: null,
    init() {
        // this.$root is another element where a component within this one calls
        this.boardRoot = this.$root;
        this.sheet = data('sheet');
        this.canChange =
            this.boardRoot.querySelector('.board-add') !== null || this.boardRoot.querySelector('.sheet-foot') !== null;
        this.counter = newNumbers(this.boardRoot.dataset.numbers, (answer) => {
            this.numbers = answer.numbers;
            this.counting = !answer.done;
            const failures = Object.values(answer.failures ?? {});
            if (failures.length > 0) this.problem = failures[0];
        });
        this.target = this.sheet.blocks[0]?.id ?? '';
        this.count();
    },
    count() {
        this.counting = true;
        this.counter.ask();
    },
    // number of a line in a source: undefined while it is being counted, null where it cannot be said
    of(source, id, kind) {
        return this.numbers[source.key]?.[id]?.[kind];
    },
    get blocks() {
        return this.sheet.blocks.map((block, i) => {
            const first = this.sheet.sources[0];
            const whole = first ? this.of(first, block.id, 'own') : 0;
            return {
                ...block,
                at: i + 1,
                title: block.name || 'Concept without a name',
                isRenamed: this.editing === block.id,
                isAlone: !block.combined && block.terms.length > 0,
                combineWords: block.combined ? 'Leave out of the combination' : 'Combine with the others',
                addWords: `Add a term to ${block.name || 'this concept'}`,
                cells: this.sheet.sources.map((source) => {
                    const own = block.terms.length === 0 ? null : this.of(source, block.id, 'own');
                    const broken = own === undefined && block.terms.some((term) => term.problem);
                    return {
                        key: source.key,
                        own: broken ? '!' : figure(own),
                        why: broken
                            ? 'A term of this concept cannot be read: mend it or take it off, and the concept is counted.'
                            : why(own),
                    };
                }),
                terms: block.terms.map((term) => ({
                    ...term,
                    ...this.judged(term, block),
                    numbers: this.pair(term, block),
                    bar: this.bar(first, term, whole, block),
                    isEdited: this.editing === term.id,
                    removeWords: `Take ${term.shown} off`,
                })),
            };
        });
    },
    pair(term, block) {
        return this.sheet.sources.flatMap((source) => {
            const own = this.of(source, term.id, 'own');
            const only = block.terms.length === 1 ? own : this.of(source, term.id, 'only');
            return [
                {
                    key: `${source.key}-own`,
                    text: figure(own),
                    why: why(own),
                    cls: own === 0 ? 'zero' : '',
                    // a heading that cannot be said there has nothing that stands for it yet
                    map: own === null && term.heading ? `${this.boardRoot.dataset.translation}#${term.id}` : '',
                    mapWords: `${term.heading} is no heading of ${source.short}: map it`,
                },
                {
                    key: `${source.key}-only`,
                    text: own === null ? '–' : figure(only),
                    why: why(only),
                    cls: `only${own > 0 && only === 0 ? ' zero' : ''}`,
                    map: '',
                },
            ];
        });
    },
    bar(source, term, whole, block) {
        const own = source ? this.of(source, term.id, 'own') : 0;
        const only = source ? (block.terms.length === 1 ? own : this.of(source, term.id, 'only')) : 0;
        if (typeof own !== 'number' || typeof whole !== 'number' || whole === 0) return { own: 0, from: 0, only: 0 };
        const share = (100 * own) / whole;
        const dark = typeof only === 'number' ? (100 * only) / whole : 0;
        return { own: share, from: share - dark, only: dark };
    },
    judged(term, block) {
        const able = this.sheet.sources.filter((source) => this.of(source, term.id, 'own') !== null);
        return judged(
            able.map((source) => [this.of(source, term.id, 'own'), this.of(source, term.id, 'only')]),
            able.map((source) => this.of(source, block.id, 'own')),
            block.terms.length,
        );
    },
    get sums() {
        const first = this.sheet.sources[0];
        const combined = this.sheet.blocks
            .map((block, i) => [block, i + 1])
            .filter(([block]) => block.combined && block.terms.length > 0);
        const rows = this.sheet.chain.map((line, i) => ({
            id: line.id,
            words: combined
                .slice(0, i + 2)
                .map(([, at]) => at)
                .join(' AND '),
            lacks: '',
            isLimit: false,
        }));
        for (const limit of this.sheet.limits) {
            const lacks =
                limit.lacking.length > 0
                    ? `${limit.lacking.join(' and ')} ${limit.lacking.length > 1 ? 'have' : 'has'} no such limit`
                    : '';
            rows.push({
                id: limit.id,
                words: `${limit.exclude ? 'All but' : 'Limit:'} ${limit.text}`,
                lacks,
                isLimit: true,
            });
        }
        const most = first ? Math.max(1, ...this.sheet.blocks.map((block) => this.of(first, block.id, 'own') || 0)) : 1;
        return rows.map((row) => ({
            ...row,
            cells: this.sheet.sources.map((source) => ({
                key: source.key,
                own: figure(this.of(source, row.id, 'own')),
                why: why(this.of(source, row.id, 'own')),
            })),
            bar: first ? (100 * (this.of(first, row.id, 'own') || 0)) / most : 0,
        }));
    },
    get rest() {
        return this.sheet.rest.map((line) => ({
            ...line,
            cells: this.sheet.sources.map((source) => ({
                key: source.key,
                own: line.text === '' ? '' : figure(this.of(source, line.id, 'own')),
            })),
        }));
    },
    get shareOf() {
        return this.sheet.sources.length > 0 ? `share in ${this.sheet.sources[0].short}` : '';
    },
    get columns() {
        return 3 + 2 * this.sheet.sources.length;
    },
    findHinted({ currentTarget: { dataset } }) {
        this.$dispatch('find-heading', { label: dataset.label, block: dataset.block });
    },
    lacksTerm(id) {
        return id === '' || this.sheet.blocks.some((block) => block.id === id && block.terms.length === 0);
    },
    get isNaming() {
        return this.editing === 'new-block';
    },
    get isEmpty() {
        return this.sheet.blocks.length === 0 && this.sheet.rest.length === 0;
    },
    get cannotUndo() {
        return !this.sheet.canUndo;
    },
    get cannotRedo() {
        return !this.sheet.canRedo;
    },
    get stateWords() {
        if (this.busy > 0) return 'Saving …';
        if (this.meanwhile) return this.meanwhile;
        return this.counting ? 'Counting …' : `Saved. Last: ${this.sheet.change}`;
    },
    // one after the other, so that no change of one's own looks like somebody else's; one that is on its way is not
    // sent twice by a second press, but a step back is a step each time
    async send(change, values = {}) {
        const pressed = this.sheet;
        const theirs = this.theirs;
        const name = JSON.stringify([change, values]);
        if (this.sending.includes(name) && !REPEATED.includes(change)) return false;
        this.sending.push(name);
        this.busy++;
        this.problem = '';
        try {
            return await this.turn(() => {
                // while it waited its turn, somebody else's change came
                if (theirs === this.theirs || stillMeans(change, values, pressed, this.sheet)) return this.sendNow(change, values);
                this.problem ||= 'Somebody changed the strategy meanwhile. It is shown now as it stands; make your change again if it is still wanted.';
                return false;
            });
        } finally {
            this.busy--;
            this.sending.splice(this.sending.indexOf(name), 1);
        }
    },
    async sendNow(change, values, again = true) {
        const before = this.sheet;
        try {
            this.show(
                await ask('POST', this.boardRoot.dataset.url, { revision: before.revision, change, with: values }),
            );
            return true;
        } catch (failure) {
            this.problem = failure.message;
            if (failure.body?.sheet) {
                this.theirs++;
                this.show(failure.body.sheet);
            }
            return again && failure.body?.sheet && stillMeans(change, values, before, this.sheet)
                ? await this.sendAgain(change, values)
                : false;
        }
    },
    async sendAgain(change, values) {
        const done = await this.sendNow(change, values, false);
        if (done) this.meanwhile = 'Somebody changed the strategy meanwhile; your change was added to theirs.';
        return done;
    },
    show(sheet) {
        this.sheet = sheet;
        this.meanwhile = '';
        this.count();
    },
    focusBlock(block) {
        this.target = block.id;
    },
    async addTyped(block, event) {
        const input = event.target;
        const text = input.value.trim();
        if (text === '') return;
        input.value = ''; // the next is written while this one is on its way
        if (!(await this.send('add-terms', { block: block.id, texts: [text] })))
            input.value = [text, input.value].filter((one) => one !== '').join(' OR ');
    },
    pasted(block, event) {
        const text = event.clipboardData.getData('text');
        const lines = text
            .split(/[\r\n;]+/)
            .map((line) => line.trim())
            .filter((line) => line !== '');
        if (lines.length > 1) {
            event.preventDefault();
            this.send('add-terms', { block: block.id, texts: lines });
        }
    },
    // what is being written in place: a term, a concept's name, or a new concept
    edit(id) {
        this.editing = id;
        focusShown(
            () => this.boardRoot.querySelector(`[data-edit="${id}"]`),
            (input) => input.select(),
        );
    },
    addBlock() {
        this.edit('new-block');
    },
    async nameNew(event) {
        if (event.target.value.trim() !== '' && (await this.send('add-block', { name: event.target.value }))) {
            event.target.value = '';
            this.editing = '';
            const added = this.sheet.blocks[this.sheet.blocks.length - 1];
            this.target = added.id;
            this.focusOn(`[data-block="${added.id}"] .board-add [data-term-field]`);
        }
    },
    async rename(block, event) {
        if (
            event.target.value.trim() !== '' &&
            (await this.send('rename-block', { block: block.id, name: event.target.value }))
        )
            this.editing = '';
    },
    async rewrite(term, event) {
        const text = event.target.value.trim();
        if (text === '' || text === term.text || (await this.send('set-line', { line: term.id, text })))
            this.stopEditing(term.id);
    },
    stopEditing(id) {
        this.editing = '';
        this.focusOn(`[data-term="${id}"]`);
    },
    toBoard() {
        this.boardRoot.querySelector('[data-term], .board-add [data-term-field], [data-key="N"]')?.focus();
    },
    moveBlock(block, by) {
        this.send('move-block', { block: block.id, to: Math.max(1, block.at + by) });
    },
    combine(block) {
        this.send('combine-block', { block: block.id, on: !block.combined });
    },
    async removeBlock(block) {
        const all = this.sheet.blocks;
        const next = all[all.findIndex((one) => one.id === block.id) + 1] ?? all.at(-2);
        if (await this.send('remove-block', { block: block.id }))
            this.focusOn(next ? `[data-block="${next.id}"] .board-add [data-term-field]` : '[data-key="N"]');
    },
    async removeTerm(term) {
        const block = this.sheet.blocks.find((one) => one.terms.some((other) => other.id === term.id));
        const at = block.terms.findIndex((one) => one.id === term.id);
        const next = block.terms[at + 1] ?? block.terms[at - 1];
        if (await this.send('remove-term', { line: term.id }))
            this.focusOn(next ? `[data-term="${next.id}"]` : `[data-block="${block.id}"] .board-add [data-term-field]`);
    },
    async removeLimit(row) {
        if (await this.send('remove-limit', { line: row.id })) this.focusOn('[aria-label="The board"]');
    },
    // where the hand goes on after what had the focus is gone
    focusOn(selector) {
        focusShown(() => this.boardRoot.querySelector(selector));
    },
    openTerm(term) {
        if (term.heading) {
            this.$dispatch('find-heading', {
                label: term.heading,
                block: this.sheet.blocks.find((one) => one.terms.some((other) => other.id === term.id)).id,
            });
        } else if (this.canChange) {
            this.edit(term.id);
        }
    },
    async termKey(term, block, event) {
        if (!this.canChange) return;
        if (event.key === 'Delete' || event.key === 'Backspace') {
            event.preventDefault();
            this.removeTerm(term);
        } else if (event.key === 'e') {
            event.preventDefault();
            this.edit(term.id);
        } else if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
            event.preventDefault();
            await this.moveByKey(term, block, event.key === 'ArrowUp' ? -1 : 1);
        } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
            event.preventDefault();
            const all = [...this.boardRoot.querySelectorAll('[data-term]')];
            all[all.indexOf(event.currentTarget) + (event.key === 'ArrowUp' ? -1 : 1)]?.focus();
        }
    },
    async moveByKey(term, block, by) {
        const at = block.terms.findIndex((one) => one.id === term.id) + 1;
        const blocks = this.sheet.blocks;
        const place = blocks.findIndex((one) => one.id === block.id);
        let to = { block: block.id, to: at + by };
        // beyond the last or first of a concept lies the next or previous one
        if (at + by < 1 || at + by > block.terms.length) {
            const next = blocks[place + by];
            if (!next) return;
            to = { block: next.id, to: by < 0 ? next.terms.length + 1 : 1 };
        }
        await this.send('move-term', { line: term.id, ...to });
        this.focusOn(`[data-term="${term.id}"]`);
    },
    drag(term, event) {
        this.dragged = term.id;
        event.dataTransfer.setData('text/plain', term.text); // some browsers drag nothing that is empty
    },
    dropOn(block, event) {
        if (this.dragged === '') return;
        const row = event.target.closest('tr');
        const rows = [...row.parentElement.querySelectorAll('.board-term')];
        const at = rows.indexOf(row);
        this.send('move-term', { line: this.dragged, block: block.id, to: at < 0 ? block.terms.length + 1 : at + 1 });
        this.dragged = '';
    },
    limitYears() {
        const from = this.$refs.from.value.trim();
        const to = this.$refs.to.value.trim();
        this.send('add-limit', { text: from === to ? `year:${from}` : `year:${from}-${to}` });
    },
    limitTo(exclude) {
        this.send('add-limit', { text: this.$refs.limit.value, exclude });
    },
    undo() {
        this.send('undo');
    },
    redo() {
        this.send('redo');
    },
    key(event) {
        const isUndo = (event.ctrlKey || event.metaKey) && event.key === 'z';
        if (isUndo && !isTyping(event)) {
            event.preventDefault();
            event.shiftKey ? this.redo() : this.undo();
        } else if (!isTyping(event) && !event.ctrlKey && !event.metaKey && !event.altKey) {
            const does = {
                n: () => this.boardRoot.querySelector('[data-edit="new-block"]') && this.addBlock(),
                z: () => this.sheet.canUndo && this.undo(),
                y: () => this.sheet.canRedo && this.redo(),
                t: () => document.getElementById('words')?.focus(),
                b: () => this.toBoard(),
            }[event.key];
            if (does && this.canChange) {
                event.preventDefault();
                does();
            }
        }
    },
});
