import assert from 'node:assert/strict';
import test from 'node:test';
import { ahead, Drafts, fresh, Sitting } from '../../resources/js/stock.js';

const item = (id, verdict = null, open = false) => ({ id, open, mine: { verdict } });

test('nothing that is here, was judged, or waits to be sent comes again', () => {
    const here = [item('a'), item('b', 'include')];
    assert.deepEqual(
        fresh([item('a'), item('c'), item('d'), item('c')], here, new Set(['d'])).map((one) => one.id),
        ['c'],
    );
    assert.deepEqual(fresh([], here, new Set()), []);
});

test('what is left counts what can still be judged, after the one at hand', () => {
    const items = [item('a'), item('b', 'include'), item('c'), item('d', null, true), item('e')];
    assert.equal(ahead(items, 0, new Set()), 2);
    assert.equal(ahead(items, 0, new Set(['e'])), 1);
    assert.equal(ahead(items, 4, new Set()), 0);
});

test('drafts are kept by item, and the oldest go first', () => {
    const kept = new Map();
    const drafts = new Drafts('d', {
        getItem: (key) => kept.get(key) ?? null,
        setItem: (key, value) => kept.set(key, value),
        removeItem: (key) => kept.delete(key),
    });
    drafts.keep('a', { note: 'dose?' });
    drafts.keep('b', { note: 'staff?' });
    assert.deepEqual(drafts.of('a'), { note: 'dose?' });
    drafts.drop('a');
    assert.equal(drafts.of('a'), null);
    assert.deepEqual(drafts.of('b'), { note: 'staff?' });
    for (let i = 0; i < 400; i++) drafts.keep(`i${i}`, { note: String(i) });
    assert.equal(drafts.of('b'), null);
    assert.deepEqual(drafts.of('i399'), { note: '399' });
});

test('a draft that is typed on stays among the newest', () => {
    const kept = new Map();
    const drafts = new Drafts('d', {
        getItem: (key) => kept.get(key) ?? null,
        setItem: (key, value) => kept.set(key, value),
        removeItem: (key) => kept.delete(key),
    });
    drafts.keep('first', { note: 'x' });
    for (let i = 0; i < 299; i++) drafts.keep(`i${i}`, { note: '' });
    drafts.keep('first', { note: 'xy' });
    drafts.keep('last', { note: '' });
    assert.deepEqual(drafts.of('first'), { note: 'xy' });
});

test('a sitting is undone one after the other, as deep as it went', () => {
    const kept = new Map();
    const store = {
        getItem: (key) => kept.get(key) ?? null,
        setItem: (key, value) => kept.set(key, value),
        removeItem: (key) => kept.delete(key),
    };
    const sitting = () => new Sitting('s', store);
    ['a', 'b', 'c', 'a'].forEach((item) => sitting().add(item));
    const undone = [];
    while (sitting().last) {
        undone.push(sitting().last);
        sitting().drop(sitting().last);
    }
    assert.deepStrictEqual(undone, ['a', 'c', 'b']);
    assert.strictEqual(sitting().length, 0);
});
