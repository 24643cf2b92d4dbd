import { ask } from './server';

// The rows of background work: looked at every second or so while something runs, seldom otherwise.
const QUICK = 1000;
const SLOW = 20000;

const inWords = (seconds) => (seconds < 60 ? `about ${Math.max(1, seconds)} s left` : `about ${Math.ceil(seconds / 60)} min left`);

export default () => ({
    tasks: [],
    running: false,
    init() {
        this.running = this.$el.dataset.running === '1';
        if (this.running) this.look();
        else setTimeout(() => this.look(), SLOW);
    },
    async look() {
        const answer = await ask('GET', '/tasks').catch(() => null);
        if (answer) {
            const wasRunning = this.running;
            this.running = answer.tasks.some((task) => ['queued', 'running'].includes(task.state));
            this.tasks = answer.tasks.map((task) => this.shown(task));
            if (wasRunning && !this.running && document.querySelector('[data-reload-when-done]')) window.location.reload();
        }
        setTimeout(() => this.look(), this.running ? QUICK : SLOW);
    },
    shown(task) {
        const count = task.total === null ? task.done.toLocaleString('en-GB') : `${task.done.toLocaleString('en-GB')} of ${task.total.toLocaleString('en-GB')}`;
        const state = { queued: 'Waiting to begin', running: task.left === null ? count : `${count} · ${inWords(task.left)}`, done: 'Done', failed: 'Stopped', cancelled: 'Cancelled' }[task.state];
        return { ...task, words: state, live: ['queued', 'running'].includes(task.state), over: !['queued', 'running'].includes(task.state), whole: task.total === null ? 1 : Math.max(1, task.total) };
    },
    async cancel(id) {
        await ask('POST', `/tasks/${id}/cancel`).catch(() => null);
    },
    async seen(id) {
        this.tasks = this.tasks.filter((task) => task.id !== id);
        await ask('POST', `/tasks/${id}/seen`).catch(() => null);
    },
});
