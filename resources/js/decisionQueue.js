import { Kept } from './kept.js';
import { ask } from './server.js';

// Decisions on their way to the server, kept on this machine until it has answered. Each carries a key of its own, so that
// sending it again never makes two of it.
const WAITS = [500, 1500, 4000, 10000];

export class DecisionQueue {
    constructor(name, { answered, refused, changed }) {
        this.kept = new Kept(name, [], localStorage);
        this.handlers = { answered, refused, changed };
        this.sending = false;
        this.failures = 0;
        window.addEventListener('online', () => this.send());
    }

    get all() {
        return this.kept.value;
    }

    set all(entries) {
        this.kept.value = entries;
        this.handlers.changed(entries.length, this.failures > 0);
    }

    add(entry) {
        this.all = [...this.all, entry];
        this.send();
    }

    async send() {
        if (this.sending) return;
        this.sending = true;
        while (this.all.length) {
            const entry = this.all[0];
            try {
                const answer = await ask(entry.method, entry.url, entry.body);
                this.failures = 0;
                this.all = this.all.filter((other) => other.body.key !== entry.body.key);
                this.handlers.answered(entry, answer);
            } catch (failure) {
                if (failure.mayPass) {
                    this.failures++;
                    this.handlers.changed(this.all.length, true);
                    await new Promise((resolve) =>
                        setTimeout(resolve, WAITS[Math.min(this.failures - 1, WAITS.length - 1)]),
                    );
                } else if (failure.status === 401 || failure.status === 419) {
                    this.failures++;
                    this.handlers.refused(entry, failure);
                    break; // kept for after the next sign-in
                } else {
                    this.failures = 0;
                    this.all = this.all.filter((other) => other.body.key !== entry.body.key);
                    this.handlers.refused(entry, failure);
                }
            }
        }
        this.sending = false;
    }
}
