import { ask } from './server';

// Tries a dialect's file on a strategy while it is being written.
export default () => ({
    problems: [],
    lines: [],
    timer: null,
    asked: 0,
    init() {
        if (this.$refs.file) this.look();
    },
    typed() {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.look(), 400);
    },
    async look() {
        const number = ++this.asked;
        try {
            const answer = await ask('POST', this.$root.dataset.url, { file: this.$refs.file.value, strategy: this.$refs.strategy?.value || null });
            if (number !== this.asked) return;
            this.problems = answer.problems;
            if (answer.problems.length === 0) this.lines = answer.lines;
        } catch (failure) {
            if (failure.status !== 403) this.problems = [failure.message];
        }
    },
});
