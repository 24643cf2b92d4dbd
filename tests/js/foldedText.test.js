import assert from 'node:assert/strict';
import test from 'node:test';
import { fold, letters, placeOf } from '../../resources/js/foldedText.js';

test('blanks, hyphens, case and the form of signs play no part', () => {
    assert.equal(fold('Modi\u{FB01}ed ran-\ndom Größe ²'), 'modifiedrandomgröße2');
});

test('a quote is found over texts, and each letter knows where it comes from', () => {
    const folded = letters(['189 were ran-', 'domised, and 189 were asked']);
    const [from, to] = placeOf(folded, 'were randomised');
    assert.deepEqual([folded[from].at, folded[from].place, folded[to].at, folded[to].end], [0, 4, 1, 7]);
});

test('of two places the one with what stood before it counts', () => {
    const folded = letters(['189 were randomised, and 189 were asked']);
    assert.equal(placeOf(folded, '189 were')[0], 0);
    assert.equal(folded[placeOf(folded, '189 were', 'randomised, and ')[0]].place, 25);
    assert.equal(placeOf(folded, '190'), null);
    assert.equal(placeOf(folded, '±'), null);
});
