import assert from 'node:assert/strict';
import test from 'node:test';
import once from '../../resources/js/once.js';

// a page with one form, to which things happen
function page(method = 'POST', dataset = {}) {
    const heard = {};
    const form = { getAttribute: () => method, dataset };
    const later = [];
    globalThis.document = {
        addEventListener: (what, does) => (heard[what] = does),
        querySelectorAll: () => (form.dataset.sent ? [form] : []),
    };
    globalThis.window = { addEventListener: (what, does) => (heard[what] = does) };
    globalThis.setTimeout = (does) => later.push(does);
    once();
    const submit = (defaultPrevented = false) => {
        let goes = !defaultPrevented;
        heard.submit({ target: form, defaultPrevented, preventDefault: () => (goes = false) });
        return goes;
    };
    return { submit, shown: () => heard.pageshow(), isLate: () => later.forEach((does) => does()) };
}

test('a form goes once, until its page is shown again', () => {
    const { submit, shown } = page();
    assert.deepEqual([submit(), submit(), submit()], [true, false, false]);
    shown();
    assert.deepEqual([submit(), submit()], [true, false]);
});

test('a form to which no answer comes can be sent again', () => {
    const { submit, isLate } = page();
    assert.deepEqual([submit(), submit()], [true, false]);
    isLate();
    assert.equal(submit(), true);
});

test('what only asks, and what a script sends, is left alone', () => {
    const asking = page('GET');
    assert.deepEqual([asking.submit(), asking.submit()], [true, true]);
    const byScript = page();
    assert.deepEqual([byScript.submit(true), byScript.submit()], [false, true]);
});

test('a form that answers with a file goes as often as one likes', () => {
    const { submit } = page('POST', { givesFile: '' });
    assert.deepEqual([submit(), submit()], [true, true]);
});
