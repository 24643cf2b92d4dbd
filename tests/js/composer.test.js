import assert from 'node:assert/strict';
import test from 'node:test';

globalThis.document = { querySelector: () => ({ content: 'token' }) };
const { default: composer } = await import('../../resources/js/composer.js');

const rests = () => new Promise((go) => setTimeout(go, 5));

// a report of which one claim is open; the server merges what is put to it
function report() {
    const server = { evidence: [], own: false, said: [], isUp: true, sent: [] };
    const claim = () => ({ own: server.own, evidence: server.evidence.map((id) => ({ kind: 'answer', id })), problem: '' });
    globalThis.fetch = async (url, { method, body }) => {
        const given = body ? JSON.parse(body) : {};
        server.sent.push(`${method} ${url}`);
        // what an answer says is what stood when it was asked for
        const standing = { changed: {}, numbers: {}, claims: { c: claim() }, remarks: {}, blocks: {} };
        await (server.gates?.[url] ?? rests());
        if (!server.isUp) throw new TypeError('Failed to fetch');
        if (method === 'GET') return { ok: true, json: async () => standing };
        if (url.startsWith('/remarks')) return { ok: true, json: async () => ({ ended: false, said: server.said.push(given.body) && [...server.said] }) };
        server.own = given.own ?? server.own;
        const off = (given.takes_off ?? []).map((one) => one.id);
        server.evidence = [...new Set([...server.evidence, ...(given.adds ?? []).map((one) => one.id)])].filter((id) => !off.includes(id));
        return { ok: true, json: async () => claim() };
    };
    const desk = composer();
    const remark = { value: '', focus: () => {} };
    Object.assign(desk, {
        claimId: 'c',
        threadId: 't',
        urls: { claims: '/claims/CLAIM', remarks: '/remarks/THREAD', standing: '/standing' },
        $refs: { editor: { querySelectorAll: () => [] }, remark },
    });
    return { desk, server, remark };
}

const one = (id) => ({ kind: 'answer', id, key: `answer ${id}`, quote: '' });
const shown = (desk) => desk.claimEvidence.map((piece) => piece.id);

test('evidence that is pressed in quick succession is all there, and what somebody else put to it too', async () => {
    const { desk, server } = report();
    server.evidence = ['theirs'];
    await Promise.all([desk.addEvidence(one('a')), desk.addEvidence(one('b')), desk.addEvidence(one('a')), desk.takeOff(one('b'))]);
    assert.deepEqual([server.evidence, shown(desk), desk.claimSaid], [['theirs', 'a'], ['theirs', 'a'], '']);
});

test('without a line it says so, and shows what stands', async () => {
    const { desk, server } = report();
    server.isUp = false;
    const box = { target: { checked: true } };
    await desk.setOwn(box);
    assert.deepEqual([box.target.checked, desk.isOwn], [false, false]);
    assert.match(desk.claimSaid, /cannot be reached.*was not changed/);
});

test('what stood before evidence was added does not come back over it', async () => {
    const { desk, server } = report();
    let goesOn = () => {};
    server.gates = { '/standing': new Promise((go) => (goesOn = go)) };
    const views = desk.look();
    await desk.addEvidence(one('a'));
    goesOn();
    await views.catch(() => {});
    assert.deepEqual(shown(desk), ['a']);
    assert.equal(server.sent.filter((sent) => sent === 'GET /standing').length, 2);
});

test('a remark is said once, and the next may be written meanwhile', async () => {
    const { desk, server, remark } = report();
    remark.value = 'Is this of all six?';
    const first = desk.sayRemark();
    await desk.sayRemark();
    remark.value = 'Of all six, I think';
    await first;
    assert.deepEqual([server.said, remark.value], [['Is this of all six?'], 'Of all six, I think']);
    await desk.sayRemark();
    assert.deepEqual([server.said.length, remark.value], [2, '']);
});
