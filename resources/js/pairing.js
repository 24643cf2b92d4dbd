import { isTyping } from './keys.js';
import { ask } from './server.js';

const NOT_KEPT = ' The ruling was not kept; its group comes again.';

// The Pairing Desk: one group at a time, the next one already there. A ruling is shown at once and sent behind it, in order.
export default () => ({
    left: '',
    said: '',
    parts: {},
    strokes: [],
    shown: '',
    ahead: null,
    sending: Promise.resolve(),
    // rulings and undos that are on their way, and what is shown after the last ruling
    waiting: 0,
    undos: 0,
    turning: Promise.resolve(),
    init() {
        this.left = Number(this.$root.dataset.left).toLocaleString('en-GB');
        this.shown = this.$refs.place.innerHTML;
        this.read();
        this.fetchAhead();
        window.addEventListener('keydown', (event) => this.pressed(event));
        this.$refs.place.addEventListener('click', (event) => {
            const button = event.target.closest('[data-part-of]');
            if (button) this.turn(button.dataset.partOf);
        });
    },
    pressed(event) {
        if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return;
        const does = { f: 'same', h: 'different', l: 'later', z: 'undo' }[event.key.toLowerCase()];
        if (does) {
            event.preventDefault();
            this[does]();
        } else if (/^[1-9]$/.test(event.key) && this.ids[Number(event.key) - 1]) {
            this.turn(this.ids[Number(event.key) - 1]);
        }
    },
    get article() {
        return this.$refs.place.querySelector('[data-group]');
    },
    read() {
        this.ids = (this.article.dataset.publications ?? '').split(' ').filter((id) => id !== '');
        this.parts = Object.fromEntries(this.ids.map((id) => [id, 1]));
        this.key = this.article.dataset.group;
        this.hasGroup = this.ids.length > 0;
    },
    ids: [],
    key: '',
    hasGroup: true,
    asked: 0,
    get none() {
        return !this.hasGroup;
    },
    get cannotUndo() {
        return this.strokes.length + this.waiting <= this.undos;
    },
    get partWords() {
        const used = new Set(Object.values(this.parts)).size;
        return used > 1 ? `F joins ${used} parts, each by itself` : 'a number splits the group';
    },
    // to the next part: as many as there are publications
    turn(id) {
        this.parts = { ...this.parts, [id]: (this.parts[id] % this.ids.length) + 1 };
        this.$refs.place.querySelector(`[data-part-of="${id}"] [data-part]`).textContent = this.parts[id];
    },
    same() {
        const byPart = {};
        for (const id of this.ids) (byPart[this.parts[id]] ??= []).push(id);
        this.rule({ parts: Object.values(byPart) });
    },
    different() {
        this.rule({ parts: this.ids.map((id) => [id]) });
    },
    later() {
        this.rule({ parts: this.ids.map((id) => [id]), later: true });
    },
    rule(body) {
        if (!this.hasGroup) return;
        this.said = '';
        const { key, shown, ahead: ready } = this;
        this.ahead = null;
        this.asked++;
        this.hasGroup = false;
        this.waiting++;
        this.sending = this.sending
            .then(() => ask('POST', this.$root.dataset.rule, body))
            .then((answer) => {
                this.strokes = [...this.strokes, { stroke: answer.stroke, key }];
                this.left = answer.left.toLocaleString('en-GB');
            })
            .catch((failure) => {
                this.said = `${failure.message}${failure.mayPass ? NOT_KEPT : ''}`;
            })
            .finally(() => this.waiting--);
        // the one that lies ready was picked as the one after this; where none can be read, this one stays
        this.turning = Promise.resolve(ready ?? this.sending.then(() => this.get('')))
            .catch((failure) => {
                this.said ||= failure.message;
                return shown;
            })
            .then((html) => {
                this.show(html);
                this.sending.then(() => this.fetchAhead());
            });
    },
    // the last ruling, though it may still be on its way
    undo() {
        if (this.cannotUndo) return;
        this.asked++;
        // what lay ready was picked for another place in the list
        this.ahead = null;
        const at = this.strokes.length + this.waiting - this.undos++;
        this.sending = this.sending.then(() => this.turning).then(() => this.takeBack(at));
    },
    // the ruling at this place, from 1: where it was not kept there is nothing to take back
    async takeBack(at) {
        this.undos--;
        const last = this.strokes[at - 1];
        if (!last) return;
        this.strokes = this.strokes.slice(0, -1);
        try {
            const answer = await ask('POST', this.$root.dataset.undo, { stroke: last.stroke });
            this.left = answer.left.toLocaleString('en-GB');
            const html = await this.get(`group=${last.key}`);
            this.ahead = null;
            this.show(html);
            this.fetchAhead();
        } catch (failure) {
            if (failure.mayPass) this.strokes = [...this.strokes, last];
            this.said = failure.message;
        }
    },
    show(html) {
        this.shown = html;
        this.$refs.place.innerHTML = html;
        this.$refs.place.scrollTop = 0;
        this.read();
        history.replaceState(null, '', this.key === '' ? location.pathname : `?group=${this.key}`);
    },
    async get(query) {
        const answer = await fetch(`${this.$root.dataset.ahead}?${query}`, { headers: { Accept: 'text/html' } }).catch(() => null);
        if (!answer?.ok) throw new Error('The next group could not be read. Nothing that was kept is lost.');
        return answer.text();
    },
    fetchAhead() {
        if (!this.hasGroup) return;
        // an answer that was overtaken by a ruling or an undo would show a group that is no longer there
        const asked = ++this.asked;
        this.get(`skip=${this.key}`).then(
            (html) => {
                if (asked === this.asked) this.ahead = html;
            },
            () => {},
        );
    },
});
