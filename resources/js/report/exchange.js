import { Awareness, applyAwarenessUpdate, encodeAwarenessUpdate } from 'y-protocols/awareness';
import * as Y from 'yjs';
import { ask } from '../server';
import { SCHEMA } from './parts';

// Keeps a document the same on every page that has it open, by one request at a time: what was changed here goes up, what
// others changed comes down. What has not arrived is kept on this machine.
const ALONE = 3000;
const TOGETHER = 700;
const FAILED = [1500, 3000, 6000, 10000];

const toText = (bytes) => {
    let text = '';
    bytes.forEach((one) => (text += String.fromCharCode(one)));
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
        this.doc.on('update', (update, origin) => {
            if (origin === this) return;
            this.waiting.push(update);
            this.keep();
            this.handlers.changed(false);
            this.soon(TOGETHER);
        });
    }

    // what did not arrive before the page was left goes up with the first exchange
    async begin() {
        const kept = this.store.getItem(this.name);
        await this.once();
        if (kept) {
            Y.applyUpdate(this.doc, toBytes(kept));
            await this.once();
        }
        document.addEventListener('visibilitychange', () => this.soon(0));
        window.addEventListener('online', () => this.soon(0));
    }

    get name() {
        return `heron-report-${this.url}`;
    }

    keep() {
        const open = [...(this.flying ? [this.flying] : []), ...this.waiting];
        if (open.length) this.store.setItem(this.name, toText(Y.mergeUpdates(open)));
        else this.store.removeItem(this.name);
    }

    soon(delay) {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.once(), delay);
    }

    async once() {
        if (this.busy) return;
        this.busy = true;
        if (!this.flying && this.waiting.length) {
            this.flying = Y.mergeUpdates(this.waiting);
            this.waiting = [];
        }
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
            this.handlers.failed(failure);
        }
        this.busy = false;
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
                this.handlers.failed(new Error('A change of somebody else cannot be read; all others are shown.'));
            }
        });
        this.after = seq;
        this.others = presence.length;
        presence.filter((one) => one.data).forEach((one) => applyAwarenessUpdate(this.awareness, toBytes(one.data), this));
        this.keep();
        this.handlers.changed(this.waiting.length === 0);
    }
}
