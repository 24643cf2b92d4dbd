import assert from 'node:assert/strict';
import test from 'node:test';

const heard = {};
globalThis.window = { location: { hash: '', assign: (url) => (heard.left = url) }, addEventListener: (name, does) => (heard[name] = does) };
globalThis.document = { querySelector: () => ({ content: 'token' }), getElementById: () => null, activeElement: null };
globalThis.history = { replaceState: () => {} };
globalThis.localStorage = null;
const { default: codingDesk } = await import('../../resources/js/codingDesk.js');

const rests = () => new Promise((go) => setTimeout(go, 5));
const answerOf = (id = '', value = null) => ({ id, kind: 'value', value, note: '', evidence: [], fromWhole: false });
const item = (id, type = 'text', answer = answerOf()) => ({ id, label: id, type, pass: 'mapping', section: '', standing: 'open', url: `/answers/${id}`, leadUrl: `/leads/${id}`, options: [], answer });
const choice = (id, ...values) => ({ ...item(id, 'choice'), options: values.map((value) => ({ value, depth: 0 })) });
const leadOn = (slot, value, quote) => ({ slot, kind: 'value', value, confidence: 'high', evidence: { quote, where: 'page 2' } });

const store = () => {
    const kept = new Map();
    return { getItem: (key) => kept.get(key) ?? null, setItem: (key, value) => kept.set(key, value), removeItem: (key) => kept.delete(key) };
};

// a study whose answers lie on a server, where somebody else may answer meanwhile
async function study({ items, leads = [], hash = '', kept = store(), mayCode = true } = {}) {
    globalThis.localStorage = kept;
    window.location.hash = hash;
    const server = { isUp: true, sent: [], answers: Object.fromEntries(items.map((one) => [one.id, structuredClone(one.answer)])) };
    let go = () => {};
    server.holds = () => (server.gate = new Promise((open) => (go = open)));
    server.goesOn = async () => {
        go();
        await rests();
    };
    const refused = (status, message) => ({ ok: false, status, json: async () => ({ message }) });
    globalThis.fetch = async (url, { method, body }) => {
        if (!server.isUp) throw new TypeError('Failed to fetch');
        if (method === 'GET') {
            return { ok: true, json: async () => structuredClone({ items: items.map((one) => ({ ...one, answer: server.answers[one.id] })) }) };
        }
        const [, what, id] = url.split('/');
        const given = JSON.parse(body);
        server.sent.push([method, what, id, given.do ?? given.value]);
        await server.gate;
        if (server.problem) return refused(422, server.problem);
        if (what === 'answers' && given.seen !== server.answers[id].id) return refused(409, 'Mirela Haas answered meanwhile.');
        const value = what === 'leads' ? (given.do === 'accept' ? leads[0].value : server.answers[id].value) : given.value;
        const { seen, from_whole: fromWhole, ...rest } = given;
        server.answers[id] = { ...answerOf(), ...(what === 'answers' ? { ...rest, fromWhole } : {}), value, id: `${server.answers[id].id}+` };
        return { ok: true, json: async () => ({ ...server.answers[id], standings: { [id]: value === null ? 'open' : 'answered' } }) };
    };
    const page = codingDesk();
    const desk = { items: structuredClone(items), leads, mayCode, user: 'karin', publication: 'fern', here: '/here', previous: '/fir', next: '/gorse', copies: [] };
    document.getElementById = (id) => (id === 'coding-data' ? { textContent: JSON.stringify(desk) } : null);
    Object.assign(page, { $refs: {}, $nextTick: () => {}, $root: {}, begin: () => {}, remark: () => {}, loadPassages: () => {}, beginNumbers: () => {} });
    page.init();
    await rests();
    return { page, server, kept };
}

const press = (key, target = {}) => {
    const event = { key, preventDefault: () => {}, target: { matches: () => false, closest: () => null, tagName: 'BODY', ...target } };
    heard.keydown(event);
};

test('it begins at the first item without an answer, or at the one that the address names', async () => {
    const items = [item('country', 'text', answerOf('a1', 'Malta')), item('design'), item('age', 'number')];
    assert.equal((await study({ items })).page.at, 'design');
    assert.equal((await study({ items, hash: '#item-age' })).page.at, 'age');
    assert.equal((await study({ items, hash: '#item-gone' })).page.at, 'design');
    const all = [item('country', 'text', answerOf('a1', 'Malta'))];
    assert.equal((await study({ items: all })).page.at, 'country');
});

test('options are chosen by their number, and taken back by it; U undoes as deep as was given', async () => {
    const { page, server } = await study({ items: [choice('design', 'trial', 'cohort'), item('country')] });
    press('2');
    press('1');
    press('1');
    await rests();
    assert.equal(page.item.answer.value, null);
    press('u');
    press('u');
    await rests();
    assert.deepEqual([page.item.answer.value, page.nothingToUndo], ['cohort', false]);
    press('u');
    await rests();
    assert.deepEqual([page.item.answer.value, page.nothingToUndo, server.answers.design.value, page.saved], [null, true, null, 'Saved']);
    press('u');
    await rests();
    assert.equal(server.sent.at(-1)[3], null);
});

test('an item stands as answered only with its evidence, or where all of the paper says it', async () => {
    const { page } = await study({ items: [item('country')] });
    page.give({ value: 'Malta' });
    assert.equal(page.item.standing, 'begun');
    page.give({ evidence: [{ quote: 'on Malta' }] });
    assert.equal(page.item.standing, 'answered');
    page.give({ evidence: [], fromWhole: true });
    assert.equal(page.item.standing, 'answered');
    page.give({ value: '', fromWhole: false });
    assert.equal(page.item.standing, 'open');
    page.say('not-reported');
    assert.deepEqual([page.item.standing, page.isNotReported], ['answered', 'true']);
    page.say('not-reported');
    assert.deepEqual([page.item.answer.kind, page.isNotReported], ['value', 'false']);
});

test('what was given without a line is said to be kept, shown after a reload, and sent then', async () => {
    const items = [item('country')];
    const { page, server, kept } = await study({ items });
    server.isUp = false;
    page.give({ value: 'Malta', note: 'by the map' });
    await rests();
    assert.match(page.cutOff, /cannot be reached. What you gave is kept on this machine/);
    assert.equal(page.saved, '1 not sent yet');
    const again = await study({ items, kept });
    await rests();
    assert.deepEqual([again.page.items[0].answer.value, again.page.items[0].answer.note], ['Malta', 'by the map']);
    assert.deepEqual([again.server.answers.country.value, again.page.saved], ['Malta', 'Saved']);
});

test('somebody else’s answer is not overwritten: both are shown, and mine is kept knowingly', async () => {
    const { page, server } = await study({ items: [item('country'), item('age', 'number')] });
    server.answers.country = answerOf('b1', 'Cyprus');
    page.give({ value: 'Malta' });
    page.goTo('age');
    await rests();
    assert.deepEqual([page.at, page.item.answer.value, page.refused, page.saved], ['country', 'Cyprus', true, 'One answer is not saved']);
    assert.equal(page.problem, 'Mirela Haas answered meanwhile. Yours is not saved.');
    page.useRefused();
    await rests();
    assert.deepEqual([server.answers.country.value, page.refused, page.saved], ['Malta', false, 'Saved']);
});

test('an answer that cannot be one is told of where it was given, and stays to be mended', async () => {
    const { page, server } = await study({ items: [item('age', 'number'), item('country')] });
    server.problem = 'Give a number.';
    page.give({ value: 'old' });
    page.goTo('country');
    await rests();
    assert.deepEqual([page.at, page.problem, page.item.answer.value, page.saved], ['age', 'Give a number.', 'old', 'One answer is not saved']);
    server.problem = '';
    page.give({ value: '41' });
    await rests();
    assert.deepEqual([server.answers.age.value, page.saved], ['41', 'Saved']);
});

test('a lead is taken once, however often it is pressed, and gone when its item has an answer', async () => {
    const { page, server } = await study({ items: [item('age', 'number'), item('country')], leads: [leadOn('age', '38.4', 'mean age 38.4')] });
    assert.deepEqual([page.lead.look, page.lead.quoted, page.lead.where], ['lead-high', '“mean age 38.4”', 'page 2']);
    server.holds();
    press('a');
    press('a');
    await server.goesOn();
    assert.deepEqual([server.sent, page.item.answer.value, page.lead], [[['POST', 'leads', 'age', 'accept']], '38.4', null]);
    page.undo();
    await rests();
    assert.deepEqual([server.answers.age.value, page.lead], [null, null]);
});

test('a lead that was not taken is told of with its item, when the reader has gone on', async () => {
    const { page, server } = await study({ items: [item('age', 'number'), item('country')], leads: [leadOn('age', '38.4', 'mean age 38.4')] });
    server.holds();
    server.problem = 'This lead was ruled on.';
    press('x');
    page.goTo('country');
    await server.goesOn();
    assert.equal(page.problem, 'age: This lead was ruled on.');
    server.problem = '';
    page.goTo('age');
    press('x');
    await rests();
    assert.deepEqual([page.lead, page.item.answer.value, server.sent.at(-1)], [null, null, ['POST', 'leads', 'age', 'reject']]);
});

test('to correct a lead keeps its evidence once and leaves the value to be typed', async () => {
    const { page } = await study({ items: [item('country')], leads: [leadOn('country', 'Malta', 'on Malta')] });
    const box = { value: '', focus: () => {}, select: () => {} };
    page.$refs.text = box;
    press('c');
    press('c');
    assert.deepEqual([page.item.answer.evidence.map((one) => one.quote), box.value, page.item.answer.value], [['on Malta'], 'Malta', null]);
});

test('Enter goes to what is open and says where nothing is; J and K step, brackets go to the studies beside', async () => {
    const { page } = await study({ items: [item('country', 'text', answerOf('a1', 'Malta')), item('design'), item('age', 'number')] });
    press('k');
    press('k');
    assert.equal(page.at, 'country');
    press('Enter');
    assert.equal(page.at, 'design');
    press('j');
    assert.equal(page.at, 'age');
    page.give({ value: '41' });
    page.items[1].answer.value = 'trial';
    press('Enter');
    assert.deepEqual([page.at, page.saved], ['age', 'Nothing is open in this pass']);
    press(']');
    assert.equal(heard.left, '/gorse');
    press('[');
    assert.equal(heard.left, '/fir');
});

test('keys do nothing where something is typed, and letters that belong to the browser are left to it', async () => {
    const { page } = await study({ items: [choice('design', 'trial', 'cohort')] });
    press('1', { closest: (asked) => (asked.includes('textarea') ? {} : null) });
    heard.keydown({ key: '1', ctrlKey: true, preventDefault: () => {}, target: { matches: () => false, closest: () => null } });
    localStorage.setItem('heron-single-keys-off', '1');
    press('1');
    assert.equal(page.item.answer.value, null);
    localStorage.removeItem('heron-single-keys-off');
    press('1');
    assert.equal(page.item.answer.value, 'trial');
});

test('whoever may only look changes nothing', async () => {
    const { page, server } = await study({ items: [choice('design', 'trial')], leads: [leadOn('design', 'trial', 'a trial')], mayCode: false });
    press('1');
    press('a');
    page.whole();
    await rests();
    assert.deepEqual([server.sent, page.item.answer.value, page.nothingToUndo], [[], null, true]);
});
