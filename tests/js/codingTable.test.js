import assert from 'node:assert/strict';
import test from 'node:test';

globalThis.document = { querySelector: () => ({ content: 'token' }), createElement: () => ({}) };
globalThis.window = {};
const { default: codingTable } = await import('../../resources/js/codingTable.js');

const rests = () => new Promise((go) => setTimeout(go, 5));
const answerOf = (id, value) => ({ id, kind: 'value', value, shown: value, note: '', evidence: [], fromWhole: false, by: '' });
const slot = (study, answer, part = '') => ({ item: { id: 'country', label: 'Country', type: 'text', part, url: `/answers/${study}${part}` }, answer });

function cell(study) {
    const row = { dataset: { study }, querySelector: () => ({ textContent: study, getAttribute: () => `/study/${study}` }) };
    return {
        dataset: { at: '0' },
        textContent: '',
        closest(asked) {
            return asked === 'tr' ? row : this;
        },
        classList: { add: () => {}, remove: () => {} },
        append: () => {},
        focus: () => {},
    };
}

// two studies in a table; answers are kept on a server, where somebody else may answer meanwhile
function table(...slots) {
    const server = { slots: { fern: slots.length ? slots : [slot('fern', answerOf('a1', ''))], gorse: [slot('gorse', answerOf('b1', 'Malta'))] }, puts: [] };
    let open = () => {};
    server.holds = () => (server.gate = new Promise((go) => (open = go)));
    server.goesOn = async () => {
        open();
        await rests();
    };
    globalThis.fetch = async (url, { method, body }) => {
        if (method === 'GET') return { ok: true, json: async () => structuredClone({ slots: server.slots[url.split('/')[2]] }) };
        const { seen, value } = JSON.parse(body);
        server.puts.push(value);
        await server.gate;
        const at = Object.values(server.slots).flat().find((one) => one.item.url === url);
        if (server.error) return { ok: false, status: 422, json: async () => ({ message: server.error }) };
        if (seen !== at.answer.id) return { ok: false, status: 409, json: async () => ({ message: 'Mirela Haas answered “Country” meanwhile.' }) };
        at.answer = answerOf(`${seen}+`, value);
        return { ok: true, json: async () => at.answer };
    };
    const desk = codingTable();
    const text = { value: '', focus: () => {}, select: () => {}, offsetParent: {} };
    Object.assign(desk, { columns: { codes: ['country'], url: '/cells', mayEdit: true }, $refs: { text }, $nextTick: (does) => does(), $root: {} });
    const goes = async (td) => {
        Object.assign(desk, { td, loaded: null, isEdited: false });
        await desk.load(td);
    };
    const types = (words) => {
        desk.isEdited = true;
        text.value = words;
    };
    return { desk, server, text, goes, types };
}

test('what is typed stands in the cell, and once however often it is pressed', async () => {
    const { desk, server, goes, types } = table();
    const fern = cell('fern');
    await goes(fern);
    types('Latvia');
    await Promise.all([desk.save(), desk.save()]);
    assert.deepEqual([server.puts, fern.textContent, desk.isEdited, desk.problem], [['Latvia'], 'Latvia', false, '']);
});

test('an answer that arrives when the reader is at another cell is written where it belongs', async () => {
    const { desk, server, goes, types } = table();
    const [fern, gorse] = [cell('fern'), cell('gorse')];
    await goes(fern);
    types('Latvia');
    server.holds();
    const saving = desk.save();
    await goes(gorse);
    await server.goesOn();
    await saving;
    assert.deepEqual([fern.textContent, gorse.textContent, desk.slots[0].answer.value, desk.cell.study], ['Latvia', '', 'Malta', 'gorse']);
});

test('of a study with parts the cell says what each was answered', async () => {
    const { desk, goes, types } = table(slot('fern', answerOf('a1', 'Latvia')), slot('fern', answerOf('a2', ''), 'North'));
    const fern = cell('fern');
    await goes(fern);
    desk.goToPart(1);
    types('Estonia');
    await desk.save();
    assert.equal(fern.textContent, 'the study as a whole: Latvia · North: Estonia');
});

test('somebody else’s answer is shown beside mine, which stands only if it is saved again', async () => {
    const { desk, server, text, goes, types } = table();
    const fern = cell('fern');
    await goes(fern);
    types('Latvia');
    server.slots.fern[0].answer = answerOf('theirs', 'Norway');
    await desk.save();
    assert.match(desk.problem, /Mirela Haas answered .*Norway.*Save again/s);
    assert.deepEqual([desk.isEdited, text.value, server.slots.fern[0].answer.value], [true, 'Latvia', 'Norway']);
    await desk.save();
    assert.deepEqual([fern.textContent, server.slots.fern[0].answer.value, desk.problem], ['Latvia', 'Latvia', '']);
});

test('who has gone on is told which answer met somebody else’s, and loses nothing that he is writing', async () => {
    const { desk, server, text, goes, types } = table();
    await goes(cell('fern'));
    types('Latvia');
    server.slots.fern[0].answer = answerOf('theirs', 'Norway');
    server.holds();
    const saving = desk.save();
    await goes(cell('gorse'));
    types('Cyprus');
    await server.goesOn();
    await saving;
    assert.match(desk.problem, /^Country: .*Yours was not saved/);
    assert.deepEqual([desk.isEdited, text.value, desk.cell.study], [true, 'Cyprus', 'gorse']);
});

test('what the server does not take stays in the field', async () => {
    const { desk, server, text, goes, types } = table();
    await goes(cell('fern'));
    types('?');
    server.error = 'A country is a word.';
    await desk.save();
    assert.deepEqual([desk.problem, desk.isEdited, text.value], ['A country is a word.', true, '?']);
});
