import assert from 'node:assert';
import { test } from 'node:test';
import { written } from '../../resources/js/termForm.js';

const form = (some) =>
    written({ words: 'light exposure', how: 'phrase', distance: 3, fields: '', endings: false, ...some });

test('a small form writes the language', () => {
    assert.strictEqual(form({}), '"light exposure"');
    assert.strictEqual(form({ words: ' lux ' }), 'lux');
    assert.strictEqual(form({ how: 'near' }), 'light NEAR/3 exposure');
    assert.strictEqual(
        form({ how: 'near', endings: true, fields: 'title,abstract', distance: 5 }),
        'title,abstract:(light* NEAR/5 exposure*)',
    );
    assert.strictEqual(form({ how: 'all', fields: 'title' }), 'title:(light AND exposure)');
    assert.strictEqual(form({ words: 'lux', fields: 'title', endings: true }), 'title:lux*');
    assert.strictEqual(form({ fields: 'title' }), 'title:"light exposure"');
});

test('signs of the language in the words are taken as blanks', () => {
    assert.strictEqual(form({ words: '"bright: (light)" /x' }), '"bright light x"');
    assert.strictEqual(form({ words: '  " ' }), '');
});
