import { Awareness, applyAwarenessUpdate, encodeAwarenessUpdate } from 'y-protocols/awareness';
import * as Y from 'yjs';
import { ask } from '../server.js';
import { SCHEMA } from './schema.js';

// Keeps a document the same on every page that has it open, by one request at a time: what was changed here goes up, what
// others changed comes down. What has not arrived is kept on this machine.
const ALONE = 3000;
const TOGETHER = 700;
const FAILED = [1500, 3000, 6000, 10000];
// so many bytes go up at once: what was written in two days without a line arrives piece by piece
const LOAD = 200000;

// keeping costs more the more waits: not with every letter
const KEPT = 300;
const SLICE = 8192;

const toText = (bytes) => {
    let text = '';
    for (let at = 0; at < bytes.length; at += SLICE) text += String.fromCharCode(...bytes.subarray(at, at + SLICE));
    return btoa(text);
};
const toBytes = (text) => Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));

export class Exchange {
    constructor(url, store, handlers, send = ask) {
        Object.assign(this, { url, store, handlers, send });
        this.doc = new Y.Doc();
        this.awareness = new Awareness(this.doc);
        this.after = -1;
        this.waiting = [];
        this.flying = null;
        this.failures = 0;
        this.others = 0;
        this.timer = null;
        this.keeping = null;
        this.isKept = true;
        this.doc.on('update', (update, origin) => {
            if (origin === this) return;
            this.waiting.push(update);
            this.keeping ??= setTimeout(() => this.keep(), KEPT);
            this.handlers.changed(false);
            this.soon(TOGETHER);
        });
    }

    // what did not arrive before a page was left goes up with the first exchange; each page keeps its own
    async begin() {
        const left = this.left();
        await this.once();
        left.forEach(([, update]) => Y.applyUpdate(this.doc, toBytes(update)));
        this.keep();
        if (this.isKept) left.forEach(([name]) => this.store.removeItem(name));
        if (left.length) await this.once();
        window.addEventListener('pagehide', () => this.keep());
        document.addEventListener('visibilitychange', () => this.soon(0));
        window.addEventListener('online', () => this.soon(0));
    }

    get name() {
        return `heron-report-${this.url}`;
    }

    get own() {
        return `${this.name}-${this.doc.clientID}`;
    }

    left() {
        const names = Array.from({ length: this.store.length }, (nothing, at) => this.store.key(at));
        return names.filter((name) => name.startsWith(this.name) && name !== this.own).map((name) => [name, this.store.getItem(name)]);
    }

    keep() {
        clearTimeout(this.keeping);
        this.keeping = null;
        const open = [...(this.flying ? [this.flying] : []), ...this.waiting];
        try {
            if (open.length) this.store.setItem(this.own, toText(Y.mergeUpdates(open)));
            else this.store.removeItem(this.own);
            this.isKept = true;
        } catch {
            this.isKept = false; // the browser has no more room for it
        }
    }

    // the oldest of what waits, never none of it: one update cannot be divided
    load() {
        let [count, size] = [1, this.waiting[0].length];
        while (count < this.waiting.length && size + this.waiting[count].length <= LOAD) size += this.waiting[count++].length;
        return Y.mergeUpdates(this.waiting.splice(0, count));
    }

    soon(delay) {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.once(), delay);
    }

    get isOpen() {
        return this.flying !== null || this.waiting.length > 0;
    }

    // whether all that was written here so far has arrived
    async settle() {
        do await this.once();
        while (this.isOpen && !this.failures);
        return !this.isOpen;
    }

    once() {
        this.running ??= this.exchange().finally(() => {
            this.running = null;
        });
        return this.running;
    }

    async exchange() {
        if (!this.flying && this.waiting.length) this.flying = this.load();
        try {
            const answer = await this.send('POST', this.url, {
                schema: SCHEMA,
                after: this.after,
                client: this.doc.clientID,
                update: this.flying ? toText(this.flying) : null,
                presence: toText(encodeAwarenessUpdate(this.awareness, [this.doc.clientID])),
            });
            this.took(answer);
        } catch (failure) {
            this.failures++;
            this.keep();
            this.handlers.failed(failure, this.isKept);
        }
        const pause = this.failures ? FAILED[Math.min(this.failures, FAILED.length) - 1] : this.others ? TOGETHER : ALONE;
        this.soon(this.waiting.length && !this.failures ? TOGETHER / 3 : pause);
    }

    took({ seq, updates, base, presence }) {
        this.failures = 0;
        this.flying = null;
        [base, ...updates].filter(Boolean).forEach((one) => {
            try {
                Y.applyUpdate(this.doc, toBytes(one), this);
            } catch {
                this.handlers.failed(new Error('A change of somebody else cannot be read; all others are shown.'), this.isKept);
            }
        });
        this.after = seq;
        this.others = presence.length;
        presence.filter((one) => one.data).forEach((one) => applyAwarenessUpdate(this.awareness, toBytes(one.data), this));
        this.keep();
        this.handlers.changed(this.waiting.length === 0);
    }
}
