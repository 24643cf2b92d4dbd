import assert from 'node:assert/strict';
import test from 'node:test';

globalThis.document = { querySelector: () => ({ content: 'token' }) };
globalThis.localStorage = { getItem: () => null };
const { default: strategyBoard } = await import('../../resources/js/strategyBoard.js');
const { default: strategyLines } = await import('../../resources/js/strategyLines.js');
const { default: suggest } = await import('../../resources/js/suggest.js');

// a board over a server that keeps each change in order, and refuses one that did not see the one before
function board(make = strategyBoard) {
    const server = { revision: 1, sent: [], terms: [], lines: [], isUp: true };
    const sheet = () => ({ revision: server.revision, sources: [], chain: [], limits: [], rest: [], lines: [], change: '', blocks: [{ id: 'b', name: 'Glare', combined: true, terms: [...server.terms] }] });
    globalThis.fetch = async (url, { body }) => {
        await new Promise((go) => setTimeout(go, 2));
        if (!server.isUp) throw new TypeError('Failed to fetch');
        const { revision, change, with: values } = JSON.parse(body);
        server.sent.push(change);
        if (revision !== server.revision) return { ok: false, status: 409, json: async () => ({ message: 'Tunde Adeyinka has changed it.', sheet: sheet() }) };
        server.revision++;
        (values.texts ?? []).forEach((text) => server.terms.push({ id: text, text }));
        return { ok: true, json: async () => sheet() };
    };
    const desk = make();
    Object.assign(desk, { boardRoot: { dataset: { url: '/change' }, querySelector: () => null }, counter: { ask: () => {} }, sheet: sheet() });
    return { desk, server };
}

const field = (value) => ({ target: { value } });
const words = (server) => server.terms.map((term) => term.text);

test('terms that are typed faster than the line is are added in order, each once, and meet nobody', async () => {
    const { desk, server } = board();
    const input = field('visor');
    const first = desk.addTyped({ id: 'b' }, input);
    desk.addTyped({ id: 'b' }, input); // the field is empty by now
    input.target.value = 'lamp';
    await Promise.all([first, desk.addTyped({ id: 'b' }, input)]);
    assert.deepEqual([words(server), server.sent.length, input.target.value, desk.problem, desk.meanwhile], [['visor', 'lamp'], 2, '', '', '']);
});

test('a change that is on its way is not sent twice, but each step back is one', async () => {
    const { desk, server } = board();
    await Promise.all([desk.send('add-block', { name: 'Lamps' }), desk.send('add-block', { name: 'Lamps' }), desk.send('undo'), desk.send('undo')]);
    assert.deepEqual([server.sent, desk.busy], [['add-block', 'undo', 'undo'], 0]);
});

test('what could not be sent stands in its field again, with what was typed since', async () => {
    const { desk, server } = board();
    server.isUp = false;
    const input = field('visor');
    const sending = desk.addTyped({ id: 'b' }, input);
    input.target.value = 'lamp';
    await sending;
    assert.deepEqual([input.target.value, desk.problem, words(server)], ['visor OR lamp', 'The server cannot be reached.', []]);
});

test('a term is added to what somebody else made of the concept', async () => {
    const { desk, server } = board();
    server.revision = 5;
    assert.equal(await desk.send('add-terms', { block: 'b', texts: ['visor'] }), true);
    assert.match(desk.meanwhile, /added to theirs/);
});

test('a step back that waited behind a change which met somebody else’s does not take theirs back', async () => {
    const { desk, server } = board();
    server.revision = 5;
    const all = await Promise.all([desk.send('move-block', { block: 'b', to: 2 }), desk.send('undo')]);
    assert.deepEqual([all, server.sent], [[false, false], ['move-block']]);
    assert.match(desk.problem, /Tunde Adeyinka/);
});

test('a note goes without the text of its line, which may be on its way itself', async () => {
    const { desk, server } = board(strategyLines);
    desk.noted({ id: 'l1', text: 'of yesterday' }, field('why'));
    await desk.turn(() => {});
    assert.deepEqual([server.sent, desk.problem], [['set-note'], '']);
});

test('names that were ticked stay ticked until they are on the board', async () => {
    const input = { value: 'vis', focus: () => {} };
    const offers = { ...suggest(), place: { querySelector: () => input }, sendsWell: false };
    Object.defineProperty(offers, 'taken', { get: () => ['visor'] });
    offers.send = async () => offers.sendsWell;
    Object.assign(offers, { offers: [{}], shown: true });
    await offers.addTaken({ id: 'b' });
    assert.deepEqual([input.value, offers.shown], ['vis', true]);
    offers.sendsWell = true;
    await offers.addTaken({ id: 'b' });
    assert.deepEqual([input.value, offers.shown], ['', false]);
});
