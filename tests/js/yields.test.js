import assert from 'node:assert/strict';
import test from 'node:test';
import { judged } from '../../resources/js/yields.js';

const says = (pairs, wholes, terms = 3) => judged(pairs, wholes, terms).says;

test('a missing total is not nothing: no other term floods because one cannot be read', () => {
    assert.equal(says([[100, 90]], [undefined]), '');
    assert.equal(says([[100, 90]], [100]), 'floods');
    assert.equal(
        says(
            [
                [100, 90],
                [50, 1],
            ],
            [100, undefined],
        ),
        '',
    );
});

test('a term is judged by what it finds and by what only it finds', () => {
    assert.equal(says([[0, 0]], [10]), 'finds nothing');
    assert.equal(says([[5, 0]], [10]), 'adds nothing');
    assert.equal(says([[80, 10]], [100]), 'carries');
    assert.equal(says([[30, 10]], [100]), '');
    assert.equal(says([[undefined, 0]], [100]), '');
    assert.equal(says([], []), '');
    assert.equal(says([[80, 80]], [80], 1), '');
});
