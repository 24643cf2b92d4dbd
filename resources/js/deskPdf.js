import { openPdf } from './pdfPages.js';

// The full text of the item at hand: one file open at a time, and what comes too late is closed again.
export class DeskPdf {
    #open = null;
    #asked = 0;

    async show(container, url, told, drawn) {
        const asked = ++this.#asked;
        this.close();
        if (!url || !container) return;
        told('The text is being opened.');
        try {
            const opened = await openPdf(url, container, { width: container.clientWidth - 46, told, drawn });
            if (asked !== this.#asked) return opened.close();
            this.#open = opened;
            told(opened.pages === 1 ? '1 page' : `${opened.pages} pages`);
        } catch {
            if (asked === this.#asked) told('This PDF cannot be shown here. Download it to read it.');
        }
    }

    close() {
        this.#open?.close();
        this.#open = null;
    }
}
