import { ask } from './server.js';

// A part of a page that takes long: fetched when it comes into view, a few at a time.
const TOGETHER = 2;
let running = 0;
const waiting = [];

const next = () => {
    while (running < TOGETHER && waiting.length > 0) {
        running += 1;
        waiting
            .shift()()
            .finally(() => {
                running -= 1;
                next();
            });
    }
};

export default () => ({
    waiting: true,
    failed: '',
    init() {
        const seen = new IntersectionObserver((entries) => {
            if (!entries.some((entry) => entry.isIntersecting)) return;
            seen.disconnect();
            waiting.push(() => this.fetch());
            next();
        });
        seen.observe(this.$root);
    },
    async fetch() {
        try {
            this.$root.innerHTML = (await ask('GET', this.$root.dataset.url)).html;
        } catch (failure) {
            this.failed = failure.message;
        } finally {
            this.waiting = false;
            this.$root.setAttribute('aria-busy', 'false');
        }
    },
});
