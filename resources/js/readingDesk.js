import { DecisionQueue } from './decisionQueue.js';
import beside from './deskBeside.js';
import marks from './deskMarks.js';
import { DeskPdf } from './deskPdf.js';
import { joined } from './joined.js';
import { isTyping } from './keys.js';
import { ask, data } from './server.js';
import { ahead, Drafts, fresh, Sitting } from './stock.js';

const newKey = () =>
    [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, '0')).join('');

// outside the component: what it watches must not be wrapped
const fullText = new DeskPdf();

const shapes = (verdict) => ({
    isInclude: verdict === 'include',
    isExclude: verdict === 'exclude',
    isUnsure: verdict === 'unsure',
    isNone: !verdict,
});

// One item in the middle, the next ones already here. A decision shows the next item at once and travels in the background.
// with fewer at hand nothing waits for its turn
const HURRY = 12;

export default () =>
    joined(beside(), marks(), {
        items: [],
        behind: [],
        criteria: [],
        counts: { left: 0, done: 0 },
        at: 0,
        choosing: false,
        note: '',
        said: '',
        unsent: 0,
        offline: false,
        isKept: true,
        urls: {},
        queue: null,
        sitting: null,
        undoable: 0,
        listed: false,
        answers: {},
        fetching: false,
        // the server could not be asked for more
        cutOff: false,
        // no more is there to be asked for
        exhausted: false,
        // judged on this page, whether the server has heard of it or not
        judged: new Set(),
        drafts: null,
        saidOf: '',
        address: '',
        inFull: false,
        // so many still at hand: time to ask for more, of which so many come at once
        low: 100,
        many: 40,
        // milliseconds between two, as the server asks for: long where many people ask at once
        pause: 0,
        soon: null,
        file: '',
        fileWords: '',
        init() {
            const desk = data('desk-data');
            Object.assign(this, {
                items: desk.items,
                behind: desk.behind,
                criteria: desk.criteria.map((c, i) => ({ ...c, key: i < 9 ? String(i + 1) : '' })),
                counts: desk.counts,
                urls: desk.urls,
                listed: desk.listed,
                address: desk.address,
                inFull: desk.inFull,
                low: desk.low,
                many: desk.many,
                pause: desk.pause,
            });
            this.drafts = new Drafts(`${desk.queue}-drafts`);
            this.sitting = new Sitting(`${desk.queue}-sitting`);
            this.undoable = this.sitting.length;
            this.readMarks(desk.marks, desk.marksKey);
            this.queue = new DecisionQueue(desk.queue, {
                answered: (entry, answer) => this.answered(entry, answer),
                refused: (entry, failure) => this.refused(entry, failure),
                changed: (count, failing) => {
                    this.unsent = count;
                    this.offline = failing;
                    this.isKept = this.queue?.kept.isKept ?? true;
                },
            });
            const waiting = this.queue.all;
            this.unsent = waiting.length;
            this.judged = new Set(waiting.filter((one) => one.method === 'POST').map((one) => one.item));
            // what waits to be sent from before a reload is not asked again
            this.items = this.items.filter((one) => !this.judged.has(one.id));
            this.queue.send();
            if (this.item) this.enter(false);
            this.fill();
            window.addEventListener('online', () => this.fill());
            window.addEventListener('keydown', (event) => this.pressed(event));
            window.addEventListener('popstate', (event) => event.state?.item && this.goTo(event.state.item, false));
        },
        get item() {
            return this.items[this.at] ?? null;
        },
        get hasItem() {
            return this.item !== null;
        },
        get isOpen() {
            return this.item?.open === true;
        },
        get isClosed() {
            return this.hasItem && !this.isOpen;
        },
        get files() {
            return (this.item?.copies ?? []).map((copy) => ({
                ...copy,
                current: copy.url === this.file ? 'true' : 'false',
            }));
        },
        get severalFiles() {
            return this.files.length > 1;
        },
        get hasFiles() {
            return this.files.length > 0;
        },
        get showsText() {
            return this.inFull && this.hasFiles;
        },
        get showsAbstract() {
            return this.hasItem && !this.showsText;
        },
        get noAbstract() {
            return this.hasItem && this.item.abstract.length === 0;
        },
        // nothing is at hand yet, but it is being asked for
        get waiting() {
            return !this.hasItem && this.fetching && !this.cutOff;
        },
        // nothing is at hand, and the line is down
        get stranded() {
            return !this.hasItem && this.cutOff;
        },
        get nothing() {
            return !this.hasItem && !this.fetching && !this.cutOff;
        },
        get saidLeads() {
            return this.saidOf !== '' && this.saidOf !== this.item?.id;
        },
        get lines() {
            return this.items.map((one) => ({
                id: one.id,
                anchor: `line-${one.id}`,
                title: one.title,
                meta: one.meta,
                abstract: one.id === this.item?.id ? this.abstract : [],
                shown: one.id === this.item?.id,
                current: one.id === this.item?.id ? 'true' : 'false',
                ...shapes(one.mine.verdict),
            }));
        },
        // what the answers to the criteria come to: the first that fails excludes, all fulfilled include
        get proposal() {
            const given = this.criteria.map((c) => this.answers[c.id] ?? '');
            const failed = given.indexOf('no');
            if (failed >= 0) return { verdict: 'exclude', criterion: this.criteria[failed].id };
            if (given.length === 0 || given.includes('')) return null;
            return { verdict: given.includes('unclear') ? 'unsure' : 'include', criterion: null };
        },
        get proposed() {
            return this.proposal !== null && !this.locked;
        },
        get proposalWords() {
            if (!this.proposal) return '';
            const reason = this.criteria.find((c) => c.id === this.proposal.criterion);
            return `Your answers come to: ${this.proposal.verdict}${reason ? `, ${reason.reason}` : ''}.`;
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
            return this.undoable === 0 && !(this.item && this.verdict !== '' && !this.item.open);
        },
        get came() {
            if (!this.item) return '';
            const merged = this.item.records > 1 ? ` · merged from ${this.item.records} records` : '';
            return this.item.sources.join(' · ') + merged;
        },
        get opens() {
            if (!this.item) return '';
            return this.item.open
                ? 'This item has opened. What stands is changed by settling it.'
                : 'When all its decisions are in. Until then only you see yours.';
        },
        get reasons() {
            const chosen = this.item?.mine.criterion ?? '';
            return this.criteria.map((c) => {
                const answer = this.answers[c.id];
                return {
                    ...c,
                    pressed: c.id === chosen ? 'true' : 'false',
                    yes: answer === 'yes' ? 'true' : 'false',
                    no: answer === 'no' ? 'true' : 'false',
                    unclear: answer === 'unclear' ? 'true' : 'false',
                };
            });
        },
        get left() {
            return this.counts.left.toLocaleString('en-GB');
        },
        get done() {
            return this.counts.done.toLocaleString('en-GB');
        },
        get unsentWords() {
            const what = this.unsent === 1 ? '1 decision is' : `${this.unsent} decisions are`;
            return this.isKept
                ? `${what} kept on this machine and not sent yet. Go on judging; they go out in order when the server answers.`
                : `${what} not sent yet, and there is no room to keep them on this machine: leave this page open until they are.`;
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
                ...shapes(one.mine.verdict),
            }));
        },
        enter(push) {
            this.choosing = false;
            const draft = this.item ? this.drafts.of(this.item.id) : null;
            this.note = draft?.note ?? this.item?.mine.note ?? '';
            this.answers = { ...(draft?.answers ?? this.item?.mine.answers ?? {}) };
            if (this.item) {
                const url = `${this.urls.desk}/${this.item.id}?${this.address}`;
                if (push) history.pushState({ item: this.item.id }, '', url);
                else history.replaceState({ item: this.item.id }, '', url);
            } else {
                history.replaceState({}, '', `${this.urls.desk}?${this.address}`);
            }
            this.$nextTick(() => {
                this.openFile(this.item?.copies?.[0]?.url ?? '');
                if (this.listed && this.item)
                    document.getElementById(`line-${this.item.id}`)?.scrollIntoView({ block: 'nearest' });
                else if (this.$refs.text) this.$refs.text.scrollTop = 0;
            });
        },
        openFile(url) {
            this.file = url;
            fullText.show(this.$refs.pdf, this.showsText ? url : '', (words) => (this.fileWords = words));
        },
        toggleText() {
            this.inFull = !this.inFull;
            this.$nextTick(() => this.openFile(this.file));
        },
        // whether it is at hand now
        async goTo(id, push = true) {
            const at = this.items.findIndex((one) => one.id === id);
            if (at >= 0) {
                this.at = at;
            } else {
                const item = await this.fetched(id);
                if (!item) return false;
                this.items.splice(this.at, 0, item);
                this.behind = this.behind.filter((one) => one.id !== id);
            }
            this.tell('');
            this.enter(push);
            return true;
        },
        async fetched(id) {
            try {
                const { item } = await ask('GET', this.urls.item.replace('ITEM', id));
                if (item) return item;
                this.tell('That title is not among yours any more.');
                this.forget(id);
            } catch (failure) {
                this.tell(`That title could not be fetched. ${failure.message}`);
            }
            return null;
        },
        // the item that it is about is named, and led to where it is not the one at hand
        tell(words, item = '') {
            this.said = words;
            this.saidOf = item;
        },
        goToSaid() {
            this.goTo(this.saidOf);
        },
        // as it is typed: it survives another title, later, and a reload
        keepDraft() {
            if (this.item && !this.item.open)
                this.drafts.keep(this.item.id, { note: this.note, answers: this.answers });
        },
        pressed(event) {
            if (isTyping(event)) {
                if (event.key === 'Escape') event.target.blur();
                return;
            }
            if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
            const key = event.key.toLowerCase();
            const digit =
                event.shiftKey && /^Digit[1-9]$/.test(event.code)
                    ? this.criteria[Number(event.code.slice(5)) - 1]
                    : null;
            if (digit) {
                event.preventDefault();
                const turn = ['yes', 'no', 'unclear'];
                this.answer(digit.id, turn[(turn.indexOf(this.answers[digit.id]) + 1) % turn.length]);
                return;
            }
            if (key === 'enter' && event.target.closest('button, a, summary')) return;
            const act = {
                f: () => this.include(),
                g: () => this.beUnsure(),
                h: () => this.exclude(),
                z: () => this.undo(),
                n: () => this.$refs.note?.focus(),
                t: () => this.$refs.tag?.focus(),
                m: () => this.toggleMarks(),
                w: this.urls.why && this.mayAskWhy ? () => this.askWhy() : null,
                p: this.hasFiles ? () => this.toggleText() : null,
                l: () => this.later(),
                b: () => this.back(),
                v: () => document.querySelector('[data-key="V"]')?.click(),
                enter: () => this.accept(),
                arrowdown: this.listed ? () => this.step(1) : null,
                arrowup: this.listed ? () => this.step(-1) : null,
                escape: () => (this.choosing = false),
            }[key];
            const reason = this.criteria.find((c) => c.key === key);
            if (act) {
                event.preventDefault();
                act();
            } else if (reason) {
                event.preventDefault();
                this.excludeFor(reason.id);
            }
        },
        step(by) {
            const one = this.items[this.at + by];
            if (one) this.goTo(one.id, false);
        },
        // the same answer again takes it back
        answer(criterion, answer) {
            if (this.locked) return;
            const answers = { ...this.answers };
            if (answers[criterion] === answer) delete answers[criterion];
            else answers[criterion] = answer;
            this.answers = answers;
            this.keepDraft();
        },
        accept() {
            if (this.proposed) this.decide(this.proposal.verdict, this.proposal.criterion);
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
            else {
                this.choosing = true;
                this.$nextTick(() => this.$refs.criteria?.scrollIntoView({ block: 'nearest' }));
            }
        },
        excludeFor(criterion) {
            this.decide('exclude', criterion);
        },
        decide(verdict, criterion) {
            const item = this.item;
            if (!item || item.open) return;
            this.tell('');
            const seen = item.mine.id;
            const before = item.mine.verdict;
            const key = newKey();
            const answers = { ...this.answers };
            item.mine = { id: `sent:${key}`, verdict, criterion, note: this.note, answers };
            this.sitting.add(item.id);
            this.undoable = this.sitting.length;
            const body = { verdict, criterion, note: this.note, answers, key };
            this.judged.add(item.id);
            this.drafts.drop(item.id);
            // a decision still on its way has no name that the server knows
            if (!seen.startsWith('sent:')) body.seen = seen;
            this.queue.add({
                method: 'POST',
                item: item.id,
                title: item.title,
                url: `${this.urls.decide.replace('ITEM', item.id)}?${this.address}`,
                body,
            });
            if (this.counts.left > 0 && before === null)
                this.counts = { left: this.counts.left - 1, done: this.counts.done + 1 };
            this.next();
        },
        next() {
            const next = this.items.findIndex((one, i) => i > this.at && !one.mine.verdict);
            this.at = next >= 0 ? next : this.items.length;
            if (this.at > 8 && !this.listed) {
                this.items.splice(0, this.at - 4);
                this.at = 4;
            }
            this.enter(true);
            if (this.at >= this.items.length) this.fetchMore();
            else this.fill();
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
        // keeps a good hour's work at hand, so that a slow or lost line holds nobody up; unhurried while there is enough to go on with
        fill() {
            const left = ahead(this.items, this.at, this.judged);
            if (this.fetching || this.exhausted || left >= this.low) return;
            if (left < HURRY) this.fillNow();
            else this.soon ??= setTimeout(() => this.fillNow(), this.pause * (0.5 + Math.random()));
        },
        async fillNow() {
            clearTimeout(this.soon);
            this.soon = null;
            if (this.fetching) return;
            this.fetching = true;
            const came = await this.more(this.items.length ? this.items[this.items.length - 1].position : 0);
            this.fetching = false;
            if (came === null) return;
            if (came === 0) this.exhausted = true;
            if (!this.item) this.fetchMore();
            else this.fill();
        },
        // how many came that are not here yet; null where the server could not be asked
        async more(after) {
            const answer = await ask(
                'GET',
                `${this.urls.ahead}?after=${after}&many=${this.many}&${this.address}`,
            ).catch(() => null);
            this.cutOff = answer === null;
            if (!answer) return null;
            this.pause = answer.pause;
            if (this.unsent === 0) this.counts = answer.counts;
            return this.take(answer.items) ? answer.items.length : 0;
        },
        // nothing is at hand: on from the last, and once more from the beginning for what was left for later
        async fetchMore() {
            this.fetching = true;
            const came = await this.more(this.items.length ? this.items[this.items.length - 1].position : 0);
            if (came !== null && !this.item) {
                await this.more(0);
                const left = this.items.findIndex((one) => !one.mine.verdict && !one.open && !this.judged.has(one.id));
                if (left >= 0) this.at = left;
            }
            this.fetching = false;
            if (this.item) this.enter(false);
            else if (this.cutOff) setTimeout(() => this.stranded && this.fetchMore(), 4000);
        },
        // whether any of them is new here
        take(items) {
            const added = fresh(items, this.items, this.judged);
            this.items.push(...added);
            return added.length > 0;
        },
        answered(entry, answer) {
            const own =
                this.items.find((one) => one.id === entry.item) ?? this.behind.find((one) => one.id === entry.item);
            if (own && answer.item && (entry.method === 'DELETE' || own.mine.id === `sent:${entry.body.key}`))
                Object.assign(own, { open: answer.item.open, mine: answer.item.mine });
            if (!this.item && !this.fetching) this.fetchMore();
        },
        async refused(entry, failure) {
            const signedOut = failure.status === 401 || failure.status === 419;
            this.tell(
                signedOut || !entry.title ? failure.message : `“${entry.title}”: ${failure.message}`,
                signedOut ? '' : entry.item,
            );
            if (signedOut) return;
            if (entry.method === 'POST')
                this.counts = { left: this.counts.left, done: Math.max(0, this.counts.done - 1) };
            const answer = await ask('GET', this.urls.item.replace('ITEM', entry.item)).catch(() => ({}));
            const own = this.items.find((one) => one.id === entry.item);
            if (own && answer.item) Object.assign(own, { open: answer.item.open, mine: answer.item.mine });
            if (answer.item && !answer.item.mine.verdict) this.judged.delete(entry.item);
        },
        forget(id) {
            this.sitting.drop(id);
            this.undoable = this.sitting.length;
        },
        async undo() {
            const id = this.item && this.verdict !== '' && !this.item.open ? this.item.id : this.sitting.last;
            if (!id) return;
            if (id !== this.item?.id && !(await this.goTo(id))) return; // it can be undone when the line is back
            if (this.item.open) {
                this.tell('This item has opened, so the decision stays. Settle it if it should end otherwise.');
                this.forget(id);
                return;
            }
            if (this.item.mine.verdict) this.counts = { left: this.counts.left + 1, done: this.counts.done - 1 };
            this.item.mine = {
                id: '',
                verdict: null,
                criterion: null,
                note: this.item.mine.note,
                answers: this.item.mine.answers,
            };
            this.forget(id);
            this.judged.delete(id);
            this.queue.add({
                method: 'DELETE',
                item: id,
                title: this.item.title,
                url: `${this.urls.decide.replace('ITEM', id)}?${this.address}`,
                body: { key: newKey() },
            });
        },
    });
