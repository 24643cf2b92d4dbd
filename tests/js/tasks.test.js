import assert from 'node:assert/strict';
import test from 'node:test';

globalThis.window = { location: {} };
globalThis.document = { hidden: false, addEventListener: () => {}, querySelector: (asked) => (asked.startsWith('meta') ? { content: 'token' } : null) };
const { default: tasks, shown } = await import('../../resources/js/tasks.js');

const task = (id, state, more = {}) => ({ id, state, title: `Match ${id}`, review: '', total: null, done: 0, left: null, kind: 'matching', ...more });

function page(...given) {
    const server = { tasks: given, posts: [], isUp: true };
    globalThis.fetch = async (url, { method, body }) => {
        if (!server.isUp) throw new TypeError('Failed to fetch');
        if (method === 'POST') server.posts.push([url, body && JSON.parse(body)]);
        return { ok: true, json: async () => ({ tasks: server.tasks }) };
    };
    return { rows: Object.assign(tasks(), { review: 'r', leaving: 1 }), server };
}

test('a row says how far the work is, and how long it takes', () => {
    const of = (state, more) => shown(task('a', state, more)).words;
    assert.deepEqual(
        [of('queued'), of('running', { done: 1200 }), of('running', { done: 1200, total: 4000 }), of('done'), of('failed'), of('cancelled')],
        ['Waiting to begin', '1,200', '1,200 of 4,000', 'Done', 'Stopped', 'Cancelled'],
    );
    assert.equal(of('running', { done: 1, total: 2, left: 0 }), '1 of 2 · about 1 s left');
    assert.equal(of('running', { done: 1, total: 2, left: 59 }), '1 of 2 · about 59 s left');
    assert.equal(of('running', { done: 1, total: 2, left: 61 }), '1 of 2 · about 2 min left');
    assert.deepEqual([shown(task('a', 'running')).whole, shown(task('a', 'running', { total: 0 })).whole], [1, 1]);
    assert.equal(shown(task('a', 'done', { review: 'Lamps' })).name, 'Match a · Lamps');
});

test('what runs stands apart from what is over, of which the newest is shown and the others unfold', () => {
    const { rows } = page();
    rows.take([task('a', 'running'), task('b', 'done'), task('c', 'failed'), task('d', 'queued')]);
    assert.deepEqual([rows.live.map((one) => one.id), rows.over.map((one) => one.id), rows.running], [['a', 'd'], ['b', 'c'], true]);
    assert.deepEqual([rows.latest.id, rows.hasMore, rows.moreWords, rows.awayWords], ['b', true, 'and 1 more that is over', 'Dismiss all 2']);
    rows.unfold();
    assert.deepEqual([rows.shownBelow.map((one) => one.id), rows.moreWords], [['c'], 'Fold']);
});

test('what went well goes by itself and what failed stays until somebody has seen it', async () => {
    const { rows, server } = page();
    rows.take([task('b', 'done'), task('c', 'failed')]);
    document.hidden = true;
    rows.goByThemselves();
    assert.deepEqual(rows.over.map((one) => one.id), ['b', 'c']);
    document.hidden = false;
    rows.goByThemselves();
    assert.deepEqual([rows.over.map((one) => one.id), server.posts.at(-1)], [['c'], ['/tasks/seen', { tasks: ['b'] }]]);
    rows.seen();
    assert.deepEqual([rows.hasOver, server.posts.at(-1)], [false, ['/tasks/seen', { tasks: ['c'] }]]);
    rows.seen();
    assert.equal(server.posts.length, 2);
});

test('nothing is lost of the rows when the line is down while one is cancelled', async () => {
    const { rows, server } = page(task('a', 'cancelled'));
    rows.take([task('a', 'running')]);
    server.isUp = false;
    await rows.cancel('a');
    assert.deepEqual([rows.live.map((one) => one.id), rows.running], [['a'], true]);
    server.isUp = true;
    await rows.cancel('a');
    assert.deepEqual([rows.live, rows.latest.words, rows.running], [[], 'Cancelled', false]);
});
