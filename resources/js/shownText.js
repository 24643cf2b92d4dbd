import { letters, placeOf } from './foldedText.js';

// Quotes found in text on the page, and shown there without changing it.
export class ShownText {
    constructor(root) {
        this.nodes = [];
        const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
        while (walker.nextNode()) this.nodes.push(walker.currentNode);
        this.letters = letters(this.nodes.map((node) => node.data));
    }

    range(quote, prefix) {
        const place = placeOf(this.letters, quote, prefix);
        if (!place) return null;
        const [first, last] = place.map((at) => this.letters[at]);
        const range = document.createRange();
        range.setStart(this.nodes[first.at], first.place);
        range.setEnd(this.nodes[last.at], last.end);
        return range;
    }
}

// ranges by the name of how they look; where a browser cannot show them, the quotes beside the text have to do
export function highlight(name, ranges) {
    if (!window.CSS?.highlights) return;
    CSS.highlights.set(name, new Highlight(...ranges.filter(Boolean)));
}
