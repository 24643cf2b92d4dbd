import assert from 'node:assert/strict';
import test from 'node:test';
import { Kept } from '../../resources/js/kept.js';

function browser(room = Infinity) {
    const kept = new Map();
    const limit = { room };
    const store = {
        getItem: (key) => kept.get(key) ?? null,
        setItem: (key, value) => {
            if (value.length > limit.room) throw new DOMException('no room', 'QuotaExceededError');
            kept.set(key, value);
        },
        removeItem: (key) => kept.delete(key),
    };
    return { store, kept, limit };
}

test('what is kept is there for the next page, and leaves nothing behind once it is empty', () => {
    const { store, kept } = browser();
    new Kept('q', [], store).value = ['a'];
    const next = new Kept('q', [], store);
    assert.deepEqual(next.value, ['a']);
    next.value = [];
    assert.deepEqual([next.value, kept.size], [[], 0]);
});

test('without room it is held, said to be so, and kept as soon as there is some', () => {
    const { store, kept, limit } = browser(8);
    const list = new Kept('q', [], store);
    list.value = ['a'];
    list.value = ['a', 'b', 'c'];
    assert.deepEqual([list.value, list.isKept, kept.get('q')], [['a', 'b', 'c'], false, '["a"]']);
    limit.room = 100;
    list.value = [...list.value, 'd'];
    assert.deepEqual([list.isKept, new Kept('q', [], store).value], [true, ['a', 'b', 'c', 'd']]);
});
