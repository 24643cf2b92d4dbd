import { getSchema } from '@tiptap/core';
import { prosemirrorJSONToYXmlFragment, yXmlFragmentToProseMirrorRootNode } from '@tiptap/y-tiptap';
import * as Y from 'yjs';
import { parts } from './parts.js';

// Run by the server: from a document and its updates to what it says, or from what it says to a new document. One JSON
// comes in, one goes out; what cannot be read at all ends it with the reason.

const bytes = (text) => new Uint8Array(Buffer.from(text, 'base64'));
const text = (state) => Buffer.from(state).toString('base64');

function folded(base, updates, schema) {
    const doc = new Y.Doc();
    doc.transact(() => [base, ...updates].filter(Boolean).forEach((one) => Y.applyUpdate(doc, bytes(one))));
    if (doc.store.pendingStructs) throw new Error('an update is missing');
    const node = yXmlFragmentToProseMirrorRootNode(doc.getXmlFragment('body'), schema);
    node.check();
    return { json: node.toJSON(), state: text(Y.encodeStateAsUpdate(doc)) };
}

// Where one update is broken, the others still say something: it alone is left out, and why is told.
function read({ base, updates }, schema) {
    try {
        return { ...folded(base, updates, schema), left: [] };
    } catch (error) {
        if (updates.length === 0) throw error;
        if (updates.length === 1) return { ...folded(base, [], schema), left: [String(error?.message ?? error).slice(0, 500)] };
        const half = Math.ceil(updates.length / 2);
        const first = read({ base, updates: updates.slice(0, half) }, schema);
        const rest = read({ base: first.state, updates: updates.slice(half) }, schema);
        return { ...rest, left: [...first.left, ...rest.left] };
    }
}

function make({ json }, schema) {
    const doc = new Y.Doc();
    prosemirrorJSONToYXmlFragment(schema, json, doc.getXmlFragment('body'));
    return { state: text(Y.encodeStateAsUpdate(doc)) };
}

// Who wrote which words: of each paragraph its runs, by the client that each was written with. What stands there live is
// nobody's words: its client is null.
function written({ base }) {
    const doc = new Y.Doc();
    Y.applyUpdate(doc, bytes(base));
    const blocks = [];
    const runsOf = (text) => {
        const runs = [];
        for (let item = text._start; item; item = item.right) {
            if (item.deleted || !(item.content instanceof Y.ContentString)) continue;
            const last = runs.at(-1);
            if (last?.client === item.id.client) last.text += item.content.str;
            else runs.push({ client: item.id.client, text: item.content.str });
        }
        return runs;
    };
    const live = { liveNumber: (one) => one.getAttribute('shown') ?? '', cite: () => '[…]', blockRef: () => '…' };
    const shown = (one) => live[one.nodeName]?.(one) ?? '';
    const inline = (one) => (one instanceof Y.XmlText ? runsOf(one) : shown(one) ? [{ client: null, text: shown(one) }] : []);
    const walk = (node) => {
        const inside = node.toArray();
        if (inside.some((one) => one instanceof Y.XmlText)) blocks.push({ type: node.nodeName, runs: inside.flatMap(inline) });
        inside.filter((one) => one instanceof Y.XmlElement).forEach(walk);
    };
    doc.getXmlFragment('body').toArray().filter((one) => one instanceof Y.XmlElement).forEach(walk);
    return { blocks: blocks.filter((one) => one.runs.length) };
}

const chunks = [];
process.stdin.on('data', (chunk) => chunks.push(chunk));
process.stdin.on('end', () => {
    try {
        const asked = JSON.parse(Buffer.concat(chunks).toString('utf8'));
        const schema = getSchema(parts());
        process.stdout.write(JSON.stringify({ read, make, written }[asked.do](asked, schema)));
    } catch (error) {
        process.stderr.write(String(error?.message ?? error).slice(0, 500));
        process.exitCode = 1;
    }
});
