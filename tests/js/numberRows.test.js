import assert from 'node:assert/strict';
import test from 'node:test';
import { body, fieldsOf, newRow, nextField, numberIn, offerWords, rowName, rowWords } from '../../resources/js/numberRows.js';

const numbers = {
    comparisons: [{ id: 'c1' }],
    forms: [
        {
            id: 'counts',
            kind: 'events',
            fields: [
                { key: 'e1', label: 'with the event', arm: 1, needed: true },
                { key: 'n1', label: 'of', arm: 1, needed: true },
                { key: 'e2', label: 'with the event', arm: 2, needed: true },
                { key: 'n2', label: 'of', arm: 2, needed: true },
            ],
        },
        { id: 'ratio-interval', kind: 'ratio', fields: [{ key: 'estimate', label: 'ratio', arm: 0, needed: true }, { key: 'level', label: 'level', arm: 0, needed: false }] },
    ],
    designs: [{ id: 'parallel', fields: [] }, { id: 'cluster', fields: [{ key: 'icc', label: 'ICC', arm: 0, needed: true }] }],
    rows: [],
};
const events = { id: 'o1', kind: 'events', isOfTwo: true, scales: [] };

test('a number is taken from words that hold one, and from no others', () => {
    for (const [words, number] of [
        ['7', '7'], ['(95%', '95'], ['1,234.5', '1,234.5'], ['−0.81', '-0.81'], ['23·5', '23.5'], ['p < 0.001', '<0.001'], ['86,', '86'],
        ['.04', '.04'], ['7 of 86', ''], ['nurses', ''], ['', ''],
    ]) assert.equal(numberIn(words), number, words);
});

test('the fields of both groups stand side by side, those of the design below', () => {
    const lines = fieldsOf(numbers, { form: 'counts', design: 'cluster' });
    assert.deepEqual(lines.map((line) => [line.label, line.fields.map((one) => one.key)]), [
        ['with the event', ['e1', 'e2']], ['of', ['n1', 'n2']], ['ICC', ['icc']],
    ]);
    assert.deepEqual(fieldsOf(null, null), []);
});

test('one group is taken whole before the next, and what is given already is passed over', () => {
    const row = { ...newRow('', events, numbers), given: { n1: '86' } };
    const fields = fieldsOf(numbers, row).flatMap((line) => line.fields);
    assert.equal(nextField(fields, row, ''), 'e1');
    assert.equal(nextField(fields, row, 'e1'), 'e2');
    assert.equal(nextField(fields, { ...row, given: { e1: '7', n1: '86', e2: '15' } }, 'e2'), 'n2');
    assert.equal(nextField(fields, { ...row, given: { e1: '7', n1: '86', e2: '15', n2: '85' } }, 'n2'), '');
    const ratio = { form: 'ratio-interval', design: 'parallel', given: { estimate: '0.8' } };
    assert.equal(nextField(fieldsOf(numbers, ratio).flatMap((line) => line.fields), ratio, 'estimate'), '');
});

test('a new row takes over groups and time from the one before, and sends all it has', () => {
    const before = { ...newRow('', events, numbers), comparison: 'c9', days: '28', own1: 'ward lamps', design: 'cluster' };
    const row = newRow('', events, { ...numbers, rows: [before] });
    assert.deepEqual([row.comparison, row.days, row.own1, row.design, row.form], ['c9', '28', 'ward lamps', 'cluster', 'counts']);
    assert.equal(body({ ...row, days: '' }).days, null);
    assert.equal(rowWords({ own1: '', time: '', days: '28', scale: '' }), 'day 28');
    assert.equal(rowWords({ own1: '', time: '', days: '', scale: '' }), 'result');
});

test('rows have names that the server takes, later ones after earlier ones', () => {
    assert.match(rowName(), /^[0-9a-hjkmnp-tv-z]{26}$/);
    assert.ok(rowName(1000) < rowName(2000));
    assert.notEqual(rowName(5), rowName(5));
});

test('reads out what a table offers, group by group, with its place', () => {
    const at = [{ where: 'page 2' }];
    assert.equal(offerWords({ given: { e1: '7', n1: '86', e2: '15', n2: '85' }, evidence: { e1: at } }), '7 of 86 against 15 of 85, page 2');
    assert.equal(offerWords({ given: { n1: '86', m1: '4.1', sd1: '1.6', m2: '5', sd2: '1.8' }, evidence: {} }), '4.1 (1.6) of 86 against 5 (1.8)');
    assert.equal(offerWords({ given: { estimate: '0.5', low: '0.2', high: '1.1' }, evidence: {} }), '0.5 (0.2 to 1.1)');
    assert.equal(offerWords({ given: { n1: '9', estimate: '0.5' }, evidence: {} }), '0.5');
});
