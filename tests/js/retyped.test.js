import assert from 'node:assert/strict';
import test from 'node:test';

globalThis.location = { href: 'http://heron.example/question' };
globalThis.Event = class {
    constructor(type) {
        this.type = type;
    }
};
const { default: retyped } = await import('../../resources/js/retyped.js');

const field = (name, value, type = 'text', more = {}) => {
    const one = { name, value, type, tagName: type.startsWith('select') ? 'SELECT' : 'INPUT', heard: [], ...more };
    one.dispatchEvent = (event) => one.heard.push(event.type);
    return one;
};
const details = { open: false, parentElement: { closest: () => null } };

function form(action, fields, method = 'put') {
    const elements = [field('_token', 't', 'hidden'), field('_method', method, 'hidden'), field('shown', 'now', 'hidden'), ...fields];
    return { action: `http://heron.example${action}`, elements: Object.assign(elements, { _method: elements[1] }), closest: () => details };
}

function page(forms, at, values) {
    details.open = false;
    globalThis.document = { forms, getElementById: () => ({ textContent: JSON.stringify({ at, values: { _token: 'x', _method: 'put', shown: 'then', ...values } }) }) };
    retyped();
    return Object.fromEntries(forms.flatMap((one) => one.elements.filter((each) => each.type !== 'hidden').map((each) => [each.name, each.checked ?? each.value])));
}

test('what was typed stands in its form again, whatever kind of field it is in', () => {
    const options = ['a', 'b', 'c'].map((value) => ({ value, selected: value === 'a' }));
    const one = form('/criteria/1', [
        field('question', 'Are they at work?'),
        field('reasons[bias][why]', ''),
        field('steps', '0', 'select-one'),
        field('to[]', 'anna', 'checkbox', { checked: true }),
        field('to[]', 'tunde', 'checkbox', { checked: false }),
        field('several[]', '', 'select-multiple', { options }),
        field('password', '', 'password'),
        field('paper', '', 'file'),
    ]);
    const shown = page([one], '/criteria/1', { question: 'Are they at work by night?', reasons: { bias: { why: 'few' } }, steps: 2, to: ['tunde'], several: ['b', 'c'], password: 'x', paper: 'y' });
    assert.deepEqual(shown, { question: 'Are they at work by night?', 'reasons[bias][why]': 'few', steps: 2, 'to[]': true, 'several[]': '', password: '', paper: '' });
    assert.deepEqual([one.elements[6].checked, options.map((each) => each.selected)], [false, [false, true, true]]);
    assert.deepEqual([one.elements[2].value, details.open, one.elements[3].heard, one.elements[5].heard], ['now', true, ['input'], ['change']]);
});

test('of several forms it is the one that was sent, and none where that is not here', () => {
    const forms = [
        form('/lists/1', [field('name', 'kept')], 'delete'),
        form('/lists/2', [field('name', 'kept 2')]),
        form('/lists/1', [field('name', 'kept 3'), field('words', 'lamp')]),
    ];
    page(forms, '/lists/1', { name: 'typed', words: 'visor' });
    assert.deepEqual(forms.map((one) => one.elements.at(-1).value), ['kept', 'kept 2', 'visor']);
    page(forms, '/lists/9', { name: 'other', words: 'x' });
    assert.deepEqual(forms[2].elements[3].value, 'typed');
});

test('a page that nobody was sent back to is left alone', () => {
    globalThis.document = { getElementById: () => null };
    assert.doesNotThrow(retyped);
});
