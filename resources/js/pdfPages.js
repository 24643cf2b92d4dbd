// The pages of a PDF one under the other, drawn as they come into sight, with their text to be selected.

let library = null;

// a good part of a megabyte, so it comes only where a PDF is read
async function pdfjs() {
    if (library) return library;
    const [loaded, worker] = await Promise.all([
        import('pdfjs-dist/build/pdf.min.mjs'),
        import('pdfjs-dist/build/pdf.worker.min.mjs?url'),
    ]);
    loaded.GlobalWorkerOptions.workerSrc = worker.default;
    library = loaded;
    return library;
}

export async function openPdf(url, container, { width, told, marked, drawn }) {
    const { getDocument, TextLayer } = await pdfjs();
    const parts = '/build/pdf';
    // files come from anywhere: no script of theirs runs, and nothing in them is asked of other servers
    const task = getDocument({
        url,
        isEvalSupported: false,
        enableXfa: false,
        useWasm: false,
        cMapUrl: `${parts}/cmaps/`,
        cMapPacked: true,
        standardFontDataUrl: `${parts}/standard_fonts/`,
        wasmUrl: `${parts}/wasm/`,
    });
    const pdf = await task.promise;
    container.replaceChildren();
    const first = await pdf.getPage(1);
    const natural = first.getViewport({ scale: 1 });
    const scale = Math.min(3, Math.max(0.5, width / natural.width));
    const seen = new IntersectionObserver(
        (entries) =>
            entries
                .filter((entry) => entry.isIntersecting && !entry.target.dataset.drawn)
                .forEach((entry) => draw(entry.target).catch(() => told('A page of this PDF cannot be drawn.'))),
        { root: container.parentElement, rootMargin: '600px' },
    );
    const draw = async (sheet) => {
        sheet.dataset.drawn = 'yes';
        const page = await pdf.getPage(Number(sheet.dataset.page));
        const viewport = page.getViewport({ scale });
        const canvas = document.createElement('canvas');
        const dense = window.devicePixelRatio || 1;
        canvas.width = Math.floor(viewport.width * dense);
        canvas.height = Math.floor(viewport.height * dense);
        size(canvas, viewport);
        size(sheet, viewport);
        const layer = document.createElement('div');
        layer.className = 'textLayer';
        sheet.style.setProperty('--total-scale-factor', String(viewport.scale));
        sheet.style.setProperty('--scale-factor', String(viewport.scale));
        sheet.replaceChildren(canvas, layer);
        drawn?.(sheet);
        await page.render({
            canvas,
            canvasContext: canvas.getContext('2d'),
            viewport,
            transform: dense === 1 ? null : [dense, 0, 0, dense, 0, 0],
        }).promise;
        await new TextLayer({ textContentSource: page.streamTextContent(), container: layer, viewport }).render();
        marked?.(layer);
    };
    for (let number = 1; number <= pdf.numPages; number++) {
        const sheet = document.createElement('div');
        sheet.className = 'pdf-page';
        sheet.dataset.page = String(number);
        sheet.setAttribute('role', 'group');
        sheet.setAttribute('aria-label', `Page ${number} of ${pdf.numPages}`);
        size(sheet, { width: natural.width * scale, height: natural.height * scale });
        container.append(sheet);
        seen.observe(sheet);
    }
    return {
        pages: pdf.numPages,
        close() {
            seen.disconnect();
            task.destroy();
            container.replaceChildren();
        },
    };
}

function size(element, { width, height }) {
    element.style.setProperty('width', `${Math.floor(width)}px`);
    element.style.setProperty('height', `${Math.floor(height)}px`);
}
