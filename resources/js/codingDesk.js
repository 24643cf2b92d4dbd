import { AnswerQueue } from './answerQueue.js';
import { beside, chosen, given, nextOpen, progressOf, says, sectionsOf } from './codingItems.js';
import { joined } from './joined.js';
import { isTyping } from './keys.js';
import numbersDesk from './numbersDesk.js';
import paperOf from './codingPaper.js';
import passages from './passages.js';
import { ask, data } from './server.js';

const copyOf = (answer) => JSON.parse(JSON.stringify(answer));

// One study: the items on the left, the paper in the middle, the item at hand on the right. What is given is kept on this
// machine at once and travels in the background.
let queue = null;
// items whose lead is being ruled on: pressed twice on a slow line, it is ruled on once
const ruling = new Set();

const answers = () => ({
    items: [],
    leads: [],
    at: '',
    mayCode: false,
    problem: '',
    // the line is down
    cutOff: '',
    // what somebody else's answer stood in the way of, and all that the server did not take
    refusals: {},
    notSaved: {},
    saved: '',
    done: [],
    urls: {},
    get item() {
        return this.items.find((one) => one.id === this.at) ?? null;
    },
    get hasItem() {
        return this.item !== null;
    },
    get refused() {
        return this.at in this.refusals;
    },
    get nothingToUndo() {
        return this.done.length === 0;
    },
    get lead() {
        const lead = this.leads.find((one) => one.slot === this.at);
        if (!lead || !this.item || says(this.item.answer)) return null;
        return {
            ...lead,
            look: `lead-${lead.confidence}`,
            quoted: lead.evidence ? `“${lead.evidence.quote}”` : '',
            where: lead.evidence?.where ?? '',
        };
    },
    // everything that changes an answer comes through here
    give(change, item = this.item) {
        if (!item || !this.mayCode) return;
        this.done = [...this.done.slice(-99), { item: item.id, before: copyOf(item.answer) }];
        Object.assign(item.answer, change);
        this.send(item);
    },
    send(item) {
        this.problem = '';
        delete this.notSaved[item.id];
        item.standing = this.guess(item);
        queue.add(item.id, { url: item.url, body: given(item.answer), seen: item.answer.id });
        this.remark();
    },
    // until the server says how far the item has come
    guess(item) {
        const shown = item.answer.evidence.length > 0 || item.answer.fromWhole;
        if (says(item.answer)) return shown || item.answer.kind !== 'value' ? 'answered' : 'begun';
        return shown ? 'begun' : 'open';
    },
    answered(id, answer, isNewest) {
        const item = this.items.find((one) => one.id === id);
        if (!item) return;
        delete this.refusals[id];
        delete this.notSaved[id];
        if (isNewest) item.answer = answer;
        else item.answer.id = answer.id;
        this.items.forEach((one) => {
            one.standing = answer.standings[one.id] ?? one.standing;
        });
        if (says(item.answer)) this.leads = this.leads.filter((one) => one.slot !== id);
        this.remark();
    },
    // whoever uses his own answer replaces what stands now, so that is known before it is offered
    async refusedBy(id, entry, failure) {
        this.notSaved[id] = true;
        if (failure.status === 409) {
            await this.lookAgain(id);
            this.refusals[id] = entry.body;
        }
        this.goTo(id);
        this.problem = failure.status === 409 ? `${failure.message} Yours is not saved.` : failure.message;
    },
    savedWords(waiting, failing) {
        if (waiting > 0) return failing ? `${waiting} not sent yet` : 'Saving …';
        const left = Object.keys(this.notSaved).length;
        if (left === 0) return 'Saved';
        return left === 1 ? 'One answer is not saved' : `${left} answers are not saved`;
    },
    async lookAgain(id) {
        const now = await ask('GET', this.urls.here).catch(() => ({ items: [] }));
        const fresh = now.items.find((one) => one.id === id);
        const item = this.items.find((one) => one.id === id);
        if (fresh && item) Object.assign(item, { answer: fresh.answer, standing: fresh.standing });
    },
    useRefused() {
        const mine = this.refusals[this.at];
        delete this.refusals[this.at];
        if (mine) this.give({ kind: mine.kind, value: mine.value, note: mine.note, evidence: mine.evidence, fromWhole: mine.from_whole });
    },
    choose(option) {
        this.give({ kind: 'value', value: chosen(this.item, option) });
    },
    type(event) {
        if (event.target.value === this.typed) return;
        this.give({ kind: 'value', value: event.target.value });
    },
    write(event) {
        if (event.target.value !== this.item.answer.note) this.give({ note: event.target.value });
    },
    say(kind) {
        const isSaid = this.item?.answer.kind === kind;
        this.give({ kind: isSaid ? 'value' : kind, value: null });
    },
    whole() {
        this.give({ fromWhole: !this.item?.answer.fromWhole });
    },
    undo() {
        const last = this.done.at(-1);
        const item = this.items.find((one) => one.id === last?.item);
        if (!item) return;
        this.done = this.done.slice(0, -1);
        item.answer = { ...last.before, id: item.answer.id };
        this.goTo(item.id);
        this.send(item);
    },
    async rule(what) {
        const item = this.item;
        if (!this.lead || !this.mayCode || ruling.has(item.id)) return;
        ruling.add(item.id);
        try {
            const answer = await ask('POST', item.leadUrl, { do: what });
            this.leads = this.leads.filter((one) => one.slot !== item.id);
            if (what === 'accept') {
                this.done = [...this.done, { item: item.id, before: copyOf(item.answer) }];
                item.answer = answer;
            }
            this.answered(item.id, answer, what === 'accept');
        } catch (failure) {
            this.problem = item.id === this.at ? failure.message : `${item.label}: ${failure.message}`;
        } finally {
            ruling.delete(item.id);
        }
    },
    accept() {
        this.rule('accept');
    },
    reject() {
        this.rule('reject');
    },
    // its evidence is kept, its value stands in the box to be changed
    correct() {
        const lead = this.lead;
        if (!lead) return;
        const isThere = this.item.answer.evidence.some((one) => JSON.stringify(one) === JSON.stringify(lead.evidence));
        if (lead.evidence && !isThere) this.give({ evidence: [...this.item.answer.evidence, lead.evidence] });
        this.focusAnswer(lead.kind === 'value' ? lead.value : '');
    },
});

const list = () => ({
    pass: 'mapping',
    get sections() {
        return sectionsOf(this.items, this.pass, this.at);
    },
    get ofPass() {
        return this.items.filter((one) => one.pass === this.pass);
    },
    get isMapping() {
        return this.pass === 'mapping' ? 'true' : 'false';
    },
    get isInDepth() {
        return this.pass === 'in-depth' ? 'true' : 'false';
    },
    get hasMapping() {
        return this.items.some((one) => one.pass === 'mapping');
    },
    get hasInDepth() {
        return this.items.some((one) => one.pass === 'in-depth');
    },
    get progressMapping() {
        return progressOf(this.items, 'mapping');
    },
    get progressInDepth() {
        return progressOf(this.items, 'in-depth');
    },
    turnTo(pass) {
        this.pass = pass;
        this.goTo(this.ofPass[0]?.id ?? '');
    },
    goTo(id) {
        const item = this.items.find((one) => one.id === id);
        if (!item) return;
        document.activeElement?.closest('.code-answer') && document.activeElement.blur();
        this.at = id;
        this.pass = item.pass;
        this.problem = '';
        history.replaceState(null, '', `#item-${id}`);
        this.remark();
        this.$nextTick(() => {
            document.querySelector(`[data-item="${id}"].code-line`)?.scrollIntoView({ block: 'nearest' });
        });
    },
    nextOpen() {
        const next = nextOpen(this.ofPass, this.at);
        if (next === this.at) this.saved = 'Nothing is open in this pass';
        this.goTo(next);
    },
    step(by) {
        this.goTo(beside(this.ofPass, this.at, by));
    },
});

const atHand = () => ({
    get label() {
        return this.item?.label ?? '';
    },
    get per() {
        return this.item?.per ?? '';
    },
    get partWords() {
        return this.item?.part ? `${this.per}: ${this.item.part}` : '';
    },
    get isUnparted() {
        return this.per !== '' && !this.item.part;
    },
    get guidance() {
        return this.item?.guidance ?? '';
    },
    get examples() {
        return this.item?.examples ?? '';
    },
    get unit() {
        return this.item?.unit ?? '';
    },
    get placeWords() {
        const at = this.ofPass.findIndex((one) => one.id === this.at) + 1;
        const section = this.item?.section ? `${this.item.section} · ` : '';
        return `${section}item ${at} of ${this.ofPass.length}${this.item?.required ? ' · required' : ''}`;
    },
    get isNotAsked() {
        return this.item?.standing === 'not-asked';
    },
    get hasOptions() {
        return (this.item?.options ?? []).length > 0;
    },
    get isNumber() {
        return this.item?.type === 'number';
    },
    get isDate() {
        return this.item?.type === 'date';
    },
    get isText() {
        return this.item?.type === 'text';
    },
    get typed() {
        const value = this.item?.answer.value;
        return value === null || value === undefined || Array.isArray(value) ? '' : String(value);
    },
    get note() {
        return this.item?.answer.note ?? '';
    },
    get hasNote() {
        return this.note !== '';
    },
    get fromWhole() {
        return this.item?.answer.fromWhole === true;
    },
    get isNotReported() {
        return this.item?.answer.kind === 'not-reported' ? 'true' : 'false';
    },
    get isNotApplicable() {
        return this.item?.answer.kind === 'not-applicable' ? 'true' : 'false';
    },
    get options() {
        const now = [this.item?.answer.value ?? []].flat();
        return (this.item?.options ?? []).map((one, i) => ({
            ...one,
            key: i < 9 ? String(i + 1) : '',
            chosen: now.includes(one.value),
            input: this.item.type === 'choices' ? 'checkbox' : 'radio',
            indent: `in-${Math.min(one.depth, 3)}`,
        }));
    },
    get evidence() {
        return (this.item?.answer.evidence ?? []).map((one, i) => ({
            ...one,
            key: `${i} ${one.quote}`,
            number: i,
            quoted: `“${one.quote}”`,
        }));
    },
    get noEvidence() {
        return this.evidence.length === 0 && !this.fromWhole;
    },
    focusAnswer(value) {
        const box = { number: this.$refs.number, date: this.$refs.date, text: this.$refs.text }[this.item?.type];
        const field = box ?? document.querySelector('.code-options input');
        field?.focus();
        if (box && value !== undefined) {
            box.value = String(value);
            box.select?.();
        }
    },
});

const keys = () => ({
    pressed(event) {
        if (event.ctrlKey || event.metaKey || event.altKey) return;
        if (event.key === 'Enter' && event.target.matches('.code-number, .code-answer [type="date"]')) {
            event.target.blur();
            event.preventDefault();
            this.nextOpen();
            return;
        }
        if (event.key === 'Escape' && event.target.closest('.code-answer')) {
            event.target.blur();
            return;
        }
        if (this.isNumbers && event.key === 'Escape' && isTyping(event)) event.target.blur();
        if (isTyping(event)) return;
        const act = this.isNumbers ? this.numberAct(event) : this.act(event);
        if (act) {
            event.preventDefault();
            act();
        }
    },
    act(event) {
        const onControl = event.target.closest('a, button, summary, input') !== null;
        const option = /^[1-9]$/.test(event.key) ? this.options[Number(event.key) - 1] : null;
        if (option) return () => this.choose(option.value);
        if (event.key === 'Enter') return onControl ? null : () => this.nextOpen();
        return {
            j: () => this.step(1),
            k: () => this.step(-1),
            e: () => this.quote(),
            p: () => this.markPassage(),
            a: () => this.accept(),
            c: () => this.correct(),
            x: () => this.reject(),
            r: () => this.say('not-reported'),
            n: () => this.say('not-applicable'),
            w: () => this.whole(),
            u: () => this.undo(),
            t: () => this.turnPlain(),
            i: () => this.focusAnswer(),
            '/': this.isPaper && (() => this.$refs.find.focus()),
            '[': () => this.leave(this.urls.previous),
            ']': () => this.leave(this.urls.next),
        }[event.key.toLowerCase()];
    },
    leave(url) {
        if (url) window.location.assign(url);
    },
});

export default () =>
    joined(answers(), list(), atHand(), keys(), paperOf(), numbersDesk(), passages(), {
        init() {
            const desk = data('coding-data');
            this.items = desk.items;
            this.leads = desk.leads;
            this.mayCode = desk.mayCode;
            this.urls = { here: desk.here, previous: desk.previous, next: desk.next, results: desk.results, passages: desk.passages };
            queue = new AnswerQueue(`heron-coding-${desk.user}-${desk.publication}`, {
                answered: (id, answer, isNewest) => this.answered(id, answer, isNewest),
                refused: (id, entry, failure) => this.refusedBy(id, entry, failure),
                failed: (failure) => {
                    this.cutOff = `${failure.message} ${queue.whereKept}`;
                },
                changed: (count, failing) => {
                    this.saved = this.savedWords(count, failing);
                    if (count === 0 || !failing) this.cutOff = '';
                },
            });
            // what did not reach the server before a reload is shown, and sent again
            Object.entries(queue.all).forEach(([id, entry]) => {
                const item = this.items.find((one) => one.id === id);
                const { from_whole: fromWhole, ...answer } = entry.body;
                if (item) Object.assign(item.answer, answer, { fromWhole });
            });
            queue.flush();
            this.begin(desk.copies);
            // what the address asks for; going to an item writes another one into it
            const [what, asked] = window.location.hash.slice(1).split(/-(.*)/);
            if (what !== 'result') this.goTo(this.items.some((one) => one.id === asked) ? asked : this.firstOpen());
            if (what === 'find') this.findFirst(decodeURIComponent(asked));
            this.loadPassages(what === 'passage' ? asked : '');
            this.beginNumbers(desk.user, desk.publication, what === 'result' ? asked : null);
            window.addEventListener('keydown', (event) => this.pressed(event));
            window.addEventListener('online', () => queue.flush());
        },
        firstOpen() {
            const open = this.items.find((one) => one.standing !== 'not-asked' && !says(one.answer));
            return (open ?? this.items[0])?.id ?? '';
        },
    });
