// Text compared by its letters and digits alone: blanks, hyphens, case and the form of signs play no part. The server folds
// the words of a paper the same way.

const KEPT = /[\p{L}\p{N}]/u;

export const fold = (text) => [...text.normalize('NFKC').toLowerCase()].filter((sign) => KEPT.test(sign)).join('');

// every letter that counts of some texts in a row, with the text and the place in it that it comes from
export function letters(texts) {
    const folded = [];
    texts.forEach((text, at) => {
        let place = 0;
        for (const sign of text) {
            for (const letter of sign.normalize('NFKC').toLowerCase()) {
                if (KEPT.test(letter)) folded.push({ letter, at, place, end: place + sign.length });
            }
            place += sign.length;
        }
    });
    return folded;
}

// where a quote stands: [from, to] of the letters, the first place or the one that most of its prefix stands before
export function placeOf(folded, quote, prefix = '') {
    const sought = fold(quote);
    const text = folded.map((one) => one.letter).join('');
    if (!sought || text.length !== folded.length) return null;
    const before = fold(prefix);
    let best = null;
    for (let from = text.indexOf(sought); from >= 0; from = text.indexOf(sought, from + 1)) {
        let same = 0;
        while (same < before.length && same < from && text[from - 1 - same] === before[before.length - 1 - same]) same++;
        if (!best || same > best.same) best = { from, to: from + sought.length - 1, same };
    }
    return best && [best.from, best.to];
}
