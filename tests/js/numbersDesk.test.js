import assert from 'node:assert/strict';
import test from 'node:test';

const store = new Map();
globalThis.localStorage = {
    getItem: (key) => store.get(key) ?? null,
    setItem: (key, value) => store.set(key, value),
    removeItem: (key) => store.delete(key),
};
globalThis.document = { querySelector: () => ({ content: 'token' }) };
globalThis.history = { replaceState: () => {} };
globalThis.window = { addEventListener: () => {} };
const { default: numbersDesk } = await import('../../resources/js/numbersDesk.js');

const outcome = { id: 'misses', name: 'Near misses', kind: 'events', isOfTwo: true };
const row = (name, given, id = `${name} 1`) => ({ id, row: name, outcome: 'misses', comparison: 'c', form: 'counts', given, evidence: {}, effects: [] });

// a study whose rows lie on a server, where somebody else may change or withdraw them
function study(...rows) {
    store.clear();
    const server = { rows: new Map(rows.map((one) => [one.row, one])), isUp: true, puts: [] };
    const standing = () => [...server.rows.values()].filter((one) => !one.withdrawn);
    globalThis.fetch = async (url, { method, body }) => {
        if (!server.isUp) throw new TypeError('Failed to fetch');
        if (method === 'GET') {
            const numbers = { outcomes: [outcome], rows: standing(), forms: [], designs: [], comparisons: [{ id: 'c', arms: {} }], offers: [], url: '/results' };
            return { ok: true, json: async () => structuredClone(numbers) };
        }
        const name = url.split('/').at(-1);
        const { seen, ...given } = JSON.parse(body);
        if (seen !== (server.rows.get(name)?.id ?? '')) {
            return { ok: false, status: 409, json: async () => ({ message: 'Tunde Adeyinka changed this row meanwhile.' }) };
        }
        const kept = { ...given, row: name, id: `${name} by me ${server.puts.push(name)}`, effects: [] };
        server.rows.set(name, kept);
        return { ok: true, json: async () => kept };
    };
    const desk = numbersDesk();
    Object.assign(desk, { pass: 'mapping', at: 'x', mayCode: true, urls: { results: '/results' }, remark: () => {}, see: () => {} });
    desk.beginNumbers('karin', 'study', null);
    return { desk, server };
}

const rests = () => new Promise((go) => setTimeout(go, 10));
const given = (server) => server.puts.map((name) => server.rows.get(name).given);

async function typed(desk, number) {
    desk.setNumber('n1', { target: { value: number } });
    await rests();
}

test('what is typed is kept on the row that is seen', async () => {
    const { desk, server } = study(row('a', { n1: '40' }));
    await desk.turnNumbers();
    await typed(desk, '41');
    await typed(desk, '42');
    assert.deepEqual([server.rows.get('a').given, desk.row.id, desk.numbersProblem], [{ n1: '42' }, 'a by me 2', '']);
});

test('a row that somebody else changed is shown as it stands, and mine is used only if told to', async () => {
    const { desk, server } = study(row('a', { n1: '40' }));
    await desk.turnNumbers();
    server.rows.set('a', row('a', { n1: '50' }, 'a by Tunde'));
    await typed(desk, '41');
    assert.deepEqual(
        [desk.row.given.n1, desk.numbersProblem, desk.isRowRefused, server.puts],
        ['50', 'Tunde Adeyinka changed this row meanwhile. Yours is not saved.', true, []],
    );
    desk.useRefusedRow();
    await rests();
    assert.deepEqual([given(server), desk.isRowRefused, desk.numbersProblem], [[{ n1: '41' }], false, '']);
});

test('mine is offered no more once another number was kept in its place', async () => {
    const { desk, server } = study(row('a', { n1: '40' }));
    await desk.turnNumbers();
    server.rows.set('a', row('a', { n1: '50' }, 'a by Tunde'));
    await typed(desk, '41');
    await typed(desk, '51');
    assert.deepEqual([given(server), desk.isRowRefused], [[{ n1: '51' }], false]);
});

test('of a row that is withdrawn meanwhile, mine becomes a row of its own', async () => {
    const { desk, server } = study(row('a', { n1: '40' }));
    await desk.turnNumbers();
    server.rows.set('a', { ...row('a', { n1: '40' }, 'a by Tunde'), withdrawn: true });
    await typed(desk, '41');
    assert.deepEqual([desk.row, desk.isRowRefused, desk.numbers.rows], [null, true, []]);
    desk.useRefusedRow();
    await rests();
    assert.deepEqual([given(server), server.puts.includes('a'), server.rows.get('a').withdrawn], [[{ n1: '41' }], false, true]);
});

test('a row that I withdraw and somebody else changed stays, until I withdraw what it is now', async () => {
    const { desk, server } = study(row('a', { n1: '40' }));
    await desk.turnNumbers();
    server.rows.set('a', row('a', { n1: '50' }, 'a by Tunde'));
    desk.withdrawRow();
    await rests();
    assert.deepEqual([desk.row.given.n1, desk.isRowRefused], ['50', true]);
    desk.useRefusedRow();
    await rests();
    assert.deepEqual([server.rows.get('a').withdrawn, desk.numbers.rows], [true, []]);
});

test('whoever is elsewhere on the desk is brought to the row that was refused', async () => {
    const { desk, server } = study(row('a', { n1: '40' }), row('b', { n1: '7' }));
    await desk.turnNumbers();
    server.rows.set('a', row('a', { n1: '50' }, 'a by Tunde'));
    desk.setNumber('n1', { target: { value: '41' } });
    desk.goToRow('b');
    desk.pass = 'mapping';
    await rests();
    assert.deepEqual([desk.isNumbers, desk.atRow, desk.row.given.n1], [true, 'a', '50']);
});

test('says that the line is down, and reads the rows when it is pressed again', async () => {
    const { desk, server } = study(row('a', { n1: '40' }));
    server.isUp = false;
    await desk.turnNumbers();
    assert.deepEqual([desk.numbers, desk.numbersProblem], [null, 'The server cannot be reached.']);
    server.isUp = true;
    await desk.turnNumbers();
    assert.deepEqual([desk.row.given.n1, desk.numbersProblem], ['40', '']);
});

test('undo goes back number by number', async () => {
    const { desk, server } = study(row('a', { n1: '40' }));
    await desk.turnNumbers();
    await typed(desk, '41');
    await typed(desk, '42');
    desk.undoNumber();
    desk.undoNumber();
    await rests();
    assert.deepEqual([server.rows.get('a').given, desk.nothingUndone], [{ n1: '40' }, true]);
});
