import assert from 'node:assert/strict';
import test from 'node:test';

globalThis.document = { querySelector: () => ({ content: 'token' }), activeElement: null };
globalThis.window = { getSelection: () => ({ removeAllRanges: () => {} }) };
globalThis.requestAnimationFrame = () => {};
const { default: passages } = await import('../../resources/js/passages.js');

const rests = () => new Promise((go) => setTimeout(go, 5));

// a paper whose passages lie on a server
function paper() {
    const server = { isUp: true, marked: [] };
    globalThis.fetch = async (url, { body }) => {
        await rests();
        if (!server.isUp) throw new TypeError('Failed to fetch');
        server.marked.push(JSON.parse(body).themes);
        const all = server.marked.map((themes, id) => ({ id, themes, piece: { quote: '', where: '' } }));
        return { ok: true, json: async () => ({ passages: all, themes: [] }) };
    };
    const field = () => ({ value: '', focus: () => {}, offsetParent: {} });
    const desk = passages();
    Object.assign(desk, { mayCode: true, problem: '', urls: { passages: '/passages' }, $refs: { themes: field(), memo: field() }, $nextTick: (does) => does(), remark: () => {} });
    const names = (quote, themes) => {
        desk.name({ piece: { quote }, url: '/passages', method: 'POST', themes: '', memo: '' });
        desk.$refs.themes.value = themes;
    };
    return { desk, server, names };
}

test('words are marked once, however often it is pressed', async () => {
    const { desk, server, names } = paper();
    names('too bright', 'Glare');
    await Promise.all([desk.keepPassage(), desk.keepPassage()]);
    await desk.keepPassage();
    assert.deepEqual([server.marked, desk.isNaming, desk.passageLines.length], [['Glare'], false, 1]);
});

test('the next words can be named while those before are on their way', async () => {
    const { desk, server, names } = paper();
    names('too bright', 'Glare');
    const first = desk.keepPassage();
    names('cost too much', 'Costs');
    await first;
    assert.deepEqual([desk.isNaming, desk.pendingQuote], [true, '“cost too much”']);
    await desk.keepPassage();
    assert.deepEqual([server.marked, desk.isNaming], [['Glare', 'Costs'], false]);
});

test('what could not be sent stays to be sent again', async () => {
    const { desk, server, names } = paper();
    server.isUp = false;
    names('too bright', 'Glare');
    await desk.keepPassage();
    assert.deepEqual([desk.isNaming, desk.$refs.themes.value, desk.problem], [true, 'Glare', 'The server cannot be reached.']);
    server.isUp = true;
    await desk.keepPassage();
    assert.deepEqual([server.marked, desk.isNaming], [['Glare'], false]);
});
