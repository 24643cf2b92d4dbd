import { focusShown } from './focusShown.js';
import { isTyping } from './keys.js';
import { ask, data, upload } from './server.js';

// what is said of a file that was brought
export function became({ reading, assigned, title, how, trouble }) {
    if (assigned) return `is a copy of “${title}”${how ? ` (found ${how})` : ''}. ${trouble}`.trim();
    if (reading) return 'is here and is being read';
    return trouble || 'is here; say what it is a copy of, under PDFs to assign';
}

// Texts that are sought: one at hand in the list, told on by key, and PDFs dropped anywhere.
export default () => ({
    rows: [],
    counts: {},
    at: '',
    may: false,
    urls: {},
    today: '',
    asking: '',
    newReason: '',
    dated: '',
    said: '',
    files: [],
    unassigned: 0,
    over: false,
    undone: [],
    isSaving: false,
    ticked: [],
    // ticked ones that stand on other pages of the list
    others: [],
    init() {
        const given = data('texts-data');
        Object.assign(this, {
            rows: given.rows,
            counts: given.counts,
            may: given.may,
            urls: given.urls,
            today: given.today,
            unassigned: given.unassigned,
        });
        this.at = given.rows.some((row) => row.id === given.at) ? given.at : (given.rows[0]?.id ?? '');
        window.addEventListener('keydown', (event) => this.pressed(event));
        this.$nextTick(() => this.show());
    },
    get row() {
        return this.rows.find((row) => row.id === this.at) ?? null;
    },
    get hasRow() {
        return this.row !== null;
    },
    get title() {
        return this.row?.title ?? '';
    },
    get meta() {
        return this.row?.meta ?? '';
    },
    get doi() {
        return this.row?.doi ?? '';
    },
    get publication() {
        return this.row?.publication ?? '';
    },
    get read() {
        return this.row?.read ?? '';
    },
    get canRead() {
        return this.row?.state === 'obtained';
    },
    get standing() {
        return this.row?.stateWords ?? '';
    },
    get since() {
        return this.row ? `since ${this.row.datedWords}${this.row.by ? `, ${this.row.by}` : ''}` : '';
    },
    get reason() {
        return this.row?.reason ?? '';
    },
    get locker() {
        return this.row?.locker ?? '';
    },
    get copies() {
        const current = (this.row?.copies ?? []).filter((copy) => copy.better === null);
        return (this.row?.copies ?? []).map((copy) => ({
            ...copy,
            isOlder: copy.better !== null,
            mayBeBetter: copy.better === null && current.length > 1,
            words: `${copy.pages ? `${copy.pages} ${copy.pages === 1 ? 'page' : 'pages'}, ` : ''}${copy.about}`,
        }));
    },
    get noCopies() {
        return this.copies.length === 0;
    },
    // what a key is about: the ticked ones, or the one at hand
    get chosen() {
        return this.ticked.length ? this.ticked : [this.at];
    },
    get tickedWords() {
        return this.ticked.length ? `The keys are about the ${this.ticked.length} ticked ones.` : '';
    },
    get allTicked() {
        return this.rows.length > 0 && this.rows.every((row) => this.ticked.includes(row.id));
    },
    get mayTickOthers() {
        return this.allTicked && this.ticked.length === this.rows.length;
    },
    get reasonLabel() {
        return (
            {
                requested: 'Requested from whom, or how',
                obtained: 'Where it is kept',
                'not-retrievable': 'Why it cannot be retrieved',
                sought: 'Why it is sought again',
            }[this.asking] ?? ''
        );
    },
    get cannotUndo() {
        return this.undone.length === 0;
    },
    get someUnassigned() {
        return this.unassigned > 0;
    },
    get unassignedWords() {
        return this.unassigned === 1 ? '1 PDF is to be assigned' : `${this.unassigned} PDFs are to be assigned`;
    },
    get shown() {
        return this.rows.map((row) => ({
            id: row.id,
            anchor: `text-${row.id}`,
            title: row.title,
            meta: row.meta,
            stateWords: row.stateWords,
            shade: `texts-${row.state}`,
            about: [
                row.reason,
                row.state === 'sought' ? row.locker : '',
                row.copies.length ? `${row.copies.length} PDF${row.copies.length > 1 ? 's' : ''} here` : '',
                row.study ? `study ${row.study}` : '',
                row.judged === 'none'
                    ? ''
                    : { included: 'included in full', excluded: 'excluded in full', disagreement: 'in disagreement' }[
                          row.judged
                      ],
            ]
                .filter(Boolean)
                .join(' · '),
            ticked: this.ticked.includes(row.id),
            tickWords: `Tick: ${row.title}`,
            current: row.id === this.at ? 'true' : 'false',
        }));
    },
    count(state) {
        return (this.counts[state] ?? 0).toLocaleString('en-GB');
    },
    show() {
        document.getElementById(`text-${this.at}`)?.scrollIntoView({ block: 'nearest' });
        if (!this.at) return;
        const url = new URL(window.location.href);
        url.searchParams.set('at', this.at);
        history.replaceState({}, '', url);
    },
    goTo(id) {
        this.at = id;
        this.forget();
        this.said = '';
        this.show();
    },
    tick(id) {
        this.ticked = this.ticked.includes(id) ? this.ticked.filter((one) => one !== id) : [...this.ticked, id];
    },
    tickAll() {
        this.ticked = this.allTicked ? [] : this.rows.map((row) => row.id);
        this.others = [];
    },
    async tickOthers() {
        try {
            const { rows } = await ask('GET', this.urls.all);
            this.others = rows.filter((row) => !this.rows.some((one) => one.id === row.id));
            this.ticked = rows.map((row) => row.id);
        } catch (failure) {
            this.said = failure.message;
        }
    },
    step(by) {
        const next = this.rows[this.rows.findIndex((row) => row.id === this.at) + by];
        if (next) this.goTo(next.id);
    },
    pressed(event) {
        if (event.key === 'Escape' && this.asking) return this.forget();
        if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
        if (event.key === ' ' && event.target.closest('button, a, summary, input')) return;
        const act = {
            ' ': () => this.tick(this.at),
            arrowdown: () => this.step(1),
            arrowup: () => this.step(-1),
            j: () => this.step(1),
            k: () => this.step(-1),
        };
        if (this.may)
            Object.assign(act, {
                r: () => this.ask('requested'),
                o: () => this.ask('obtained'),
                x: () => this.ask('not-retrievable'),
                s: () => this.ask('sought'),
                z: () => this.undo(),
                u: () => this.$refs.own?.click(),
            });
        const does = act[event.key.toLowerCase()];
        if (does && this.hasRow) {
            event.preventDefault();
            does();
        }
    },
    ask(state) {
        this.asking = state;
        this.newReason = this.row?.state === state ? this.row.reason : '';
        this.dated = this.today;
        focusShown(() => this.$refs.reason);
    },
    forget() {
        this.asking = '';
        document.activeElement?.blur();
    },
    async save() {
        if (this.isSaving) return; // a second press on a slow line
        this.isSaving = true;
        const chosen = this.chosen;
        const before = this.together([...this.rows, ...this.others].filter((row) => chosen.includes(row.id)));
        const failure = await this.send({ publications: chosen, state: this.asking, reason: this.newReason, dated: this.dated });
        this.isSaving = false;
        if (!failure) {
            this.undone.push(before);
            this.forget();
            if (chosen.length === 1) this.step(1);
            this.ticked = [];
            this.others = [];
        }
    },
    // those that stood alike are put back in one go
    together(rows) {
        const alike = new Map();
        for (const { id, state, reason, dated } of rows) {
            const key = JSON.stringify([state, reason, dated]);
            if (!alike.has(key)) alike.set(key, { publications: [], state, reason, dated });
            alike.get(key).publications.push(id);
        }
        return [...alike.values()];
    },
    // what could not be sent for want of a line can be undone again
    async undo() {
        const before = this.undone.pop() ?? [];
        for (const [at, one] of before.entries()) {
            const failure = await this.send(one);
            if (failure?.mayPass) this.undone.push(before.slice(at));
            if (failure) return;
        }
        if (before.length) this.goTo(before[0].publications[0]);
    },
    // why it was not kept, if it was not
    async send(body) {
        this.said = '';
        try {
            this.take(await ask('POST', this.urls.set, body));
            return null;
        } catch (failure) {
            this.said = failure.message;
            return failure;
        }
    },
    take(answer) {
        for (const row of answer.rows ?? []) {
            const at = this.rows.findIndex((one) => one.id === row.id);
            if (at >= 0) this.rows[at] = row;
        }
        this.counts = answer.counts ?? this.counts;
        this.unassigned = answer.unassigned ?? this.unassigned;
    },
    async better(file) {
        try {
            const answer = await ask('POST', this.urls.better.replace('FILE', file), {});
            this.take(answer);
            this.said = answer.said;
        } catch (failure) {
            this.said = failure.message;
        }
    },
    async takeOff(file) {
        try {
            this.take(await ask('POST', this.urls.takeOff.replace('FILE', file), {}));
        } catch (failure) {
            this.said = failure.message;
        }
    },
    enter() {
        this.over = this.may;
    },
    leave(event) {
        if (!this.$root.contains(event.relatedTarget)) this.over = false;
    },
    dropped(event) {
        this.over = false;
        if (this.may) this.bring([...event.dataTransfer.files]);
    },
    manyChosen() {
        this.bring([...this.$refs.many.files]);
        this.$refs.many.value = '';
    },
    ownChosen() {
        this.bring([...this.$refs.own.files], this.at);
        this.$refs.own.value = '';
    },
    // one after the other, each with its own answer, so that one bad file holds up none
    async bring(files, publication = '') {
        const waiting = files.map((file) => ({
            id: `${file.name} ${Math.random()}`,
            name: file.name,
            words: 'waits',
            file,
        }));
        this.files = [...waiting, ...this.files];
        for (const { id, file } of waiting) {
            this.tell(id, 'is being read');
            try {
                const answer = await upload(this.urls.files, { file, publication });
                this.take(answer);
                this.tell(id, became(answer));
                if (answer.reading) this.follow(id, answer.id);
            } catch (failure) {
                this.tell(id, failure.message);
            }
        }
    },
    // until it has been read in the background
    async follow(id, file) {
        for (let wait = 500; ; wait = Math.min(8000, wait * 1.5)) {
            await new Promise((later) => setTimeout(later, wait));
            const answer = await ask('GET', this.urls.standing.replace('FILE', file)).catch((failure) => failure);
            if (answer instanceof Error) {
                if (answer.mayPass) continue;
                return this.tell(id, answer.message);
            }
            this.tell(id, became(answer));
            if (!answer.reading) return this.take(answer);
        }
    },
    tell(id, words) {
        this.files = this.files.map((one) => (one.id === id ? { ...one, words } : one));
    },
});
