import { AnswerQueue } from './answerQueue.js';
import { selectedIn } from './selectedWords.js';
import { ask } from './server.js';
import { body, fieldsOf, newRow, nextField, numberIn, offerWords, rowWords } from './numberRows.js';

const copyOf = (row) => JSON.parse(JSON.stringify(row));

// The third pass of the Coding Desk: results of outcomes, number by number, each with the words it rests on. A number is
// taken from the paper by a press on it, or by selecting it and the same key that marks evidence.
let queue = null;

export default () => ({
    numbers: null,
    atRow: '',
    fieldAt: '',
    numbersDone: [],
    // what was given of a row that somebody else had changed, by row
    refusedRows: {},
    numbersSaved: '',
    numbersProblem: '',
    get isNumbers() {
        return this.pass === 'numbers';
    },
    get isCoding() {
        return this.pass !== 'numbers';
    },
    get numbersPressed() {
        return this.isNumbers ? 'true' : 'false';
    },
    get rowCount() {
        return this.numbers ? String(this.numbers.rows.length) : '';
    },
    get row() {
        return this.numbers?.rows.find((one) => one.row === this.atRow) ?? null;
    },
    get hasRow() {
        return this.isNumbers && this.row !== null;
    },
    get noRow() {
        return this.isNumbers && this.row === null;
    },
    get noOutcomes() {
        return this.isNumbers && this.numbers !== null && this.numbers.outcomes.length === 0;
    },
    get outcome() {
        return this.numbers?.outcomes.find((one) => one.id === this.row?.outcome) ?? null;
    },
    get outcomeName() {
        return this.outcome ? `${this.outcome.name}${this.outcome.unit ? `, ${this.outcome.unit}` : ''}` : '';
    },
    get comparison() {
        return this.numbers?.comparisons.find((one) => one.id === this.row?.comparison) ?? null;
    },
    get isOfTwo() {
        return this.outcome?.isOfTwo === true;
    },
    get isOfOne() {
        return !this.isOfTwo;
    },
    get scales() {
        return this.outcome?.scales ?? [];
    },
    get hasScales() {
        return this.scales.length > 0;
    },
    get outcomeLists() {
        return (this.numbers?.outcomes ?? []).map((one) => ({
            ...one,
            offers: (this.numbers.offers ?? []).filter((offer) => offer.outcome === one.id).map((offer) => ({
                key: `${offer.comparison} ${offer.label} ${Object.values(offer.given).join(' ')}`,
                offer,
                words: offerWords(offer),
            })),
            rows: this.numbers.rows
                .filter((row) => row.outcome === one.id)
                .map((row) => ({ id: row.row, words: rowWords(row), said: row.effects[0]?.shown ?? '', current: row.row === this.atRow ? 'true' : 'false' })),
        }));
    },
    get forms() {
        return (this.numbers?.forms ?? [])
            .filter((one) => one.kind === this.outcome?.kind)
            .map((one) => ({ ...one, chosen: one.id === this.row?.form }));
    },
    get designs() {
        return (this.numbers?.designs ?? []).map((one) => ({ ...one, chosen: one.id === this.row?.design }));
    },
    get comparisons() {
        return (this.numbers?.comparisons ?? []).map((one) => ({ ...one, chosen: one.id === this.row?.comparison }));
    },
    get scaleChoices() {
        return this.scales.map((name) => ({ name, chosen: name === this.row?.scale }));
    },
    // a line of the grid: one field for both groups together, or one for each
    get lines() {
        return fieldsOf(this.numbers, this.row).map((line) => ({
            ...line,
            cells: line.fields.map((field) => ({
                ...field,
                value: this.row.given[field.key] ?? '',
                rests: (this.row.evidence[field.key] ?? []).length > 0 ? 'true' : 'false',
                look: field.key === this.fieldAt ? 'input at-hand' : 'input',
                name: `${field.label}${field.arm ? `, ${this.armName(field.arm)}` : ''}`,
            })),
        }));
    },
    get armOne() {
        return this.row?.own1 || (this.comparison?.arms[1] ?? '');
    },
    get armTwo() {
        return this.row?.own2 || (this.comparison?.arms[2] ?? '');
    },
    get steps() {
        return (this.row?.steps ?? []).map((one, key) => ({
            key,
            words: `${one.what}: ${one.formula}${one.result === '' ? '' : ` = ${one.result}`}`,
            source: one.source ? `(${one.source})` : '',
        }));
    },
    get effects() {
        return this.row?.effects ?? [];
    },
    get checks() {
        return (this.row?.checks ?? []).map((words, key) => ({ key, words }));
    },
    get hasChecks() {
        return this.checks.length > 0;
    },
    get pieces() {
        return Object.entries(this.row?.evidence ?? {}).flatMap(([field, pieces]) =>
            pieces.map((piece, i) => ({ ...piece, key: `${field} ${i}`, field, quoted: `“${piece.quote}”` })),
        );
    },
    get timeTold() {
        return this.row?.time ?? '';
    },
    get daysTold() {
        return this.row?.days ?? '';
    },
    get ownOne() {
        return this.row?.own1 ?? '';
    },
    get ownTwo() {
        return this.row?.own2 ?? '';
    },
    get noteTold() {
        return this.row?.note ?? '';
    },
    get fieldWords() {
        const field = this.fields.find((one) => one.key === this.fieldAt);
        return field ? `Next: ${field.label}${field.arm ? `, ${this.armName(field.arm)}` : ''}` : '';
    },
    get fields() {
        return fieldsOf(this.numbers, this.row).flatMap((line) => line.fields);
    },
    get isRowRefused() {
        return this.atRow in this.refusedRows;
    },
    get nothingUndone() {
        return this.numbersDone.length === 0;
    },
    armName(arm) {
        return arm === 1 ? this.armOne : this.armTwo;
    },
    async turnNumbers() {
        this.pass = 'numbers';
        this.at = '';
        try {
            if (!this.numbers) await this.loadNumbers();
        } catch (failure) {
            this.numbersProblem = failure.message;
            return;
        }
        if (!this.row) this.goToRow(this.numbers.rows[0]?.row ?? '');
        this.remark();
    },
    async loadNumbers() {
        const held = queue?.all ?? {};
        this.numbers = await ask('GET', this.urls.results);
        // what did not reach the server before a reload is shown, and sent again
        Object.entries(held).forEach(([id, entry]) => {
            const here = this.numbers.rows.find((one) => one.row === id);
            if (here) Object.assign(here, entry.body);
            else this.numbers.rows.push({ ...newRow(id, { id: entry.body.outcome, kind: '' }, this.numbers), ...entry.body });
        });
    },
    beginNumbers(user, publication, asked) {
        queue = new AnswerQueue(`heron-numbers-${user}-${publication}`, {
            answered: (id, result, isNewest) => this.tookResult(id, result, isNewest),
            refused: (id, entry, failure) => this.refusedResult(id, entry, failure),
            failed: (failure) => {
                this.cutOff = `${failure.message} ${queue.whereKept}`;
            },
            changed: (count, failing) => {
                this.numbersSaved = count === 0 ? 'Saved' : failing ? `${count} not sent yet` : 'Saving …';
                if (count === 0 || !failing) this.cutOff = '';
            },
        });
        window.addEventListener('online', () => queue.flush());
        queue.flush();
        if (asked !== null) this.turnNumbers().then(() => this.goToRow(asked || this.atRow));
    },
    goToRow(id) {
        this.atRow = id;
        this.numbersProblem = '';
        this.fieldAt = nextField(this.fields, this.row, '');
        if (this.row) history.replaceState(null, '', `#result-${id}`);
        this.remark();
        if (this.pieces.length) this.see(this.pieces[0]);
    },
    addRow(outcome) {
        const row = newRow('', this.numbers.outcomes.find((one) => one.id === outcome), this.numbers);
        this.numbers.rows = [...this.numbers.rows, row];
        this.goToRow(row.row);
    },
    // a row of a table that nobody has taken yet
    takeOffer(offer) {
        const outcome = this.numbers.outcomes.find((one) => one.id === offer.outcome);
        const row = { ...newRow('', outcome, this.numbers), comparison: offer.comparison, form: offer.form };
        this.numbers.rows.push(row);
        this.numbers.offers = this.numbers.offers.filter((one) => one !== offer);
        this.goToRow(row.row);
        this.changeRow({ given: { ...offer.given }, evidence: copyOf(offer.evidence) });
        this.goToRow(row.row);
    },
    // everything that changes a result comes through here
    changeRow(change) {
        const row = this.row;
        if (!row || !this.mayCode) return;
        this.numbersDone = [...this.numbersDone.slice(-99), { row: row.row, before: copyOf(row) }];
        Object.assign(row, change);
        this.sendRow(row);
    },
    sendRow(row) {
        this.numbersProblem = '';
        queue.add(row.row, { url: `${this.numbers.url}/${row.row}`, body: body(row), seen: row.id });
        this.remark();
    },
    setOf(key, event) {
        if (event.target.value !== this.row[key]) this.changeRow({ [key]: event.target.value });
        this.fieldAt = this.fieldAt || nextField(this.fields, this.row, '');
    },
    setForm(event) {
        this.changeRow({ form: event.target.value });
        this.fieldAt = nextField(this.fields, this.row, '');
    },
    setNumber(key, event) {
        const value = event.target.value.trim();
        if (value === (this.row.given[key] ?? '')) return;
        this.changeRow({ given: { ...this.row.given, [key]: value } });
    },
    hold(key) {
        this.fieldAt = key;
    },
    // the selected number goes into the field at hand, with its words, and the next field is at hand
    take() {
        const pieces = selectedIn(this.$refs.scroll, this.copy?.id ?? '');
        const number = pieces.length ? numberIn(pieces[0].quote) : '';
        if (!this.fieldAt || number === '') {
            this.numbersProblem = this.fieldAt ? 'Select a number in the paper, then press E.' : 'Every number is there. Choose one to take it anew.';
            return;
        }
        const key = this.fieldAt;
        window.getSelection().removeAllRanges();
        this.changeRow({
            given: { ...this.row.given, [key]: number },
            evidence: { ...this.row.evidence, [key]: pieces.map((one) => ({ ...one, where: one.page ? `page ${one.page}` : 'abstract' })) },
        });
        this.fieldAt = nextField(this.fields, this.row, key);
    },
    // a press on a number in the paper takes it
    pressedPaper(event) {
        if (!this.hasRow || !this.mayCode || !window.getSelection().isCollapsed) return;
        const at = document.caretPositionFromPoint?.(event.clientX, event.clientY) ?? document.caretRangeFromPoint?.(event.clientX, event.clientY);
        const node = at?.offsetNode ?? at?.startContainer;
        const offset = at?.offset ?? at?.startOffset;
        if (node?.nodeType !== Node.TEXT_NODE) return;
        const from = node.data.slice(0, offset).search(/[^\s()[\]/]*$/);
        const rest = node.data.slice(offset).search(/[\s()[\]/]|$/);
        const word = node.data.slice(from, offset + rest);
        if (numberIn(word) === '') return;
        const range = document.createRange();
        range.setStart(node, from);
        range.setEnd(node, offset + rest);
        window.getSelection().removeAllRanges();
        window.getSelection().addRange(range);
        this.take();
    },
    undoNumber() {
        const last = this.numbersDone.at(-1);
        const row = this.numbers?.rows.find((one) => one.row === last?.row);
        if (!row) return;
        this.numbersDone = this.numbersDone.slice(0, -1);
        Object.assign(row, { ...last.before, id: row.id });
        this.goToRow(row.row);
        this.sendRow(row);
    },
    withdrawRow() {
        const row = this.row;
        if (!row) return;
        if (row.id !== '' || row.row in queue.all) {
            queue.add(row.row, { url: `${this.numbers.url}/${row.row}`, body: { ...body(row), withdrawn: true }, seen: row.id });
        }
        this.numbers.rows = this.numbers.rows.filter((one) => one !== row);
        this.goToRow(this.numbers.rows[0]?.row ?? '');
    },
    tookResult(id, result, isNewest) {
        const row = this.numbers?.rows.find((one) => one.row === id);
        delete this.refusedRows[id];
        if (!row) return;
        if (isNewest) Object.assign(row, result);
        else row.id = result.id;
        this.remark();
    },
    // what stands is known before anybody is offered to put his own in its place
    async refusedResult(id, entry, failure) {
        if (failure.status === 409) {
            await this.loadNumbers().catch(() => {});
            this.refusedRows[id] = entry.body;
        }
        Object.assign(this, { pass: 'numbers', at: '' });
        this.goToRow(id);
        this.numbersProblem = failure.status === 409 ? `${failure.message} Yours is not saved.` : failure.message;
    },
    useRefusedRow() {
        const mine = this.refusedRows[this.atRow];
        delete this.refusedRows[this.atRow];
        if (!mine) return;
        if (mine.withdrawn) {
            this.withdrawRow();
            return;
        }
        if (!this.row) this.addRow(mine.outcome); // the other was withdrawn, so that mine is one of its own
        this.changeRow(mine);
    },
    // a row of a table that several numbers rest on is marked once
    resultMarks() {
        if (!this.isNumbers || !this.numbers) return [];
        const marks = new Map();
        for (const row of this.numbers.rows) {
            const look = row.row === this.atRow ? 'current' : 'evidence';
            for (const piece of Object.values(row.evidence).flat()) {
                const place = `${piece.copy} ${piece.page} ${piece.quote} ${piece.boxes}`;
                if (look === 'current' || !marks.has(place)) marks.set(place, { piece, item: '', look });
            }
        }
        return [...marks.values()];
    },
    stepRow(by) {
        const rows = this.outcomeLists.flatMap((one) => one.rows);
        const at = rows.findIndex((one) => one.id === this.atRow) + by;
        if (rows[at]) this.goToRow(rows[at].id);
    },
    numberAct(event) {
        return {
            j: () => this.stepRow(1),
            k: () => this.stepRow(-1),
            e: () => this.take(),
            u: () => this.undoNumber(),
            t: () => this.turnPlain(),
            '/': this.isPaper && (() => this.$refs.find.focus()),
            '[': () => this.leave(this.urls.previous),
            ']': () => this.leave(this.urls.next),
        }[event.key.toLowerCase()];
    },
});
