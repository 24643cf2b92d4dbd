import assert from 'node:assert';
import { test } from 'node:test';
import { valueAt, withValue } from '../../resources/js/dialectForm.js';

const file = {
    name: 'own',
    quote: null,
    truncation: { sign: '*', minimumStem: 3 },
    masking: null,
    proximity: null,
    fields: { title: 'TI' },
};

test('the form reads the file', () => {
    assert.deepStrictEqual(
        ['name', 'truncation.minimumStem', 'masking.one', 'proximity.form', 'quote'].map((path) => valueAt(file, path)),
        ['own', 3, '', '', '""'],
    );
    assert.strictEqual(valueAt({ quote: ['“', '”'] }, 'quote'), '“”');
});

test('the form writes the file, and leaves the rest as it was', () => {
    assert.deepStrictEqual(withValue(file, 'quote', '“”').quote, ['“', '”']);
    assert.deepStrictEqual(withValue(file, 'masking.one', '#').masking, { one: '#', any: null, maybe: null });
    assert.strictEqual(withValue(withValue(file, 'masking.one', '#'), 'masking.one', '').masking, null);
    assert.deepStrictEqual(withValue(file, 'proximity.form', '{left} W{distance} {right}').proximity, {
        form: '{left} W{distance} {right}',
        furthest: 10,
        binds: 'as-boolean',
    });
    assert.strictEqual(withValue(file, 'truncation.sign', '').truncation, null);
    assert.strictEqual(withValue(file, 'truncation.minimumStem', '4').truncation.minimumStem, 4);
    assert.deepStrictEqual(withValue(file, 'fields.title', '').fields, {});
    assert.deepStrictEqual(file.truncation, { sign: '*', minimumStem: 3 });
});
