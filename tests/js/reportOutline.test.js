import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import test from 'node:test';
import { blocksOf, choicesOf, claimsOf, countWords, endsOf, missingOf, notSaidYet, outlineOf, ranges, wordsOf, numberingOf, remarksOf } from '../../resources/js/report/outline.js';
import { calm } from '../../resources/js/report/paste.js';

const text = (words, ...marks) => ({ type: 'text', text: words, marks });
const para = (...content) => ({ type: 'paragraph', content });
const heading = (title, items, level = 2) => ({ type: 'heading', attrs: { level, items }, content: [text(title)] });

test('tells sections and which items nobody has answered', () => {
    const doc = { type: 'doc', content: [heading('Why', [3, 4]), para(text('They tire.')), heading('Search', [6]), { type: 'liveBlock' }, heading('Means', [23]), para()] };
    const sections = outlineOf(doc);
    assert.deepEqual(sections.map((one) => [one.title, one.empty]), [['Why', false], ['Search', false], ['Means', true]]);
    assert.deepEqual(missingOf(sections, [{ n: 3 }, { n: 6 }, { n: 23 }, { n: 27 }]).map((one) => one.n), [23, 27]);
});

test('gathers the words of a claim over all its pieces, and of claims that overlap', () => {
    const [one, two] = ['a', 'b'].map((id) => ({ type: 'claim', attrs: { id } }));
    const doc = { type: 'doc', content: [para(text('Near ', one), text('misses', one, two, { type: 'bold' }), text(' fell', two))] };
    assert.deepEqual([...claimsOf(doc)], [['a', 'Near misses'], ['b', 'misses fell']]);
});

test('offers no sentence a second time, whatever its numbers are by now', () => {
    const agreed = (shown) => para(text('They agreed on '), { type: 'liveNumber', attrs: { source: 'a', shown } }, text(' of them.'));
    const doc = { type: 'doc', content: [heading('How', [5]), agreed('85 %'), para(text('By hand.'))] };
    assert.deepEqual(notSaidYet(doc, [agreed('91 %'), para(text('We changed one.'))]), [para(text('We changed one.'))]);
    assert.deepEqual(notSaidYet({ type: 'doc' }, [agreed('91 %')]), [agreed('91 %')]);
});

test('writes numbers as ranges, counts words, finds by words in any order', () => {
    assert.equal(ranges([12, 5, 7, 6]), '5–7, 12');
    assert.equal(ranges([]), '');
    assert.equal(countWords('Über 1,500 lux'), 4);
    assert.equal(wordsOf({ type: 'doc', content: [para(text('a'), text('b')), para(text('c'))] }), 'ab c');
    const entries = [{ name: 'Haas 2024', title: 'Lamps' }, { name: 'Haas 2021', title: 'Naps' }];
    assert.deepEqual(choicesOf(entries, 'lam haas').map((one) => one.name), ['Haas 2024']);
});

test('takes from pasted HTML what the policy would block, and keeps bold', () => {
    assert.equal(calm('<p style="color: red" onclick=\'x\'>a<script>b</script></p>'), '<p>a</p>');
    assert.equal(calm('<span style="font-weight:700">a</span>'), '<b>a</b>');
    assert.equal(calm('<img src="https://x.example/a.png" onerror=x>a<iframe src=x></iframe>'), 'a');
    assert.equal(calm('a < b and c > d'), 'a < b and c > d');
});

test('finds where new words of a section go, the last first', () => {
    const named = (section) => ({ type: 'heading', attrs: { section } });
    const doc = { content: [named('a'), para(), { type: 'liveBlock' }, named('b'), para(), para()] };
    assert.deepEqual(endsOf(doc, ['a', 'b', 'c']), [{ section: 'b', child: 6 }, { section: 'a', child: 2 }]);
    assert.deepEqual(blocksOf({ content: [para(), { type: 'liveBlock', attrs: { id: 'x' } }, para()] }), ['x']);
});

// the server numbers by the same table, see tests/Core/Report/NumberingTest.php
test('figures and tables are numbered in the order of reading, each kind by itself', () => {
    const { kinds, numbers } = JSON.parse(readFileSync(new URL('./numbered.json', import.meta.url)));
    const blocks = kinds.map((kind, i) => ({ type: 'liveBlock', attrs: { id: `b${i}`, kind } }));
    const doc = { type: 'doc', content: [...blocks.slice(0, 3), { type: 'blockquote', content: [blocks[3]] }, ...blocks.slice(4)] };
    const told = numberingOf(doc);
    assert.deepEqual(blocks.map(({ attrs }) => told[attrs.id] ?? null), numbers);
});

test('remarks and claims have their words, wherever marks begin and end', () => {
    const text = (words, ...marks) => ({ type: 'text', text: words, marks: marks.map(([type, id]) => ({ type, attrs: { id } })) });
    const doc = { type: 'doc', content: [
        { type: 'paragraph', content: [text('One ', ['claim', 'c']), text('two ', ['claim', 'c'], ['remark', 'r']), text('three', ['remark', 'r'])] },
        { type: 'paragraph', content: [text('alone', ['remark', 's'])] },
    ] };
    assert.deepEqual([...remarksOf(doc)], [['r', 'two three'], ['s', 'alone']]);
    assert.deepEqual([...claimsOf(doc)], [['c', 'One two ']]);
});
