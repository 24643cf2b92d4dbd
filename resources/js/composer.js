import { focusShown } from './focusShown.js';
import { inTurn } from './inTurn.js';
import { ask, data } from './server.js';

// The report: an editor that several people share, with live blocks, numbers, citations and claims. The editor itself is a
// file of its own, loaded only here; its document is kept outside of what Alpine watches.
let editor = null;
let exchange = null;
let views = null;
let tools = null;
const KEPT = 'What you wrote is kept on this machine.';
const NOT_KEPT = 'There is no room to keep it on this machine: leave this page open until it is saved.';
// blocks that others put in, each asked for once
const asked = new Set();
const oneByOne = inTurn();

const key = (one) => `${one.kind} ${one.id}`;
const quoted = (one) => ({ ...one, key: key(one), quoted: one.quote ? `“${one.quote}”` : one.says, where: [one.study, one.where].filter(Boolean).join(', ') });

const name = () => {
    const letters = '0123456789abcdefghjkmnpqrstvwxyz';
    return Array.from(crypto.getRandomValues(new Uint8Array(26)), (one) => letters[one % 32]).join('');
};

const TITLES = {
    claim: 'What this claim rests on',
    cite: 'Cite',
    number: 'A live number',
    block: 'A live block',
    note: 'A footnote',
    refer: 'A figure or table',
    caption: 'Its caption',
    remark: 'Remark',
};

const panels = () => ({
    panel: '',
    text: '',
    captionId: '',
    numbering: {},
    isPutting: false,
    get isClaim() {
        return this.panel === 'claim';
    },
    get isCiting() {
        return this.panel === 'cite';
    },
    get isNumbering() {
        return this.panel === 'number';
    },
    get isBlocking() {
        return this.panel === 'block';
    },
    get isNoting() {
        return this.panel === 'note';
    },
    get isReferring() {
        return this.panel === 'refer';
    },
    get isCaptioning() {
        return this.panel === 'caption';
    },
    get isRemarking() {
        return this.panel === 'remark';
    },
    get isIdle() {
        return this.panel === '';
    },
    get panelTitle() {
        return TITLES[this.panel] ?? 'At hand';
    },
    get choices() {
        const entries = this.isNumbering
            ? Object.entries(this.numbers).map(([id, one]) => ({ id, name: one.value, title: one.label }))
            : Object.entries(this.citable).map(([id, one]) => ({ id, ...one }));
        return this.ready ? tools.choicesOf(entries, this.text) : [];
    },
    openPanel(panel) {
        this.panel = this.panel === panel ? '' : panel;
        this.text = '';
        this.$nextTick(() => {
            const box = this.$refs[this.panel];
            if (!box) return;
            box.value = this.panel === 'note' ? (this.noteAtHand()?.attrs.text ?? '') : '';
            focusShown(() => box);
        });
    },
    // the footnote that is selected, by a press or by the arrow keys
    noteAtHand() {
        const node = editor?.state.selection.node;
        return node?.type.name === 'footnote' ? node : null;
    },
    openNote() {
        this.panel = '';
        this.openPanel('note');
    },
    // figures and tables as they are numbered now
    get numberedBlocks() {
        return Object.entries(this.numbering).map(([id, name]) => ({ id, name, title: this.blocks[id]?.title ?? '' }));
    },
    refer(id) {
        this.put('blockRef', { id });
    },
    openCaption({ id, caption }) {
        this.captionId = id;
        this.panel = '';
        this.openPanel('caption');
        this.$nextTick(() => {
            this.$refs.caption.value = caption;
        });
    },
    // without words it has its usual title again
    putCaption() {
        const caption = this.$refs.caption.value.trim();
        const change = editor.state.tr;
        editor.state.doc.descendants((node, at) => {
            if (node.type.name === 'liveBlock' && node.attrs.id === this.captionId) change.setNodeMarkup(at, undefined, { ...node.attrs, caption });
        });
        editor.view.dispatch(change);
        this.panel = '';
    },
    filter(event) {
        this.text = event.target.value;
    },
    // after words that are selected, never in their place
    put(type, attrs) {
        editor.chain().focus().insertContentAt(editor.state.selection.to, { type, attrs }).run();
        this.panel = '';
    },
    // never within a table, a list or a quotation
    putWhole(type, attrs) {
        const { $from } = editor.state.selection;
        if ($from.depth < 2) return this.put(type, attrs);
        editor.chain().focus().insertContentAt($from.after(1), { type, attrs }).run();
        this.panel = '';
    },
    cite(id) {
        this.put('cite', { ids: [id] });
    },
    putNumber(source) {
        this.put('liveNumber', { source, shown: this.numbers[source].value });
    },
    putNote() {
        const text = this.$refs.note.value.trim();
        if (this.noteAtHand()) {
            const at = editor.chain().focus();
            (text ? at.updateAttributes('footnote', { text }) : at.deleteSelection()).run();
            this.panel = '';
        } else if (text) {
            this.put('footnote', { text });
        }
    },
    async putBlock(event) {
        const { kind, source } = event.currentTarget.dataset;
        if (this.isPutting) return; // a second press on a slow line would put it in twice
        this.isPutting = true;
        try {
            const block = await ask('POST', this.urls.blocks, { kind, source });
            this.changes++;
            this.blocks[block.id] = block;
            this.putWhole('liveBlock', { id: block.id, kind, source, caption: '' });
        } catch (failure) {
            this.problem = failure.message;
        }
        this.isPutting = false;
    },
});

const claims = () => ({
    claims: {},
    claimId: '',
    claimSaid: '',
    claimTexts: {},
    found: [],
    finding: 0,
    looked: false,
    get claim() {
        return this.claims[this.claimId] ?? { own: false, evidence: [], problem: 'rests on nothing yet' };
    },
    get claimWords() {
        return this.claimTexts[this.claimId] ?? '';
    },
    get claimProblem() {
        return this.claim.problem;
    },
    get claimEvidence() {
        return this.claim.evidence.map(quoted);
    },
    get isOwn() {
        return this.claim.own === true;
    },
    get foundNothing() {
        return this.looked && this.found.length === 0;
    },
    get problems() {
        return Object.entries(this.claimTexts)
            .map(([id, words]) => ({ id, words, problem: (this.claims[id] ?? { problem: 'rests on nothing yet' }).problem }))
            .filter((one) => one.problem);
    },
    get hasProblems() {
        return this.problems.length > 0;
    },
    addClaim() {
        if (editor.state.selection.empty) {
            this.problem = 'Select the words that are the claim first.';
            return;
        }
        this.problem = '';
        const id = name();
        editor.chain().focus().setMark('claim', { id }).run();
        this.showClaim(id);
        this.changeClaim({});
    },
    showClaim(id) {
        this.claimId = id;
        this.claimSaid = '';
        this.panel = 'claim';
        this.found = [];
        this.looked = false;
        if (this.$refs.evidence) this.$refs.evidence.value = '';
    },
    goToClaim(id) {
        const at = this.$refs.editor.querySelector(`.claim[data-id='${JSON.stringify(id)}']`);
        at?.scrollIntoView({ block: 'center' });
        this.showClaim(id);
    },
    async findEvidence(event) {
        const q = event.target.value.trim();
        const mine = ++this.finding; // answers to what was typed before may come later
        try {
            const { found } = q === '' ? { found: [] } : await ask('GET', `${this.urls.evidence}?q=${encodeURIComponent(q)}`);
            if (mine !== this.finding) return;
            this.found = found.map(quoted);
            this.looked = q !== '';
        } catch (failure) {
            this.problem = failure.message;
        }
    },
    // only what changes goes up, so that what somebody else put to it meanwhile stays
    async changeClaim(given) {
        const id = this.claimId;
        this.claimSaid = 'Saving …';
        try {
            const claim = await oneByOne(() => ask('PUT', this.urls.claims.replace('CLAIM', id), given));
            this.changes++;
            this.claims = { ...this.claims, [id]: claim };
            this.claimSaid = '';
            this.markClaims();
            return true;
        } catch (failure) {
            this.claimSaid = `${failure.message} What the claim rests on was not changed.`;
            return false;
        }
    },
    addEvidence({ kind, id }) {
        return this.changeClaim({ own: false, adds: [{ kind, id }] });
    },
    takeOff({ kind, id }) {
        return this.changeClaim({ takes_off: [{ kind, id }] });
    },
    async setOwn({ target }) {
        if (!(await this.changeClaim({ own: target.checked }))) target.checked = this.isOwn;
    },
    // its evidence is kept, should the mark come back by undo
    dropClaim() {
        const id = this.claimId;
        const { state } = editor;
        const mark = state.schema.marks.claim;
        const change = state.tr;
        state.doc.descendants((node, at) => {
            node.marks.filter((one) => one.type === mark && one.attrs.id === id).forEach((one) => change.removeMark(at, at + node.nodeSize, one));
        });
        editor.view.dispatch(change);
        this.panel = '';
    },
    // how each claim stands is shown at its words
    markClaims() {
        this.$refs.editor.querySelectorAll('.claim').forEach((one) => {
            const id = JSON.parse(one.dataset.id ?? '""');
            one.classList.toggle('claim-open', Boolean((this.claims[id] ?? { problem: 'x' }).problem));
            one.classList.toggle('claim-own', this.claims[id]?.own === true);
        });
    },
});

// what people say to each other about words of the text
const remarks = () => ({
    remarks: {},
    threadId: '',
    isSaying: false,
    remarkTexts: {},
    get thread() {
        return this.remarks[this.threadId] ?? { ended: false, said: [] };
    },
    get said() {
        return this.thread.said.map((one) => ({ ...one, words: one.body || (one.ends ? 'ended it' : 'opened it again') }));
    },
    get remarkWords() {
        return this.remarkTexts[this.threadId] ?? '';
    },
    get hasEnded() {
        return this.thread.ended;
    },
    get isSpokenOf() {
        return this.thread.said.length > 0;
    },
    get endWords() {
        return this.hasEnded ? 'Open it again' : 'End it';
    },
    get openRemarks() {
        return Object.entries(this.remarkTexts)
            .filter(([id]) => this.remarks[id] && !this.remarks[id].ended)
            .map(([id, words]) => ({ id, words, last: this.remarks[id].said.at(-1) }))
            .map((one) => ({ ...one, says: `${one.last.by}: ${one.last.body}` }));
    },
    get hasOpenRemarks() {
        return this.openRemarks.length > 0;
    },
    addRemark() {
        if (editor.state.selection.empty) {
            this.problem = 'Select the words that you want to speak about first.';
            return;
        }
        this.problem = '';
        const id = name();
        editor.chain().focus().setMark('remark', { id }).run();
        this.showRemark(id);
    },
    showRemark(id) {
        this.threadId = id;
        this.panel = 'remark';
        this.$nextTick(() => {
            if (!this.$refs.remark) return;
            this.$refs.remark.value = '';
            focusShown(() => this.$refs.remark);
        });
    },
    goToRemark(id) {
        this.$refs.editor.querySelector(`.remark[data-id='${JSON.stringify(id)}']`)?.scrollIntoView({ block: 'center' });
        this.showRemark(id);
    },
    async say(given) {
        if (this.isSaying) return false; // a second press on a slow line would say it twice
        const id = this.threadId;
        this.isSaying = true;
        try {
            const thread = await ask('POST', this.urls.remarks.replace('THREAD', id), given);
            this.changes++;
            this.remarks = { ...this.remarks, [id]: thread };
            this.markRemarks();
            return true;
        } catch (failure) {
            this.problem = failure.message;
            return false;
        } finally {
            this.isSaying = false;
        }
    },
    async sayRemark() {
        const box = this.$refs.remark;
        const body = box.value.trim();
        const id = this.threadId;
        // what is being written by then, there or of other words, stays
        if (body && (await this.say({ body })) && id === this.threadId && box.value.trim() === body) box.value = '';
    },
    endRemark() {
        this.say({ ends: !this.hasEnded });
    },
    markRemarks() {
        this.$refs.editor.querySelectorAll('.remark').forEach((one) => {
            const thread = this.remarks[JSON.parse(one.dataset.id ?? '""')];
            one.classList.toggle('remark-open', thread !== undefined && !thread.ended);
        });
    },
});

const standing = () => ({
    changed: {},
    changes: 0,
    numbers: {},
    refreshing: false,
    get changedCount() {
        return Object.keys(this.changed).length + this.oldNumbers().length;
    },
    get hasChanged() {
        return this.mayWrite && this.changedCount > 0;
    },
    get changedWords() {
        return this.refreshing ? `${this.changedCount} to refresh …` : `${this.changedCount} changed: refresh all`;
    },
    // what was changed here while this was asked for is newer than the answer
    async look() {
        const before = this.changes;
        try {
            const now = await ask('GET', this.urls.standing);
            if (before !== this.changes) return this.look();
            Object.assign(this, { changed: now.changed, numbers: now.numbers, claims: now.claims, remarks: now.remarks, blocks: now.blocks });
            views.redraw();
            this.markClaims();
            this.markRemarks();
        } catch (failure) {
            this.problem = failure.message;
        }
    },
    async refresh(id) {
        const { kind, source } = this.blocks[id];
        try {
            this.blocks[id] = await ask('POST', this.urls.blocks, { id, kind, source });
            this.changes++;
            const { [id]: gone, ...others } = this.changed;
            this.changed = others;
            views.redraw();
        } catch (failure) {
            this.problem = failure.message;
        }
    },
    oldNumbers() {
        const old = [];
        if (!this.ready) return old;
        editor.state.doc.descendants((node, at) => {
            const now = node.type.name === 'liveNumber' ? this.numbers[node.attrs.source] : null;
            if (now && now.value !== node.attrs.shown) old.push({ at, attrs: { ...node.attrs, shown: now.value } });
        });
        return old;
    },
    async refreshAll() {
        this.refreshing = true;
        for (const id of Object.keys(this.changed)) await this.refresh(id);
        const change = editor.state.tr;
        this.oldNumbers().forEach(({ at, attrs }) => change.setNodeMarkup(at, undefined, attrs));
        if (change.docChanged) editor.view.dispatch(change);
        this.refreshing = false;
    },
});

export default () => {
    const parts = [panels(), claims(), remarks(), standing()];
    return Object.defineProperties(
        {
            ready: false,
            mayWrite: false,
            problem: '',
            saved: 'Opening …',
            sections: [],
            words: 0,
            here: [],
            blocks: {},
            citable: {},
            items: [],
            urls: {},
            get outline() {
                return this.sections.map((one) => ({
                    key: `${one.at} ${one.title}`,
                    at: one.at,
                    title: one.title,
                    items: tools.ranges(one.items),
                    look: `outline-${one.level}${one.empty ? ' outline-empty' : ''}`,
                }));
            },
            get missing() {
                return this.ready ? tools.missingOf(this.sections, this.items) : [];
            },
            get hasMissing() {
                return this.missing.length > 0;
            },
            get coverage() {
                return `${this.items.length - this.missing.length} of ${this.items.length} items`;
            },
            get wordCount() {
                return `${this.words.toLocaleString('en-GB')} words`;
            },
            async init() {
                const given = data('report-data');
                Object.assign(this, {
                    mayWrite: given.mayWrite, blocks: given.blocks, citable: given.citable, items: given.items, urls: given.urls,
                });
                const { open } = await import('./report/open.js');
                const opened = open(this, given, {
                    changed: (all) => {
                        this.saved = all ? 'Saved' : 'Saving …';
                        this.problem = '';
                    },
                    failed: (failure, isKept) => {
                        this.saved = 'Not saved yet';
                        this.problem = `${failure.message} ${isKept ? KEPT : NOT_KEPT}`;
                    },
                    refused: (words) => {
                        this.problem = words;
                    },
                    read: (doc) => this.read(doc),
                    claim: (id) => this.showClaim(id),
                    remark: (id) => this.showRemark(id),
                    note: () => this.mayWrite && this.openNote(),
                    presence: (people) => {
                        this.here = people;
                    },
                });
                ({ editor, exchange, views, tools } = await opened);
                this.ready = true;
                this.read(editor.getJSON());
                const put = this.putAsked();
                await this.putDrafted();
                const [spoken, thread] = window.location.hash.slice(1).split('-');
                if (spoken === 'remark') this.goToRemark(thread);
                await this.look();
                // blocks above it have their height by now
                if (put) this.$refs.editor.querySelector(`.claim[data-id='"${put}"']`)?.scrollIntoView({ block: 'center' });
                window.addEventListener('focus', () => this.look());
            },
            read(doc) {
                this.sections = tools ? tools.outlineOf(doc) : [];
                this.words = tools ? tools.countWords(tools.wordsOf(doc)) : 0;
                this.claimTexts = tools ? Object.fromEntries(tools.claimsOf(doc)) : {};
                this.remarkTexts = tools ? Object.fromEntries(tools.remarksOf(doc)) : {};
                const numbering = tools ? tools.numberingOf(doc) : {};
                if (JSON.stringify(numbering) !== JSON.stringify(this.numbering)) {
                    this.numbering = numbering;
                    this.$nextTick(() => views?.redraw());
                }
                this.$nextTick(() => {
                    this.markClaims();
                    this.markRemarks();
                });
                if (tools && tools.blocksOf(doc).some((id) => !this.blocks[id] && !asked.has(id) && asked.add(id))) this.look();
            },
            run(command) {
                editor.chain().focus()[command]().run();
            },
            setBlock(event) {
                const level = Number(event.target.value);
                const at = editor.chain().focus();
                (level ? at.setHeading({ level }) : at.setParagraph()).run();
            },
            addTable() {
                editor.chain().focus().insertTable({ rows: 3, cols: 3, withHeaderRow: true }).run();
            },
            goTo(at) {
                this.$refs.editor.firstElementChild?.children[at]?.scrollIntoView({ block: 'start' });
            },
            // sentences go to the end of the section they belong to; from the last to the first, so that places stay
            async draft() {
                try {
                    const { sections } = await ask('GET', this.urls.draft);
                    const places = tools.endsOf(editor.getJSON(), Object.keys(sections));
                    const at = editor.chain();
                    const said = editor.getJSON();
                    const isNew = places.map(({ section, child }) => ({ child, sentences: tools.notSaidYet(said, sections[section]) }));
                    const some = isNew.filter((one) => one.sentences.length);
                    some.forEach(({ child, sentences }) => at.insertContentAt(this.positionOf(child), sentences));
                    at.run();
                    if (some.length === 0) this.saved = 'All of it stands in the text already';
                } catch (failure) {
                    this.problem = failure.message;
                }
            },
            // an answer that was asked for elsewhere comes as a claim of its own, at the end of what was found
            putAsked() {
                const [what, id, words] = window.location.hash.slice(1).split(/-(.*?)-(.*)/);
                if (what !== 'claim' || !words || !this.mayWrite) return '';
                window.history.replaceState(null, '', window.location.pathname);
                const [place] = tools.endsOf(editor.getJSON(), ['found']);
                const text = { type: 'text', text: decodeURIComponent(words), marks: [{ type: 'claim', attrs: { id } }] };
                const at = place ? this.positionOf(place.child) : editor.state.doc.content.size;
                editor.chain().insertContentAt(at, { type: 'paragraph', content: [text] }).run();
                this.showClaim(id);
                return id;
            },
            // a section that a machine drafted, at the end of the section of the report that it belongs to
            async putDrafted() {
                const [what, draft, section] = window.location.hash.slice(1).split('-');
                if (what !== 'draft' || !section || !this.mayWrite) return;
                window.history.replaceState(null, '', window.location.pathname);
                try {
                    const { place, paragraphs } = await ask('POST', this.urls.drafted.replace('DRAFT', draft).replace('SECTION', section));
                    const [end] = tools.endsOf(editor.getJSON(), [place]);
                    const at = end ? this.positionOf(end.child) : editor.state.doc.content.size;
                    editor.chain().insertContentAt(at, paragraphs).setTextSelection(at + 1).scrollIntoView().run();
                } catch (failure) {
                    this.problem = failure.message;
                }
            },
            positionOf(child) {
                let at = 0;
                editor.state.doc.forEach((node, offset, index) => {
                    if (index < child) at = offset + node.nodeSize;
                });
                return at;
            },
            // before a version is kept, what was typed last is there
            async flush(event) {
                if (!exchange?.isOpen) return;
                event.preventDefault();
                if (await exchange.settle()) event.target.requestSubmit();
                else this.problem = `${this.problem} No version was kept: what you typed last has to arrive first.`.trim();
            },
        },
        Object.assign({}, ...parts.map((part) => Object.getOwnPropertyDescriptors(part))),
    );
};
