import { Mark, Node, mergeAttributes } from '@tiptap/core';
import Heading from '@tiptap/extension-heading';
import { TableKit } from '@tiptap/extension-table';
import StarterKit from '@tiptap/starter-kit';

// What a report is made of, the same in the editor and where the server reads it: a new part raises the number in schema.js.

const attribute = (name, otherwise = null) => ({
    default: otherwise,
    parseHTML: (element) => {
        const said = element.getAttribute(`data-${name}`);
        return said === null ? otherwise : JSON.parse(said);
    },
    renderHTML: (attributes) => ({ [`data-${name}`]: JSON.stringify(attributes[name]) }),
});

const attributes = (names) => () => Object.fromEntries(Object.entries(names).map(([name, otherwise]) => [name, attribute(name, otherwise)]));

// whole by itself: what it shows comes from the server
const atom = (name, group, names, view) =>
    Node.create({
        name,
        group,
        inline: group === 'inline',
        atom: true,
        draggable: group === 'block',
        selectable: true,
        addAttributes: attributes(names),
        parseHTML: () => [{ tag: `[data-part="${name}"]` }],
        renderHTML: ({ HTMLAttributes }) => [group === 'inline' ? 'span' : 'div', mergeAttributes({ 'data-part': name }, HTMLAttributes)],
        ...(view ? { addNodeView: () => view } : {}),
    });

const Section = Heading.extend({
    addAttributes() {
        return { ...this.parent?.(), section: attribute('section', ''), items: attribute('items', []) };
    },
});

// claims may overlap; what they rest on is kept by the server, by their ids
const Claim = Mark.create({
    name: 'claim',
    inclusive: false,
    excludes: '',
    addAttributes: attributes({ id: '' }),
    parseHTML: () => [{ tag: 'span[data-part="claim"]' }],
    renderHTML: ({ HTMLAttributes }) => ['span', mergeAttributes({ 'data-part': 'claim', class: 'claim' }, HTMLAttributes), 0],
});

// what people say about them is kept by the server, by the thread
const Remark = Mark.create({
    name: 'remark',
    inclusive: false,
    excludes: '',
    addAttributes: attributes({ id: '' }),
    parseHTML: () => [{ tag: 'span[data-part="remark"]' }],
    renderHTML: ({ HTMLAttributes }) => ['span', mergeAttributes({ 'data-part': 'remark', class: 'remark' }, HTMLAttributes), 0],
});

export const parts = (views = {}) => [
    StarterKit.configure({
        undoRedo: false,
        heading: false,
        code: false,
        codeBlock: false,
        horizontalRule: false,
        strike: false,
        underline: false,
        link: { openOnClick: false, autolink: false, HTMLAttributes: { rel: 'noopener nofollow', target: null, class: null } },
    }),
    Section.configure({ levels: [1, 2, 3] }),
    TableKit,
    atom('liveBlock', 'block', { id: '', kind: '', source: '', caption: '' }, views.liveBlock),
    atom('liveNumber', 'inline', { source: '', shown: '' }, views.liveNumber),
    atom('cite', 'inline', { ids: [] }, views.cite),
    atom('footnote', 'inline', { text: '' }, views.footnote),
    atom('blockRef', 'inline', { id: '' }, views.blockRef),
    Claim,
    Remark,
];
