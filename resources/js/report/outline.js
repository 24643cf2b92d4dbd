// The document as the panels beside it tell it: pure, so that it is tried without a page. It takes ProseMirror's JSON.

const inlineWords = (node) => node.text ?? (node.content ?? []).map(inlineWords).join('');

export const wordsOf = (node) => {
    if (node.text !== undefined) return node.text;
    const isInline = node.type === 'paragraph' || node.type === 'heading';
    return (node.content ?? []).map(wordsOf).join(isInline ? '' : ' ').trim();
};

export const countWords = (text) => (text.match(/[\p{L}\p{N}]+/gu) ?? []).length;

const holds = (node, types) => types.includes(node.type) || (node.content ?? []).some((one) => holds(one, types));

export function outlineOf(doc) {
    const sections = [];
    (doc.content ?? []).forEach((node, at) => {
        if (node.type === 'heading') {
            sections.push({ at, level: node.attrs.level, title: inlineWords(node) || 'untitled', items: node.attrs.items ?? [], empty: true });
        } else if (sections.length) {
            const isSaid = countWords(wordsOf(node)) > 0 || holds(node, ['liveBlock', 'liveNumber']);
            sections.at(-1).empty = sections.at(-1).empty && !isSaid;
        }
    });
    return sections;
}

export function missingOf(sections, items) {
    const answered = new Set(sections.filter((one) => !one.empty).flatMap((one) => one.items));
    return items.filter((one) => !answered.has(one.n));
}

// “5–7, 12” of a list of numbers
export function ranges(numbers) {
    const runs = [];
    [...numbers].sort((a, b) => a - b).forEach((n) => {
        const last = runs.at(-1);
        if (last && n === last[1] + 1) last[1] = n;
        else runs.push([n, n]);
    });
    return runs.map(([from, to]) => (from === to ? `${from}` : `${from}–${to}`)).join(', ');
}

// the words under each mark of a kind, by its id, in the order of the document
function marked(doc, type) {
    const words = new Map();
    const walk = (node) => {
        (node.marks ?? []).filter((mark) => mark.type === type).forEach((mark) => {
            words.set(mark.attrs.id, (words.get(mark.attrs.id) ?? '') + (node.text ?? ''));
        });
        (node.content ?? []).forEach(walk);
    };
    walk(doc);
    return words;
}

export const claimsOf = (doc) => marked(doc, 'claim');

export const remarksOf = (doc) => marked(doc, 'remark');

const NUMBERED = { flow: 'Figure', forest: 'Figure', funnel: 'Figure', map: 'Figure', studies: 'Table', soundness: 'Table', certainty: 'Table', table: 'Table' };

// “Figure 2” by the id of a live block, in the order of reading, as core/Report/Document/Numbering has it
export function numberingOf(doc) {
    const counts = {};
    const numbers = {};
    const walk = (node) => {
        const kind = node.type === 'liveBlock' ? NUMBERED[node.attrs.kind] : undefined;
        if (kind) numbers[node.attrs.id] = `${kind} ${(counts[kind] = (counts[kind] ?? 0) + 1)}`;
        (node.content ?? []).forEach(walk);
    };
    walk(doc);
    return numbers;
}

export const choicesOf = (entries, text, most = 30) => {
    const words = text.toLowerCase().split(/\s+/).filter(Boolean);
    return entries
        .filter((one) => words.every((word) => `${one.name} ${one.title}`.toLowerCase().includes(word)))
        .slice(0, most);
};

// sentences that a section does not say yet; numbers that stay live are no part of what a sentence says
export function notSaidYet(doc, paragraphs) {
    const said = new Set((doc.content ?? []).map(inlineWords));
    return paragraphs.filter((one) => !said.has(inlineWords(one)));
}

// after which child of the document new words of each section go: after its own words, before its live blocks and the next
// heading; the last section first
export function endsOf(doc, keys) {
    const places = [];
    (doc.content ?? []).forEach((node, at) => {
        if (node.type !== 'heading' || !keys.includes(node.attrs.section)) return;
        let child = at + 1;
        while (doc.content[child] && !['heading', 'liveBlock'].includes(doc.content[child].type)) child++;
        places.unshift({ section: node.attrs.section, child });
    });
    return places;
}

export const blocksOf = (doc) => (doc.content ?? []).filter((node) => node.type === 'liveBlock').map((node) => node.attrs.id);
