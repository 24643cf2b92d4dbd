import assert from 'node:assert/strict';
import test from 'node:test';

globalThis.document = { querySelector: () => ({ content: 'token' }) };
globalThis.setTimeout = (then) => queueMicrotask(then);
const { AnswerQueue } = await import('../../resources/js/answerQueue.js');

function queueTo(send) {
    const kept = new Map();
    const store = {
        getItem: (key) => kept.get(key) ?? null,
        setItem: (key, value) => kept.set(key, value),
        removeItem: (key) => kept.delete(key),
    };
    const told = [];
    const queue = new AnswerQueue(
        'q',
        {
            answered: (item, answer, isNewest) => told.push(`answered ${item} ${answer.id} ${isNewest}`),
            refused: (item, entry, failure) => told.push(`refused ${item} ${failure.status}`),
            failed: () => told.push('failed'),
            changed: () => {},
        },
        send,
        store,
    );
    return { queue, told };
}

const entry = (value, seen = '') => ({ url: '/a', body: { value }, seen });

test('the newest answer to an item is sent, resting on the one before it', async () => {
    const sent = [];
    let release;
    const first = new Promise((go) => (release = go));
    const { queue, told } = queueTo(async (method, url, body) => {
        sent.push([body.value, body.seen]);
        if (sent.length === 1) await first;
        return { id: `id-${sent.length}` };
    });
    const done = queue.add('x', entry('1'));
    queue.add('x', entry('12'));
    queue.add('x', entry('125'));
    release();
    await done;
    assert.deepEqual(sent, [['1', ''], ['125', 'id-1']]);
    assert.deepEqual(told, ['answered x id-1 false', 'answered x id-2 true']);
    assert.deepEqual(queue.all, {});
});

test('a lost line is tried again; nothing is lost', async () => {
    let tries = 0;
    const { queue, told } = queueTo(async () => {
        if (++tries < 3) throw Object.assign(new Error(), { mayPass: true, status: 0 });
        return { id: 'id' };
    });
    await queue.add('x', entry('1'));
    assert.deepEqual([tries, told.at(-1)], [3, 'answered x id true']);
});

test('what is refused is told and taken off; signed out, it is kept', async () => {
    const refusing = queueTo(async () => {
        throw Object.assign(new Error(), { mayPass: false, status: 409 });
    });
    await refusing.queue.add('x', entry('1'));
    assert.deepEqual([refusing.told, refusing.queue.all], [['refused x 409'], {}]);
    const out = queueTo(async () => {
        throw Object.assign(new Error(), { mayPass: false, status: 419 });
    });
    await out.queue.add('x', entry('1'));
    assert.deepEqual([out.told, Object.keys(out.queue.all)], [['failed'], ['x']]);
});
