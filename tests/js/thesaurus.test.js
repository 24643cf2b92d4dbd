import assert from 'node:assert/strict';
import test from 'node:test';

globalThis.window = { addEventListener: () => {} };
globalThis.requestAnimationFrame = () => {};
globalThis.document = { querySelector: () => ({ content: 'token' }), getElementById: () => ({ focus: () => {}, select: () => {} }) };
const { default: thesaurus } = await import('../../resources/js/thesaurus.js');

const heading = (label, more = {}) => ({
    label, note: '', definition: '', names: [], paths: [], children: [], qualifiers: [], related: [], below: 0, counts: { own: 12, exploded: 12 }, ...more,
});
const rests = () => new Promise((go) => setTimeout(go, 5));

function pane(board = {}) {
    const server = { offers: {}, headings: {}, gates: {} };
    globalThis.fetch = async (url) => {
        const asked = new URLSearchParams(url.split('?')[1]);
        const words = asked.get('words') ?? asked.get('label');
        await server.gates[words];
        if (server.isDown) throw new TypeError('Failed to fetch');
        const found = asked.has('words') ? { offers: server.offers[words] ?? [], caution: [], failure: '' } : server.headings[words];
        return found ? { ok: true, json: async () => structuredClone(found) } : { ok: false, status: 404, json: async () => ({}) };
    };
    const page = Object.assign(thesaurus(), board, { $refs: { scheme: { value: 's' } }, $root: { dataset: { find: '/find', heading: '/heading' }, querySelector: () => null } });
    page.init();
    return { page, server };
}

test('headings for a word come with their counts, and say so where there are none', async () => {
    const { page, server } = pane();
    assert.equal(page.idle, true);
    server.offers = { lamp: [{ label: 'Lamps', own: 1204, exploded: 3000 }, { label: 'Lamp oil', own: 7, exploded: 7 }, { label: 'Wicks', own: null }] };
    page.words = ' lamp ';
    await page.find();
    assert.deepEqual(page.offers.map((one) => one.countWords), ['1,204 · 3,000 with narrower', '7', '']);
    page.words = 'glim';
    await page.find();
    assert.deepEqual([page.nothing, page.idle], [true, false]);
    page.words = ' ';
    await page.find();
    assert.deepEqual([page.offers, page.nothing, page.idle], [[], false, true]);
});

test('the answer to an earlier word does not take the place of a later one', async () => {
    const { page, server } = pane();
    server.offers = { la: [{ label: 'Ladders', own: 1 }], lamp: [{ label: 'Lamps', own: 1 }] };
    let open;
    server.gates.la = new Promise((go) => (open = go));
    page.words = 'la';
    const first = page.find();
    page.words = 'lamp';
    await page.find();
    open();
    await first;
    assert.deepEqual([page.offers.map((one) => one.label), page.looking], [['Lamps'], false]);
});

test('a heading that is none here is told of by name, and a line that is down as what it is', async () => {
    const { page, server } = pane();
    await page.open('Glims');
    assert.equal(page.failure, '“Glims” is no heading of this thesaurus.');
    server.isDown = true;
    page.words = 'lamp';
    await page.find();
    assert.deepEqual([page.failure, page.nothing, page.looking], ['The server cannot be reached.', false, false]);
});

test('a heading is written with what is below it, less what is left out, as major and with a qualifier', async () => {
    const { page, server } = pane();
    server.headings = { Lamps: heading('Lamps', { children: [{ label: 'Oil lamps' }, { label: 'Say "glim"' }], below: 2, counts: { own: 1204, exploded: 3000 } }) };
    await page.open('Lamps');
    assert.equal(page.heading.countWords, '1,204 records carry it, 3,000 with its 2 narrower headings');
    assert.equal(page.query, 'heading:"Lamps"/narrower');
    page.heading.children[1].taken = false;
    Object.assign(page, { major: true, qualifier: 'timing' });
    assert.equal(page.query, 'heading:"Lamps"/narrower/less:"Say glim"/major/q:"timing"');
    page.explode = false;
    assert.deepEqual([page.query, page.narrowsEarly], ['heading:"Lamps"/major/q:"timing"', true]);
    server.headings.Wicks = heading('Wicks');
    await page.open('Wicks');
    assert.deepEqual([page.query, page.heading.countWords], ['heading:"Wicks"', '12 records carry it']);
});

test('a heading goes with its ticked names to the concept that it was looked for, or begins one', async () => {
    const sent = [];
    const board = { blocks: [], sheet: { blocks: [{ id: 'b1' }] }, target: 'b1', send: async (...what) => sent.push(what) };
    const { page, server } = pane(board);
    server.headings = { Lamps: heading('Lamps', { names: ['bed lamps', 'glims', 'wicks'] }) };
    await page.open('Lamps');
    page.heading.names[0].taken = page.heading.names[1].taken = true;
    await page.add();
    page.target = 'gone';
    await page.add();
    await rests();
    const texts = ['heading:"Lamps"', '"bed lamps"', 'glims'];
    assert.deepEqual(sent, [['add-terms', { block: 'b1', texts }], ['fill', { blocks: [{ name: 'Lamps', terms: texts }] }]]);
});
