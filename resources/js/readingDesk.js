import { DecisionQueue } from './decisionQueue';
import { isTyping } from './keys';
import { ask, data } from './server';

const newKey = () => [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, '0')).join('');

// One item in the middle, the next ones already here. A decision shows the next item at once and travels in the background.
export default () => ({
    items: [],
    behind: [],
    criteria: [],
    counts: { left: 0, done: 0 },
    at: 0,
    choosing: false,
    note: '',
    marks: true,
    said: '',
    unsent: 0,
    offline: false,
    urls: {},
    queue: null,
    last: null,
    init() {
        const desk = data('desk-data');
        Object.assign(this, { items: desk.items, behind: desk.behind, criteria: desk.criteria.map((c, i) => ({ ...c, key: i < 9 ? String(i + 1) : '' })), counts: desk.counts, urls: desk.urls });
        this.queue = new DecisionQueue(desk.queue, {
            answered: (entry, answer) => this.answered(entry, answer),
            refused: (entry, failure) => this.refused(entry, failure),
            changed: (count, failing) => {
                this.unsent = count;
                this.offline = failing;
            },
        });
        this.unsent = this.queue.all.length;
        this.queue.send();
        if (this.item) this.enter(false);
        window.addEventListener('keydown', (event) => this.pressed(event));
        window.addEventListener('popstate', (event) => event.state?.item && this.goTo(event.state.item, false));
    },
    get item() {
        return this.items[this.at] ?? null;
    },
    get hasItem() {
        return this.item !== null;
    },
    get title() {
        return this.item ? this.item.titleParts.map((part, id) => ({ ...part, id })) : [];
    },
    get abstract() {
        return this.item ? this.item.abstract.map((p, id) => ({ id, label: p.label, parts: p.parts.map((part, i) => ({ ...part, id: i })) })) : [];
    },
    get noAbstract() {
        return this.hasItem && this.item.abstract.length === 0;
    },
    get verdict() {
        return this.item?.mine.verdict ?? '';
    },
    get included() {
        return this.verdict === 'include' ? 'true' : 'false';
    },
    get excluded() {
        return this.verdict === 'exclude' ? 'true' : 'false';
    },
    get unsure() {
        return this.verdict === 'unsure' ? 'true' : 'false';
    },
    get locked() {
        return !this.item || this.item.open;
    },
    get cannotUndo() {
        return this.last === null && !(this.item && this.verdict !== '' && !this.item.open);
    },
    get came() {
        if (!this.item) return '';
        const merged = this.item.records > 1 ? ` · merged from ${this.item.records} records` : '';
        return this.item.sources.join(' · ') + merged;
    },
    get opens() {
        if (!this.item) return '';
        return this.item.open ? 'This item has opened. What stands is changed by settling it.' : 'When all its decisions are in. Until then only you see yours.';
    },
    get reasons() {
        const chosen = this.item?.mine.criterion ?? '';
        return this.criteria.map((c) => ({ ...c, pressed: c.id === chosen ? 'true' : 'false' }));
    },
    get left() {
        return this.counts.left.toLocaleString('en-GB');
    },
    get done() {
        return this.counts.done.toLocaleString('en-GB');
    },
    get unsentWords() {
        const what = this.unsent === 1 ? '1 decision is' : `${this.unsent} decisions are`;
        return `${what} kept on this machine and not sent yet. Go on judging; they go out in order when the server answers.`;
    },
    get showUnsent() {
        return this.unsent > 0 && this.offline;
    },
    // what was judged last, the item at hand, and what comes next
    get spine() {
        const judged = this.behind.filter((one) => !this.items.some((other) => other.id === one.id));
        return [...judged, ...this.items.slice(Math.max(0, this.at - 3), this.at + 7)].map((one) => ({
            id: one.id,
            title: one.title,
            current: one.id === this.item?.id ? 'true' : 'false',
            isInclude: one.mine.verdict === 'include',
            isExclude: one.mine.verdict === 'exclude',
            isUnsure: one.mine.verdict === 'unsure',
            isNone: !one.mine.verdict,
        }));
    },
    enter(push) {
        this.choosing = false;
        this.note = this.item ? this.item.mine.note : '';
        if (this.item) {
            const url = `${this.urls.desk}/${this.item.id}`;
            if (push) history.pushState({ item: this.item.id }, '', url);
            else history.replaceState({ item: this.item.id }, '', url);
        } else {
            history.replaceState({}, '', this.urls.desk);
        }
        this.$nextTick(() => this.$refs.text && (this.$refs.text.scrollTop = 0));
    },
    async goTo(id, push = true) {
        const at = this.items.findIndex((one) => one.id === id);
        if (at >= 0) {
            this.at = at;
        } else {
            const { item } = await ask('GET', this.urls.item.replace('ITEM', id)).catch(() => ({}));
            if (!item) return;
            this.items.splice(this.at, 0, item);
            this.behind = this.behind.filter((one) => one.id !== id);
        }
        this.said = '';
        this.enter(push);
    },
    pressed(event) {
        if (isTyping(event)) {
            if (event.key === 'Escape') event.target.blur();
            return;
        }
        if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
        const key = event.key.toLowerCase();
        const act = { f: () => this.include(), g: () => this.beUnsure(), h: () => this.exclude(), z: () => this.undo(), n: () => this.$refs.note?.focus(), m: () => this.toggleMarks(), l: () => this.later(), b: () => this.back(), escape: () => (this.choosing = false) }[key];
        const reason = this.criteria.find((c) => c.key === key);
        if (act) {
            event.preventDefault();
            act();
        } else if (reason) {
            event.preventDefault();
            this.excludeFor(reason.id);
        }
    },
    include() {
        this.decide('include', null);
    },
    beUnsure() {
        this.decide('unsure', null);
    },
    exclude() {
        if (this.locked) return;
        if (this.criteria.length === 0) this.decide('exclude', null);
        else this.choosing = true;
    },
    excludeFor(criterion) {
        this.decide('exclude', criterion);
    },
    decide(verdict, criterion) {
        const item = this.item;
        if (!item || item.open) return;
        this.said = '';
        const seen = item.mine.id;
        const key = newKey();
        item.mine = { id: `sent:${key}`, verdict, criterion, note: this.note };
        this.last = item.id;
        const body = { verdict, criterion, note: this.note, key, after: this.items[this.items.length - 1].position };
        // a decision still on its way has no name that the server knows
        if (!seen.startsWith('sent:')) body.seen = seen;
        this.queue.add({ method: 'POST', item: item.id, url: this.urls.decide.replace('ITEM', item.id), body });
        if (this.counts.left > 0 && seen === '') this.counts = { left: this.counts.left - 1, done: this.counts.done + 1 };
        this.next();
    },
    next() {
        const next = this.items.findIndex((one, i) => i > this.at && !one.mine.verdict);
        this.at = next >= 0 ? next : this.items.length;
        if (this.at > 8) {
            this.items.splice(0, this.at - 4);
            this.at = 4;
        }
        this.enter(true);
        if (this.at >= this.items.length) this.fetchMore();
    },
    later() {
        if (this.item && this.at + 1 < this.items.length) {
            this.at++;
            this.enter(true);
        } else {
            this.fetchMore();
        }
    },
    back() {
        const before = this.at > 0 ? this.items[this.at - 1].id : this.behind[this.behind.length - 1]?.id;
        if (before) this.goTo(before);
    },
    async fetchMore() {
        const after = this.items.length ? this.items[this.items.length - 1].position : 0;
        const answer = await ask('GET', `${this.urls.ahead}?after=${after}`).catch(() => null);
        if (answer) this.take(answer.items);
        if (answer && !this.item) {
            // what was left for later comes round again
            const again = await ask('GET', `${this.urls.ahead}?after=0`).catch(() => null);
            if (again) this.take(again.items);
            const left = this.items.findIndex((one) => !one.mine.verdict && !one.open);
            if (left >= 0) this.at = left;
        }
        if (this.item) this.enter(false);
    },
    take(items) {
        for (const item of items) {
            if (!this.items.some((one) => one.id === item.id)) this.items.push(item);
        }
    },
    answered(entry, answer) {
        this.counts = answer.counts;
        const own = this.items.find((one) => one.id === entry.item) ?? this.behind.find((one) => one.id === entry.item);
        if (own && answer.item && (entry.method === 'DELETE' || own.mine.id === `sent:${entry.body.key}`)) Object.assign(own, { open: answer.item.open, mine: answer.item.mine });
        if (answer.items) this.take(answer.items);
        if (!this.item && this.items.length) this.fetchMore();
    },
    async refused(entry, failure) {
        this.said = failure.message;
        const answer = await ask('GET', this.urls.item.replace('ITEM', entry.item)).catch(() => ({}));
        const own = this.items.find((one) => one.id === entry.item);
        if (own && answer.item) Object.assign(own, { open: answer.item.open, mine: answer.item.mine });
    },
    async undo() {
        const id = this.item && this.verdict !== '' && !this.item.open ? this.item.id : this.last;
        if (!id) return;
        if (id !== this.item?.id) await this.goTo(id);
        if (!this.item || this.item.id !== id || this.item.open) {
            this.said = 'This item has opened, so the decision stays. Settle it if it should end otherwise.';
            this.last = null;
            return;
        }
        this.item.mine = { id: '', verdict: null, criterion: null, note: this.item.mine.note };
        this.last = null;
        this.queue.add({ method: 'DELETE', item: id, url: this.urls.decide.replace('ITEM', id), body: { key: newKey() } });
    },
    toggleMarks() {
        this.marks = !this.marks;
    },
});
