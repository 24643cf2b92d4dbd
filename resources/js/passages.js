import { focusShown } from './focusShown.js';
import { selectedIn } from './selectedWords.js';
import { ask } from './server.js';

// Words of the paper under themes: marked by one key, named in a line that knows the names there are.
export default () => ({
    passages: [],
    themeNames: [],
    pending: null,
    passageTyped: '',
    memoTyped: '',
    get hasPassages() {
        return this.passages.length > 0;
    },
    get isNaming() {
        return this.pending !== null;
    },
    get pendingQuote() {
        return this.pending ? `“${this.pending.piece.quote}”` : '';
    },
    get passageLines() {
        return this.passages.map((one) => ({ ...one, quoted: `“${one.piece.quote}”`, where: one.piece.where }));
    },
    async loadPassages(asked) {
        try {
            this.takePassages(await ask('GET', this.urls.passages));
        } catch (failure) {
            this.problem = failure.message;
        }
        const passage = this.passages.find((one) => one.id === asked);
        if (passage) this.see(passage.piece);
    },
    takePassages({ passages, themes }) {
        this.passages = passages;
        this.themeNames = themes;
        this.remark();
    },
    markPassage() {
        const piece = selectedIn(this.$refs.scroll, this.copy?.id ?? '')[0];
        if (!piece) {
            this.problem = 'No words are marked in the paper. Select some, then press P.';
            return;
        }
        this.name({ piece, url: this.urls.passages, method: 'POST', themes: '', memo: '' });
    },
    changePassage(id) {
        const passage = this.passages.find((one) => one.id === id);
        this.name({ piece: passage.piece, url: passage.url, method: 'PUT', themes: passage.themes, memo: passage.memo });
    },
    name(pending) {
        if (!this.mayCode) return;
        this.problem = '';
        this.pending = pending;
        this.$nextTick(() => {
            this.$refs.themes.value = pending.themes;
            this.$refs.memo.value = pending.memo;
            focusShown(() => this.$refs.themes);
        });
    },
    async keepPassage() {
        const { pending } = this;
        if (!pending || pending.isSent) return; // a second press on a slow line would mark it twice
        const { piece, url, method } = pending;
        pending.isSent = true;
        try {
            const given = { themes: this.$refs.themes.value, memo: this.$refs.memo.value };
            this.takePassages(await ask(method, url, method === 'POST' ? { ...given, piece } : given));
            if (this.pending !== pending) return; // the next words are being named by then
            window.getSelection().removeAllRanges();
            this.leavePassage();
        } catch (failure) {
            pending.isSent = false;
            this.problem = failure.message;
        }
    },
    leavePassage() {
        this.pending = null;
        document.activeElement?.blur();
    },
    async removePassage(id) {
        const passage = this.passages.find((one) => one.id === id);
        try {
            this.takePassages(await ask('DELETE', passage.url));
        } catch (failure) {
            this.problem = failure.message;
        }
    },
    passageMarks() {
        return this.passages.map((one) => ({ piece: one.piece, item: '', look: 'passage' }));
    },
});
