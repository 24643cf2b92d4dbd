import { DeskPdf } from './deskPdf.js';
import { ask } from './server.js';
import { highlight, ShownText } from './shownText.js';

// The paper beside the codebook: its pages as printed, the same as plain text, or the abstract; with what is evidence in it.
export class PaperSheet {
    #pdf = new DeskPdf();
    #marks = [];
    #texts = new Map();

    constructor({ scroll, pdf, plain, abstract }, { told, pressed }) {
        this.at = { scroll, pdf, plain, abstract };
        this.told = told;
        this.copy = null;
        this.kind = 'abstract';
        pdf.addEventListener('click', (event) => this.press(event, pressed));
    }

    get root() {
        return { printed: this.at.pdf, plain: this.at.plain, abstract: this.at.abstract }[this.kind];
    }

    async open(copy, asPlain) {
        this.copy = copy;
        this.kind = !copy ? 'abstract' : asPlain ? 'plain' : 'printed';
        if (this.kind === 'printed') {
            await this.#pdf.show(this.at.pdf, copy.url, this.told, (sheet) => this.drawOn(sheet));
        } else if (this.kind === 'plain') {
            this.told('');
            await this.showPlain(copy);
        } else {
            this.told('');
        }
        this.mark(this.#marks);
    }

    async showPlain(copy) {
        const { blocks, message } = await ask('GET', copy.paper).catch((failure) => ({ blocks: [], message: failure.message }));
        this.at.plain.replaceChildren(...plainOf(blocks));
        this.#texts.delete(this.at.plain);
        if (!blocks.length) this.told(message ?? 'Its words are being read; come back to this in a moment.');
    }

    // [{piece, look, item}] of everything that is evidence or proposed
    mark(marks) {
        this.#marks = marks;
        if (this.kind === 'printed') {
            this.at.pdf.querySelectorAll('.pdf-page').forEach((sheet) => this.drawOn(sheet));
            return;
        }
        const text = this.text();
        for (const look of ['passage', 'evidence', 'current', 'lead', 'found']) {
            highlight(
                look,
                this.here()
                    .filter((mark) => mark.look === look)
                    .map((mark) => text.range(mark.piece.quote, mark.piece.prefix)),
            );
        }
    }

    text() {
        if (!this.#texts.has(this.root)) this.#texts.set(this.root, new ShownText(this.root));
        return this.#texts.get(this.root);
    }

    here() {
        return this.#marks.filter((mark) => mark.piece.copy === (this.copy?.id ?? ''));
    }

    drawOn(sheet) {
        sheet.querySelectorAll('.paper-mark').forEach((old) => old.remove());
        const page = Number(sheet.dataset.page);
        for (const { piece, look, item } of this.here().filter((mark) => mark.piece.page === page)) {
            for (const [left, top, right, bottom] of piece.boxes) {
                const mark = document.createElement('div');
                mark.className = `paper-mark paper-mark-${look}`;
                mark.dataset.item = item;
                mark.style.setProperty('left', `${left * 100}%`);
                mark.style.setProperty('top', `${top * 100}%`);
                mark.style.setProperty('width', `${(right - left) * 100}%`);
                mark.style.setProperty('height', `${(bottom - top) * 100}%`);
                sheet.append(mark);
            }
        }
    }

    // marks lie under the pointer only where nothing is being selected
    press(event, pressed) {
        if (!window.getSelection().isCollapsed) return;
        const sheet = event.target.closest('.pdf-page');
        const under = [...(sheet?.querySelectorAll('.paper-mark') ?? [])].find((mark) => {
            const box = mark.getBoundingClientRect();
            return event.clientX >= box.left && event.clientX <= box.right && event.clientY >= box.top && event.clientY <= box.bottom;
        });
        if (under?.dataset.item) pressed(under.dataset.item);
    }

    goTo(piece) {
        if (this.kind === 'printed') {
            const sheet = this.at.pdf.querySelector(`.pdf-page[data-page="${piece.page}"]`);
            if (!sheet) return;
            const down = (piece.boxes[0]?.[1] ?? 0) * sheet.clientHeight;
            this.at.scroll.scrollTo({ top: sheet.offsetTop + down - this.at.scroll.clientHeight / 3 });
            return;
        }
        const box = this.text().range(piece.quote, piece.prefix)?.getBoundingClientRect();
        if (!box) return;
        const top = this.at.scroll.scrollTop + box.top - this.at.scroll.getBoundingClientRect().top;
        this.at.scroll.scrollTo({ top: top - this.at.scroll.clientHeight / 3 });
    }

    // the page that the middle of the view is on
    get page() {
        if (this.kind !== 'printed') return 0;
        const middle = this.at.scroll.scrollTop + this.at.scroll.clientHeight / 2;
        const sheets = [...this.at.pdf.querySelectorAll('.pdf-page')];
        return Number(sheets.findLast((sheet) => sheet.offsetTop <= middle)?.dataset.page ?? 1);
    }
}

function plainOf(blocks) {
    const parts = [];
    let table = null;
    for (const block of blocks) {
        if (block.kind !== 'row') table = null;
        if (block.kind === 'row' && !table) {
            table = document.createElement('table');
            table.className = 'table';
            table.dataset.page = String(block.page);
            parts.push(table);
        }
        parts.push(...(table ? (table.append(rowOf(block)), []) : [textOf(block)]));
    }
    return parts;
}

function textOf(block) {
    const part = document.createElement(block.kind === 'heading' ? 'h3' : 'p');
    part.dataset.page = String(block.page);
    part.textContent = block.text;
    return part;
}

function rowOf(block) {
    const row = document.createElement('tr');
    for (const text of block.cells) {
        const cell = document.createElement('td');
        cell.textContent = `${text} `;
        row.append(cell);
    }
    return row;
}
