import { Kept } from './kept.js';
import { ask } from './server.js';

// Answers on their way to the server: the newest of each item, kept on this machine until the server has it. An answer says
// which one it replaces, so that nobody's is overwritten unseen, in another tab no more than by another person.
const WAITS = [500, 1500, 4000, 10000];

export class AnswerQueue {
    constructor(name, handlers, send = ask, store = localStorage) {
        this.kept = new Kept(name, {}, store);
        this.handlers = handlers;
        this.send = send;
        this.failures = 0;
        this.sending = false;
    }

    get all() {
        return this.kept.value;
    }

    set all(entries) {
        this.kept.value = entries;
    }

    // where what waits is, for whoever has to decide whether to leave the page
    get whereKept() {
        return this.kept.isKept
            ? 'What you gave is kept on this machine.'
            : 'There is no room to keep what you gave on this machine: leave this page open until it is sent.';
    }

    // seen: the answer on which this one was given, for when it has to be sent again after a reload
    add(item, entry) {
        this.all = { ...this.all, [item]: { ...entry, stamp: `${Date.now()}-${Math.random()}` } };
        return this.flush();
    }

    async flush() {
        if (this.sending || !Object.keys(this.all).length) return;
        this.sending = true;
        while (Object.keys(this.all).length) {
            const [item, entry] = Object.entries(this.all)[0];
            this.handlers.changed(Object.keys(this.all).length, this.failures > 0);
            try {
                const answer = await this.send('PUT', entry.url, { ...entry.body, seen: entry.seen });
                this.failures = 0;
                this.settled(item, entry, answer.id);
                this.handlers.answered(item, answer, this.all[item] === undefined);
            } catch (failure) {
                if (failure.mayPass || failure.status === 401 || failure.status === 419) {
                    this.failures++;
                    this.handlers.failed(failure);
                    this.handlers.changed(Object.keys(this.all).length, true);
                    if (!failure.mayPass) break; // kept for after the next sign-in
                    await new Promise((go) => setTimeout(go, WAITS[Math.min(this.failures - 1, WAITS.length - 1)]));
                } else {
                    this.settled(item, entry, entry.seen);
                    this.handlers.refused(item, entry, failure);
                }
            }
        }
        this.sending = false;
        if (!Object.keys(this.all).length) this.handlers.changed(0, false);
    }

    // what was given meanwhile rests on what has just been answered
    settled(item, sent, seen) {
        const { [item]: now, ...others } = this.all;
        this.all = now && now.stamp !== sent.stamp ? { ...others, [item]: { ...now, seen } } : others;
    }
}
