import assert from 'node:assert/strict';
import test from 'node:test';

const listeners = {};
let own = null;
globalThis.localStorage = { getItem: () => null };
globalThis.document = { querySelector: () => own, activeElement: null };
globalThis.window = { addEventListener: (name, does) => (listeners[name] = does) };
const { default: palette } = await import('../../resources/js/palette.js');

function pressed(key, more = {}) {
    const opened = { ...palette(), show: () => (opened.open = true), $el: { dataset: { screens: '[]' } } };
    palette().init.call(opened);
    let isKept = false;
    listeners.keydown({ key, target: { closest: () => null }, preventDefault: () => (isKept = true), ...more });
    return [opened.open, isKept];
}

for (const [what, shown, more, opens] of [
    ['a page without a use for the key', null, {}, true],
    ['a page that has one', true, {}, false],
    ['a page that has one, but not in what is shown', false, {}, true],
    ['somebody who types', null, { target: { closest: () => ({}) } }, false],
    ['with Ctrl', null, { ctrlKey: true }, false],
]) {
    test(`/ opens the list of screens, or not: ${what}`, () => {
        own = shown === null ? null : { checkVisibility: () => shown };
        assert.deepEqual(pressed('/', more), [opens, opens]);
    });
}

test('Ctrl K opens it anywhere', () => {
    own = { checkVisibility: () => true };
    assert.deepEqual(pressed('k', { ctrlKey: true }), [true, true]);
});
