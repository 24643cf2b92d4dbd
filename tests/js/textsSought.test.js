import assert from 'node:assert/strict';
import test from 'node:test';

globalThis.document = { querySelector: () => ({ content: 'token' }), getElementById: () => null, activeElement: null };
globalThis.history = { replaceState: () => {} };
globalThis.location = { href: 'http://heron.test/texts' };
globalThis.window = { location: globalThis.location };
const { default: textsSought } = await import('../../resources/js/textsSought.js');

const row = (id) => ({ id, state: 'sought', reason: '', dated: '' });

// three texts at a server that may be away, or refuse
function texts() {
    const server = { isUp: true, refuses: [], told: [] };
    globalThis.fetch = async (url, { body }) => {
        if (!server.isUp) throw new TypeError('Failed to fetch');
        const { publications, state } = JSON.parse(body);
        if (publications.some((id) => server.refuses.includes(id))) {
            return { ok: false, status: 409, json: async () => ({ message: 'It was merged meanwhile.' }) };
        }
        server.told.push(`${publications.join(' ')} ${state}`);
        return { ok: true, json: async () => ({ rows: publications.map((id) => ({ ...row(id), state })) }) };
    };
    const desk = Object.assign(textsSought(), { rows: ['a', 'b', 'c'].map(row), at: 'a', may: true, urls: { set: '/set' } });
    return { desk, server };
}

async function obtained(desk) {
    desk.asking = 'obtained';
    await desk.save();
}

test('goes to the next when one is told on, once however often one presses', async () => {
    const { desk, server } = texts();
    desk.asking = 'obtained';
    await Promise.all([desk.save(), desk.save()]);
    assert.deepEqual([server.told, desk.at, desk.undone.length], [['a obtained'], 'b', 1]);
});

test('undoes what was told last, also where the line was down at first', async () => {
    const { desk, server } = texts();
    await obtained(desk);
    server.isUp = false;
    await desk.undo();
    assert.deepEqual([desk.said, desk.undone.length, desk.at], ['The server cannot be reached.', 1, 'b']);
    server.isUp = true;
    await desk.undo();
    assert.deepEqual([server.told, desk.undone.length, desk.at], [['a obtained', 'a sought'], 0, 'a']);
});

test('says why an undo is refused, and does not offer it again', async () => {
    const { desk, server } = texts();
    await obtained(desk);
    server.refuses = ['a'];
    await desk.undo();
    assert.deepEqual([desk.said, desk.undone.length, server.told], ['It was merged meanwhile.', 0, ['a obtained']]);
});

test('puts back together what stood alike, and goes on with what was left', async () => {
    const { desk, server } = texts();
    desk.rows[1].state = 'requested';
    desk.ticked = ['a', 'b', 'c'];
    await obtained(desk);
    assert.deepEqual([server.told, desk.ticked], [['a b c obtained'], []]);
    await desk.undo();
    assert.deepEqual(server.told.slice(1), ['a c sought', 'b requested']);
});
