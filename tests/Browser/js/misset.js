// Where words in letters that run from right to left, and end in a mark, are not set so; where a word of them leaves its place.
const isSeen = (box) => box.width > 0 && box.height > 0;
const named = (element) => {
    const classes = [...element.classList].map((one) => `.${one}`).join('');
    return `${element.tagName.toLowerCase()}${classes}`;
};

/** Of the two last letters: the mark at the end stands left of the letter before it where the line runs to the left. */
function runsLeft(text, end) {
    const box = (at) => {
        const range = document.createRange();
        range.setStart(text, at);
        range.setEnd(text, at + 1);
        return range.getBoundingClientRect();
    };
    const [letter, mark] = [box(end - 2), box(end - 1)];
    return !isSeen(mark) || letter.top !== mark.top || mark.left < letter.left;
}

/** A line of it may be cut, or be moved along, within what says so; nothing else is wider than what it stands in. */
function isWide(text) {
    const range = document.createRange();
    range.selectNodeContents(text);
    const widest = Math.max(...[...range.getClientRects()].map((box) => box.width));
    for (let around = text.parentElement; around !== null; around = around.parentElement) {
        if (getComputedStyle(around).textOverflow === 'ellipsis') return false;
    }
    return widest > document.documentElement.clientWidth * 0.9;
}

/** @returns {{seen: number, found: string[]}} on how many places the words stand, and what is wrong with them */
export function misset(words) {
    const found = [];
    let seen = 0;
    const isLeftwards = /^\p{Script=Hebrew}/u.test(words);
    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (walk.nextNode()) {
        const text = walk.currentNode;
        const at = text.data.indexOf(words);
        const around = text.parentElement;
        if (at < 0 || !around.checkVisibility() || around.closest('.sr-only, .visually-hidden, option')) continue;
        seen++;
        if (isLeftwards && !runsLeft(text, at + words.length)) found.push(`${named(around)} is set from left to right`);
        if (isWide(text)) found.push(`${named(around)} does not break the word`);
    }
    return { seen, found: [...new Set(found)] };
}
