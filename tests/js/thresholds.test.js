import assert from 'node:assert';
import { test } from 'node:test';
import { likely } from '../../resources/js/thresholds.js';

test('bits are told as a chance beside', () => {
    assert.deepStrictEqual([-12, -7, -2, 0, 3, 6, 7, 10, 40].map(likely), [
        'below 0.1 %',
        '0.8 %',
        '20 %',
        '50 %',
        '89 %',
        '98 %',
        '99.2 %',
        'above 99.9 %',
        'above 99.9 %',
    ]);
});
