import { getSchema } from '@tiptap/core';
import { prosemirrorJSONToYXmlFragment, yXmlFragmentToProseMirrorRootNode } from '@tiptap/y-tiptap';
import * as Y from 'yjs';
import { parts } from './parts';

// Run by the server: from a document and its updates to what it says, or from what it says to a new document. One JSON
// comes in, one goes out; an update that is none ends it with the reason.

const bytes = (text) => new Uint8Array(Buffer.from(text, 'base64'));
const text = (state) => Buffer.from(state).toString('base64');

function read({ base, updates }, schema) {
    const doc = new Y.Doc();
    doc.transact(() => [base, ...updates].filter(Boolean).forEach((one) => Y.applyUpdate(doc, bytes(one))));
    if (doc.store.pendingStructs) throw new Error('an update is missing');
    const node = yXmlFragmentToProseMirrorRootNode(doc.getXmlFragment('body'), schema);
    node.check();
    return { json: node.toJSON(), state: text(Y.encodeStateAsUpdate(doc)) };
}

function make({ json }, schema) {
    const doc = new Y.Doc();
    prosemirrorJSONToYXmlFragment(schema, json, doc.getXmlFragment('body'));
    return { state: text(Y.encodeStateAsUpdate(doc)) };
}

function check({ updates }) {
    const doc = new Y.Doc();
    updates.forEach((one) => Y.applyUpdate(doc, bytes(one)));
    return { ok: true };
}

const chunks = [];
process.stdin.on('data', (chunk) => chunks.push(chunk));
process.stdin.on('end', () => {
    try {
        const asked = JSON.parse(Buffer.concat(chunks).toString('utf8'));
        const schema = getSchema(parts());
        process.stdout.write(JSON.stringify({ read, make, check }[asked.do](asked, schema)));
    } catch (error) {
        process.stderr.write(String(error?.message ?? error).slice(0, 500));
        process.exitCode = 1;
    }
});
