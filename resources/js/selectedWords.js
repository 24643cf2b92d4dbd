// What is selected in a paper, as pieces of one page each. Where it stands exactly is looked up by the server.

const LONGEST = 4000;

export function selectedIn(container, copy) {
    const selection = window.getSelection();
    if (!selection.rangeCount || selection.isCollapsed) return [];
    const range = selection.getRangeAt(0);
    if (!container.contains(range.commonAncestorContainer)) return [];
    const pages = [...container.querySelectorAll('[data-page]')].filter((page) => range.intersectsNode(page));
    const pieces = pages.length ? pages.map((page) => onPage(range, page, copy)) : [piece(range, container, '', 0)];
    return pieces.filter((one) => one.quote.trim() !== '' && one.quote.length <= LONGEST);
}

function onPage(range, page, copy) {
    const part = document.createRange();
    part.selectNodeContents(page);
    if (part.comparePoint(range.startContainer, range.startOffset) === 0) part.setStart(range.startContainer, range.startOffset);
    if (part.comparePoint(range.endContainer, range.endOffset) === 0) part.setEnd(range.endContainer, range.endOffset);
    return piece(part, page, copy, Number(page.dataset.page));
}

function piece(range, within, copy, page) {
    const before = document.createRange();
    before.setStart(within, 0);
    before.setEnd(range.startContainer, range.startOffset);
    return {
        quote: range.toString().replace(/\s+/g, ' ').trim(),
        prefix: before.toString().replace(/\s+/g, ' ').slice(-60),
        suffix: '',
        copy,
        page,
        boxes: copy ? boxes(range, within) : [],
    };
}

// as shares of the page; what is as high as a good part of it is the layer itself
function boxes(range, page) {
    const at = page.getBoundingClientRect();
    if (!page.classList.contains('pdf-page')) return [];
    return [...range.getClientRects()]
        .filter((one) => one.width > 1 && one.height < at.height / 4)
        .slice(0, 200)
        .map((one) =>
            [
                (one.left - at.left) / at.width,
                (one.top - at.top) / at.height,
                (one.right - at.left) / at.width,
                (one.bottom - at.top) / at.height,
            ].map((share) => Math.round(Math.min(2, Math.max(-1, share)) * 10000) / 10000),
        );
}
