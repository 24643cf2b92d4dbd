import { valueAt, withValue, written } from './dialectForm.js';
import { ask } from './server.js';

// Tries a dialect's file on a strategy while it is being written, by the form or as JSON.
export default () => ({
    problems: [],
    lines: [],
    timer: null,
    asked: 0,
    root: null,
    init() {
        this.root = this.$root;
        if (!this.$refs.file) return;
        this.fill();
        this.look();
    },
    typed() {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => {
            this.fill();
            this.look();
        }, 400);
    },
    parsed() {
        try {
            return JSON.parse(this.$refs.file.value);
        } catch {
            return null; // said beside, with its place, by the server
        }
    },
    fill() {
        const data = this.parsed();
        for (const field of this.root.querySelectorAll('[data-path]')) {
            field.disabled = data === null;
            if (data !== null && field !== document.activeElement) field.value = valueAt(data, field.dataset.path);
        }
    },
    put(event) {
        const data = this.parsed();
        if (data === null) return;
        this.$refs.file.value = written(withValue(data, event.target.dataset.path, event.target.value));
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.look(), 400);
    },
    async look() {
        const number = ++this.asked;
        try {
            const answer = await ask('POST', this.root.dataset.url, {
                file: this.$refs.file.value,
                strategy: this.$refs.strategy?.value || null,
            });
            if (number !== this.asked) return;
            this.problems = answer.problems;
            if (answer.problems.length === 0) this.lines = answer.lines;
        } catch (failure) {
            if (number === this.asked && failure.status !== 403) this.problems = [failure.message];
        }
    },
});
