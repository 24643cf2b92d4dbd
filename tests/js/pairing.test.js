import assert from 'node:assert/strict';
import test from 'node:test';

globalThis.document = { querySelector: () => ({ content: 'token' }) };
globalThis.history = { replaceState: () => {} };
globalThis.location = { pathname: '/pairing' };
globalThis.window = { addEventListener: () => {} };
const { default: pairing } = await import('../../resources/js/pairing.js');

// a desk at group A against a server that has the other groups, and a line that can be down
function deskBefore(groups) {
    const server = { isUp: true, ruled: [], groups: ['A', ...groups] };
    let go = () => {};
    server.holds = () => (server.gate = new Promise((open) => (go = open)));
    server.goesOn = async () => {
        go();
        await rests();
    };
    globalThis.fetch = async (url, { method }) => {
        if (!server.isUp) throw new TypeError('Failed to fetch');
        if (method === 'POST') {
            server.ruled.push(url === '/rule' ? desk.sent : `undo ${desk.sent}`);
            await server.gate;
            if (url === '/rule') server.groups = server.groups.filter((one) => one !== desk.sent);
            else server.groups.unshift(desk.sent);
            return { ok: true, json: async () => ({ stroke: `stroke of ${desk.sent}`, left: server.groups.length }) };
        }
        const [, what, group] = url.match(/(skip|group)=(.*)$/) ?? [];
        const next = what === 'group' ? group : server.groups.find((one) => one !== group);
        return { ok: true, text: async () => next ?? '' };
    };
    const place = { innerHTML: 'A', querySelector: () => ({ dataset: { publications: '1 2', group: place.innerHTML } }), addEventListener: () => {} };
    const desk = Object.assign(pairing(), {
        $root: { dataset: { left: '3', rule: '/rule', undo: '/undo', ahead: '/ahead' } },
        $refs: { place },
    });
    desk.init();
    return { desk, server };
}

const rests = () => new Promise((go) => setTimeout(go, 20));

async function press(desk, what) {
    desk.sent = what === 'undo' ? desk.strokes.at(-1).key : desk.key;
    desk[what]();
    await rests();
}

test('a ruling is sent, and the next group is there', async () => {
    const { desk, server } = deskBefore(['B', 'C']);
    await rests();
    await press(desk, 'same');
    assert.deepEqual([server.ruled, desk.key, desk.left, desk.said], [['A'], 'B', '2', '']);
    await press(desk, 'undo');
    assert.deepEqual([server.ruled, desk.key, desk.cannotUndo], [['A', 'undo A'], 'A', true]);
});

test('where the line is down it says that a ruling was not kept, and goes on when the line is back', async () => {
    const { desk, server } = deskBefore(['B', 'C']);
    await rests();
    server.isUp = false;
    await press(desk, 'same');
    assert.deepEqual([desk.key, desk.said], ['B', 'The server cannot be reached. The ruling was not kept; its group comes again.']);
    // no other lies ready, so that this one stays and can be ruled on again
    await press(desk, 'different');
    assert.deepEqual([desk.key, desk.none, server.ruled], ['B', false, []]);
    server.isUp = true;
    await press(desk, 'different');
    assert.deepEqual([server.ruled, desk.said, desk.key], [['B'], '', 'A']);
});

test('an undo that did not arrive can be pressed again', async () => {
    const { desk, server } = deskBefore(['B', 'C']);
    await rests();
    await press(desk, 'same');
    server.isUp = false;
    await press(desk, 'undo');
    assert.deepEqual([desk.key, desk.cannotUndo, desk.said], ['B', false, 'The server cannot be reached.']);
    server.isUp = true;
    await press(desk, 'undo');
    assert.deepEqual([desk.key, desk.cannotUndo, server.ruled], ['A', true, ['A', 'undo A']]);
});

test('an undo pressed while the ruling is on its way waits for it, and is of that one', async () => {
    const { desk, server } = deskBefore(['B', 'C']);
    await rests();
    await press(desk, 'same');
    server.holds();
    desk.sent = desk.key;
    desk.different();
    desk.undo();
    await rests();
    assert.deepEqual([server.ruled, desk.cannotUndo], [['A', 'B'], false]);
    await server.goesOn();
    assert.deepEqual([server.ruled, desk.key, desk.strokes.map((one) => one.key)], [['A', 'B', 'undo B'], 'B', ['A']]);
});

test('an undo of a ruling that was not kept takes back no other', async () => {
    const { desk, server } = deskBefore(['B', 'C']);
    await rests();
    await press(desk, 'same');
    server.isUp = false;
    desk.sent = desk.key;
    desk.different();
    desk.undo();
    await rests();
    server.isUp = true;
    assert.deepEqual([server.ruled, desk.strokes.map((one) => one.key), desk.cannotUndo], [['A'], ['A'], false]);
    await press(desk, 'undo');
    assert.deepEqual([server.ruled, desk.key], [['A', 'undo A'], 'A']);
});
