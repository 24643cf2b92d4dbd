import assert from 'node:assert/strict';
import test from 'node:test';

const store = () => {
    const kept = new Map();
    return { getItem: (key) => kept.get(key) ?? null, setItem: (key, value) => kept.set(key, value), removeItem: (key) => kept.delete(key) };
};
globalThis.window = { addEventListener: () => {} };
globalThis.document = { querySelector: () => ({ content: 'token' }), getElementById: () => null };
globalThis.history = { pushState: () => {}, replaceState: () => {} };
const { default: readingDesk } = await import('../../resources/js/readingDesk.js');

const item = (id, verdict = null) => ({ id, title: `Title ${id}`, position: Number(id), open: false, mine: { id: verdict ? `d${id}` : '', verdict, criterion: null, note: '', answers: {} }, copies: [], abstract: [] });
const rests = () => new Promise((go) => setTimeout(go, 5));

// a desk at its second title; what was judged before is only on the server
async function desk({ earlier = { 1: item('1', 'include') }, room = true } = {}) {
    globalThis.localStorage = store();
    globalThis.sessionStorage = store();
    const server = { isUp: true, sent: [], items: earlier };
    globalThis.fetch = async (url, { method, body }) => {
        if (!server.isUp) throw new TypeError('Failed to fetch');
        if (method !== 'GET') server.sent.push(`${method} ${url.split('?')[0]}`);
        if (url.startsWith('/ahead')) return { ok: true, json: async () => ({ items: [], counts: { left: 1, done: 1 }, pause: 0 }) };
        const found = server.items[url.split('/')[2]];
        return { ok: true, status: 200, json: async () => ({ item: found ?? null }), body };
    };
    const page = readingDesk();
    const given = { items: [item('2'), item('3')], behind: [], criteria: [], counts: { left: 2, done: 1 }, urls: { desk: '/desk', item: '/items/ITEM', decide: '/decide/ITEM', ahead: '/ahead' }, listed: false, address: '', inFull: false, low: 1, many: 40, pause: 0, queue: 'q', marks: [], marksKey: 'm' };
    document.getElementById = (id) => (id === 'desk-data' ? { textContent: JSON.stringify(given) } : null);
    Object.assign(page, { $refs: {}, $nextTick: () => {}, $root: {} });
    page.init();
    await rests();
    page.sitting.add('1');
    page.undoable = 1;
    if (!room) {
        localStorage.setItem = () => {
            throw new DOMException('no room', 'QuotaExceededError');
        };
    }
    return { page, server };
}

test('the last decision is undone when the line is back, if it was down', async () => {
    const { page, server } = await desk();
    server.isUp = false;
    await page.undo();
    assert.match(page.said, /could not be fetched/);
    assert.deepEqual([page.undoable, page.item.id], [1, '2']);
    server.isUp = true;
    await page.undo();
    await rests();
    assert.deepEqual([server.sent, page.undoable, page.item.id, page.verdict], [['DELETE /decide/1'], 0, '1', '']);
});

test('a decision on a title that is not there any more is told of once', async () => {
    const { page } = await desk({ earlier: {} });
    await page.undo();
    assert.deepEqual([page.said, page.undoable], ['That title is not among yours any more.', 0]);
});

test('one that has opened stays', async () => {
    const { page, server } = await desk({ earlier: { 1: { ...item('1', 'include'), open: true } } });
    await page.undo();
    assert.match(page.said, /opened, so the decision stays/);
    assert.deepEqual([server.sent, page.undoable], [[], 0]);
});

test('decisions go out in order though the browser has no room to keep them, and the page says so while they wait', async () => {
    const { page, server } = await desk({ room: false });
    server.isUp = false;
    page.include();
    page.include();
    await rests();
    assert.equal(page.showUnsent, true);
    assert.match(page.unsentWords, /^2 decisions are not sent yet, and there is no room/);
    server.isUp = true;
    await new Promise((go) => setTimeout(go, 700));
    assert.deepEqual([server.sent, page.unsent], [['POST /decide/2', 'POST /decide/3'], 0]);
});
