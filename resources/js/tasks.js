import { drawAnew } from './drawnAnew.js';
import { ask } from './server.js';

// The rows of background work: looked at every second or so while something runs, seldom otherwise.
const QUICK = 1000;
const SLOW = 20000;
// what went well has been read by then, and goes by itself
const READ = 25000;
// no page is shown anew sooner
const PATIENCE = 2500;

const inWords = (seconds) =>
    seconds < 60 ? `about ${Math.max(1, seconds)} s left` : `about ${Math.ceil(seconds / 60)} min left`;

const isLive = (task) => ['queued', 'running'].includes(task.state);

export function shown(task) {
    const count =
        task.total === null
            ? task.done.toLocaleString('en-GB')
            : `${task.done.toLocaleString('en-GB')} of ${task.total.toLocaleString('en-GB')}`;
    const words = {
        queued: 'Waiting to begin',
        running: task.left === null ? count : `${count} · ${inWords(task.left)}`,
        done: 'Done',
        failed: 'Stopped',
        cancelled: 'Cancelled',
    }[task.state];
    return {
        ...task,
        words,
        name: task.review ? `${task.title} · ${task.review}` : task.title,
        whole: task.total === null ? 1 : Math.max(1, task.total),
    };
}

export default () => ({
    live: [],
    over: [],
    running: false,
    unfolded: false,
    leaving: null,
    init() {
        this.review = this.$root.dataset.review;
        this.running = this.$root.dataset.running === '1';
        if (this.running) this.look();
        else setTimeout(() => this.look(), SLOW);
    },
    async look() {
        const answer = await ask('GET', `/tasks?review=${this.review}`).catch(() => null);
        if (answer) this.take(answer.tasks);
        setTimeout(() => this.look(), this.running ? QUICK : SLOW);
    },
    take(tasks) {
        const wasRunning = this.running;
        this.live = tasks.filter(isLive).map(shown);
        this.over = tasks.filter((task) => !isLive(task)).map(shown);
        this.running = this.live.length > 0;
        if (wasRunning && !this.running && document.querySelector('[data-reload-when-done]')) drawAnew();
        // what comes bit by bit is shown as soon as there is something
        const awaited = document.querySelector('[data-reload-when-begun]')?.dataset.reloadWhenBegun;
        const begun = this.live.some((task) => task.kind === awaited && task.done > 0);
        if (begun && performance.now() > PATIENCE) drawAnew();
        this.leaving ??= this.over.some((task) => task.state !== 'failed')
            ? setTimeout(() => this.goByThemselves(), READ)
            : null;
    },
    // never behind a window that nobody looks at, and never what failed
    goByThemselves() {
        this.leaving = null;
        if (document.hidden || this.unfolded) return;
        this.put(this.over.filter((task) => task.state !== 'failed'));
    },
    get latest() {
        return this.over[0] ?? {};
    },
    get hasOver() {
        return this.over.length > 0;
    },
    get hasMore() {
        return this.over.length > 1;
    },
    get moreWords() {
        return this.unfolded
            ? 'Fold'
            : `and ${this.over.length - 1} more that ${this.over.length === 2 ? 'is' : 'are'} over`;
    },
    get awayWords() {
        return this.over.length > 1 ? `Dismiss all ${this.over.length}` : 'Dismiss';
    },
    get shownBelow() {
        return this.unfolded ? this.over.slice(1) : [];
    },
    unfold() {
        this.unfolded = !this.unfolded;
    },
    async cancel(id) {
        await ask('POST', `/tasks/${id}/cancel`).catch(() => null);
        const answer = await ask('GET', `/tasks?review=${this.review}`).catch(() => null);
        if (answer) this.take(answer.tasks);
    },
    seen() {
        this.put(this.over);
    },
    async put(tasks) {
        if (tasks.length === 0) return;
        const ids = tasks.map((task) => task.id);
        this.over = this.over.filter((task) => !ids.includes(task.id));
        this.unfolded = false;
        await ask('POST', '/tasks/seen', { tasks: ids }).catch(() => null);
    },
});
