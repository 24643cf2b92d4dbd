// How parts that come from the server look in the editor. Their HTML was made by the server of the review’s own data.

const element = (name, look, words = '') => {
    const made = document.createElement(name);
    made.className = look;
    if (words) made.textContent = words;
    return made;
};

export function viewsOf(desk) {
    const redrawn = new Set();
    const watched = (draw) => {
        redrawn.add(draw);
        draw();
        return () => redrawn.delete(draw);
    };
    const liveBlock = ({ node }) => {
        let now = node;
        const dom = element('figure', 'live-block');
        dom.contentEditable = 'false';
        const stop = watched(() => {
            const block = desk.blocks[now.attrs.id];
            const changed = desk.changed[now.attrs.id];
            dom.replaceChildren();
            if (changed) {
                const bar = element('div', 'live-changed');
                bar.append(element('strong', '', 'Changed'), element('span', '', changed));
                if (desk.mayWrite) {
                    const button = element('button', 'button button-plain', 'Refresh');
                    button.type = 'button';
                    button.addEventListener('click', () => desk.refresh(now.attrs.id));
                    bar.append(button);
                }
                dom.append(bar);
            }
            const body = element('div', 'live-body');
            body.innerHTML = block?.html ?? '<p>…</p>';
            // what scrolls is reached by keyboard
            body.tabIndex = 0;
            body.setAttribute('role', 'region');
            body.setAttribute('aria-label', block?.title ?? 'Live block');
            const number = desk.numbering[now.attrs.id];
            const words = `${number ? `${number}. ` : ''}${now.attrs.caption || block?.title || ''}`;
            const caption = element('figcaption', '');
            if (desk.mayWrite) {
                const button = element('button', 'live-caption', words);
                button.type = 'button';
                button.title = 'Change the caption';
                button.addEventListener('click', () => desk.openCaption(now.attrs));
                caption.append(button);
            } else {
                caption.textContent = words;
            }
            dom.append(body, caption);
        });
        return {
            dom,
            update: (next) => {
                if (next.type.name !== 'liveBlock') return false;
                now = next;
                redrawn.forEach((draw) => draw());
                return true;
            },
            ignoreMutation: () => true,
            stopEvent: (event) => event.target.closest?.('button') !== null && event.target.closest?.('button') !== undefined,
            destroy: stop,
        };
    };
    const inline = (look, wordsOf) => ({ node }) => {
        let now = node;
        const dom = element('span', look);
        dom.contentEditable = 'false';
        const stop = watched(() => {
            const { words, title, changed } = wordsOf(now.attrs);
            dom.textContent = words;
            dom.title = title ?? '';
            dom.classList.toggle('live-number-changed', Boolean(changed));
        });
        return {
            dom,
            update: (next) => {
                if (next.type !== now.type) return false;
                now = next;
                redrawn.forEach((draw) => draw());
                return true;
            },
            ignoreMutation: () => true,
            destroy: stop,
        };
    };
    return {
        redraw: () => redrawn.forEach((draw) => draw()),
        liveBlock,
        liveNumber: inline('live-number', ({ source, shown }) => {
            const now = desk.numbers[source];
            const changed = now && now.value !== shown;
            return { words: shown, title: now ? `${now.label}${changed ? `: now ${now.value}` : ''}` : '', changed };
        }),
        cite: inline('cite', ({ ids }) => ({ words: `(${ids.map((id) => desk.citable[id]?.name ?? 'gone').join('; ')})` })),
        blockRef: inline('block-ref', ({ id }) => ({ words: desk.numbering[id] ?? 'what is no longer here', title: desk.blocks[id]?.title })),
        footnote: inline('footnote', ({ text }) => ({ words: '†', title: text })),
    };
}
