import assert from 'node:assert/strict';
import test from 'node:test';
import { beside, chosen, inShort, nextOpen, progressOf, says, sectionsOf } from '../../resources/js/codingItems.js';

const answer = (value, kind = 'value') => ({ value, kind, evidence: [], note: '', fromWhole: false });
const item = (id, value, more = {}) => ({
    id,
    label: id,
    section: 's',
    pass: 'mapping',
    standing: value === null ? 'open' : 'begun',
    answer: answer(value),
    options: [],
    ...more,
});

test('a blank is no answer; that it is not reported is one', () => {
    assert.deepEqual(
        [answer(null), answer(''), answer([]), answer(0), answer('x'), answer(null, 'not-reported')].map(says),
        [false, false, false, true, true, true],
    );
});

test('the next open item comes after this one, from the beginning again, and skips what is not asked', () => {
    const items = [item('a', null), item('b', 1), item('c', null, { standing: 'not-asked' }), item('d', null)];
    assert.deepEqual(['a', 'b', 'd'].map((at) => nextOpen(items, at)), ['d', 'd', 'a']);
    assert.equal(nextOpen([item('b', 1)], 'b'), 'b');
});

test('going on stops at the ends', () => {
    const items = [item('a', null), item('b', null)];
    assert.deepEqual([beside(items, 'a', -1), beside(items, 'a', 1), beside(items, 'b', 1)], ['a', 'b', 'b']);
});

test('an option is chosen, and taken back when pressed again; several keep the order of the codebook', () => {
    const options = ['x', 'y', 'z'].map((value) => ({ value }));
    const one = item('a', 'x', { type: 'choice', options });
    const several = item('a', ['z'], { type: 'choices', options });
    assert.deepEqual(
        [chosen(one, 'y'), chosen(one, 'x'), chosen(several, 'x'), chosen(several, 'z')],
        ['y', null, ['x', 'z'], null],
    );
});

test('sections follow each other, of one pass, and say in short what was answered', () => {
    const items = [
        item('a', 'ward › emergency'),
        item('b', null, { answer: answer(null, 'not-reported') }),
        item('c', null, { section: 't' }),
        item('d', null, { pass: 'in-depth' }),
    ];
    const sections = sectionsOf(items, 'mapping', 'b');
    assert.deepEqual(sections.map((one) => [one.name, one.items.map((each) => each.said)]), [
        ['s', ['emergency', 'not reported']],
        ['t', ['']],
    ]);
    assert.equal(sections[0].items[1].current, 'true');
    assert.equal(progressOf(items, 'mapping'), '2 of 3');
    assert.equal(inShort(answer('x'.repeat(60))).length, 40);
});
