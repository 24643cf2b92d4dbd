import assert from 'node:assert/strict';
import test from 'node:test';
import * as Y from 'yjs';

globalThis.document = { querySelector: () => ({ content: 'token' }), addEventListener: () => {} };
globalThis.window = { addEventListener: () => {} };
const { Exchange } = await import('../../resources/js/report/exchange.js');

const bytes = (text) => new Uint8Array(Buffer.from(text, 'base64'));

/** A page that writes, the server it writes to, and what the browser keeps. */
function at({ room = Infinity, answers = true, kept = new Map(), server = new Y.Doc() } = {}) {
    const [loads, told] = [[], []];
    const line = { answers };
    const store = {
        get length() {
            return kept.size;
        },
        key: (at) => [...kept.keys()][at],
        getItem: (key) => kept.get(key) ?? null,
        setItem: (key, value) => {
            if (value.length > room) throw new Error('no room');
            kept.set(key, value);
        },
        removeItem: (key) => kept.delete(key),
    };
    const send = async (method, url, { update }) => {
        if (!line.answers) throw new Error('no line');
        if (update) loads.push(bytes(update).length);
        if (update) Y.applyUpdate(server, bytes(update));
        return { seq: loads.length, updates: [], base: null, presence: [] };
    };
    const handlers = { changed: () => {}, failed: (failure, isKept) => told.push(isKept) };
    const exchange = new Exchange('/here', store, handlers, send);
    exchange.soon = () => {};
    exchange.awareness.destroy(); // it would keep the clock running
    return { server, kept, loads, told, line, exchange, text: exchange.doc.getText('t'), said: () => server.getText('t').toString() };
}

test('what was written in a long time without a line arrives piece by piece, whole', async () => {
    const one = at({ answers: false });
    for (let i = 0; i < 40; i++) one.text.insert(0, `${i} `.repeat(8000));
    await one.exchange.once();
    assert.deepEqual([one.loads, one.told], [[], [true]]);
    one.line.answers = true;
    for (let i = 0; i < 40 && one.kept.size; i++) await one.exchange.once();
    assert.equal(one.said(), one.text.toString());
    assert.ok(one.loads.length > 2 && Math.max(...one.loads) < 250000, String(one.loads));
    assert.equal(one.kept.size, 0);
});

test('one update larger than a load goes up alone', async () => {
    const one = at();
    one.text.insert(0, 'before ');
    one.text.insert(0, 'x'.repeat(600000));
    one.text.insert(0, 'after ');
    for (let i = 0; i < 3; i++) await one.exchange.once();
    assert.equal(one.said(), one.text.toString());
    assert.equal(one.loads.length, 3);
});

test('it says when the browser has no room to keep what has not arrived, and writes on', async () => {
    const one = at({ room: 1000, answers: false });
    one.text.insert(0, 'y'.repeat(5000));
    await one.exchange.once();
    assert.deepEqual(one.told, [false]);
    one.line.answers = true;
    await one.exchange.once();
    assert.equal(one.said(), one.text.toString());
    assert.equal(one.exchange.isKept, true);
});

test('what pages did not get rid of is sent by the next one, and no page throws away what another keeps', async () => {
    const [kept, server] = [new Map(), new Y.Doc()];
    const [lost, other] = [at({ kept, server, answers: false }), at({ kept, server })];
    lost.text.insert(0, 'written without a line');
    lost.exchange.keep();
    other.text.insert(0, 'short ');
    await other.exchange.once();
    assert.equal(kept.size, 1);
    const next = at({ kept, server });
    await next.exchange.begin();
    assert.match(next.said(), /written without a line/);
    assert.equal(kept.size, 0);
});

test('a version is kept only when all that was written has arrived, also what was written while something was on its way', async () => {
    const page = at();
    page.text.insert(0, 'Naps were studied.');
    const first = page.exchange.once();
    page.text.insert(0, 'Six ');
    assert.equal(await page.exchange.settle(), true);
    await first;
    assert.equal(page.said(), 'Six Naps were studied.');
    page.line.answers = false;
    page.text.insert(0, 'All ');
    assert.deepEqual([await page.exchange.settle(), page.exchange.isOpen], [false, true]);
});
