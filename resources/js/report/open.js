import { Editor } from '@tiptap/core';
import Collaboration from '@tiptap/extension-collaboration';
import CollaborationCaret from '@tiptap/extension-collaboration-caret';
import { Exchange } from './exchange.js';
import * as tools from './outline.js';
import { parts } from './parts.js';
import { calm } from './paste.js';
import { viewsOf } from './views.js';

// told apart by name first; the colour only helps
const COLOURS = ['#17566b', '#7a4a00', '#5a3a7e', '#2f5f2a', '#7c2d3d', '#3d4f66'];
const PAUSE = 250;
// many times a long report
const LONGEST = 1500000;
const TOO_LONG = 'That is more than a report holds: nothing of it was put in. Paste it in parts.';

// Opens the editor over a shared document, once what there is has come.
export async function open(desk, { me, mayWrite, urls }, handlers) {
    const views = viewsOf(desk);
    const exchange = new Exchange(urls.exchange, localStorage, handlers);
    await exchange.begin();
    const colour = COLOURS[[...me.id].reduce((sum, letter) => sum + letter.charCodeAt(0), 0) % COLOURS.length];
    exchange.awareness.setLocalStateField('user', { name: me.name, color: colour });
    let timer = null;
    const editor = new Editor({
        element: desk.$refs.editor,
        injectCSS: false,
        editable: mayWrite,
        extensions: [
            ...parts(views),
            Collaboration.configure({ document: exchange.doc, field: 'body' }),
            CollaborationCaret.configure({ provider: { awareness: exchange.awareness }, user: { name: me.name, color: colour } }),
        ],
        editorProps: {
            transformPastedHTML: calm,
            attributes: { 'aria-label': 'Text of the report', role: 'textbox', 'aria-multiline': 'true' },
            handleClick: (view, at, event) => {
                const claim = event.target.closest?.('.claim');
                const remark = event.target.closest?.('.remark');
                if (remark) handlers.remark(JSON.parse(remark.dataset.id));
                else if (claim) handlers.claim(JSON.parse(claim.dataset.id));
                return false;
            },
            handleClickOn: (view, at, node) => {
                // once it is selected
                if (node.type.name === 'footnote') setTimeout(() => handlers.note());
                return false;
            },
            handlePaste: (view, event) => {
                const all = ['text/html', 'text/plain'].map((type) => event.clipboardData?.getData(type) ?? '');
                if (Math.max(...all.map((one) => one.length)) <= LONGEST) return false;
                handlers.refused(TOO_LONG);
                return true;
            },
            handleKeyDown: (view, event) => {
                const isOurs = (event.ctrlKey || event.metaKey) && event.shiftKey;
                const does = isOurs ? { e: () => desk.addClaim(), c: () => desk.openPanel('cite'), m: () => desk.addRemark() }[event.key.toLowerCase()] : null;
                if (!does) return false;
                event.preventDefault();
                does();
                return true;
            },
        },
        onUpdate: () => {
            clearTimeout(timer);
            timer = setTimeout(() => handlers.read(editor.getJSON()), PAUSE);
        },
    });
    const tellWho = () => {
        const people = [...exchange.awareness.getStates()].filter(([, state]) => state.user);
        handlers.presence(people.map(([client, state]) => ({
            client,
            name: client === exchange.doc.clientID ? `${state.user.name} (you)` : state.user.name,
        })));
    };
    exchange.awareness.on('change', tellWho);
    tellWho();
    return { editor, exchange, views, tools };
}
