import assert from 'node:assert/strict';
import test from 'node:test';
import { stillMeans } from '../../resources/js/meanwhile.js';

const term = (id, text = id) => ({ id, text });
const sheet = (...terms) => ({
    blocks: [
        { id: 'b', name: 'Nurses', combined: true, terms },
        { id: 'c', name: 'Light', combined: true, terms: [] },
    ],
    limits: [{ id: 'l', text: 'year:2000-2020' }],
});
const before = sheet(term('one'), term('two'));

for (const [what, change, values, after, expected] of [
    [
        'a term is added beside another one',
        'add-terms',
        { block: 'b' },
        sheet(term('one'), term('two'), term('three')),
        true,
    ],
    ['a concept is added whatever happened', 'add-block', {}, sheet(), true],
    ['a term goes that nobody touched', 'remove-term', { line: 'one' }, sheet(term('one'), term('three')), true],
    [
        'a term does not go that another has rewritten',
        'remove-term',
        { line: 'one' },
        sheet(term('one', 'other'), term('two')),
        false,
    ],
    ['a term that is gone is not rewritten', 'set-line', { line: 'one' }, sheet(term('two')), false],
    ['a limit goes', 'remove-limit', { line: 'l' }, sheet(), true],
    [
        'a concept does not go with a term its remover never saw',
        'remove-block',
        { block: 'b' },
        sheet(term('one'), term('two'), term('three')),
        false,
    ],
    ['an empty concept goes though another has grown', 'remove-block', { block: 'c' }, sheet(term('one')), true],
    ['nothing is added to a concept that is gone', 'add-terms', { block: 'b' }, { blocks: [], limits: [] }, false],
    ['a move is never repeated', 'move-term', { line: 'one', block: 'b', to: 1 }, before, false],
    ['nor is a step back', 'undo', {}, before, false],
]) {
    test(what, () => assert.equal(stillMeans(change, values, before, after), expected));
}
