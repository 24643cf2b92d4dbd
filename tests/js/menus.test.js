import assert from 'node:assert/strict';
import test from 'node:test';
import { shift } from '../../resources/js/menus.js';

test('a sheet lies beneath its button where there is room, and wholly on the screen where there is not', () => {
    assert.equal(shift(100, 300, 1280), 0);
    assert.equal(100 + shift(100, 300, 390), 390 - 8 - 300);
    assert.equal(-38 + shift(-38, 300, 1280), 8);
    assert.equal(1200 + shift(1200, 500, 1280), 1280 - 8 - 500);
    assert.equal(20 + shift(20, 600, 390), 8);
});
