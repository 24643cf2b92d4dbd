import assert from 'node:assert/strict';
import test from 'node:test';

const store = new Map();
globalThis.localStorage = {
    getItem: (key) => store.get(key) ?? null,
    setItem: (key, value) => store.set(key, value),
    removeItem: (key) => store.delete(key),
};
globalThis.window = { addEventListener: () => {} };
globalThis.document = { querySelector: () => ({ content: 'token' }) };
// waiting is not what is tried here
globalThis.setTimeout = (then) => queueMicrotask(then);

const { DecisionQueue } = await import('../../resources/js/decisionQueue.js');

const answer = (status, body = {}) => ({ ok: status < 400, status, json: async () => body });

// a queue against a server that answers in turn, with what it told
async function sent(answers, entries) {
    store.clear();
    const asked = [];
    const told = [];
    globalThis.fetch = async (url, { body }) => {
        asked.push(JSON.parse(body).key);
        const next = answers.shift() ?? answer(200);
        if (next instanceof Error) throw next;
        return next;
    };
    const queue = new DecisionQueue('q', {
        answered: (entry) => told.push(`answered ${entry.body.key}`),
        refused: (entry, failure) => told.push(`refused ${entry.body.key} ${failure.status}`),
        changed: () => {},
    });
    queue.all = entries;
    await queue.send();
    return { asked, told, left: queue.all.map((entry) => entry.body.key) };
}

const entry = (key) => ({ method: 'POST', item: key, url: `/items/${key}`, body: { key } });

test('decisions are sent in order, one after the other', async () => {
    assert.deepEqual(await sent([], [entry('a'), entry('b')]), {
        asked: ['a', 'b'],
        told: ['answered a', 'answered b'],
        left: [],
    });
});

test('where the line is down or the server is busy, the same is sent again with the same key', async () => {
    assert.deepEqual(await sent([new TypeError('offline'), answer(503), answer(200)], [entry('a')]), {
        asked: ['a', 'a', 'a'],
        told: ['answered a'],
        left: [],
    });
});

test('what is refused is told once and holds up nothing', async () => {
    assert.deepEqual(await sent([answer(409, { message: 'Changed meanwhile.' })], [entry('a'), entry('b')]), {
        asked: ['a', 'b'],
        told: ['refused a 409', 'answered b'],
        left: [],
    });
});

test('signed out, everything is kept for the next sign-in', async () => {
    for (const status of [401, 419]) {
        assert.deepEqual(await sent([answer(status)], [entry('a'), entry('b')]), {
            asked: ['a'],
            told: [`refused a ${status}`],
            left: ['a', 'b'],
        });
    }
});

test('what another tab has added in the meantime is not lost', async () => {
    store.clear();
    globalThis.fetch = async () => {
        const all = JSON.parse(store.get('q'));
        if (!all.some((one) => one.body.key === 'other')) store.set('q', JSON.stringify([...all, entry('other')]));
        return answer(200);
    };
    const told = [];
    const queue = new DecisionQueue('q', {
        answered: (one) => told.push(one.body.key),
        refused: () => {},
        changed: () => {},
    });
    queue.all = [entry('a')];
    await queue.send();
    assert.deepEqual(told, ['a', 'other']);
});
