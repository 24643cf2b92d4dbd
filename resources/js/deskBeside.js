import { ask } from './server.js';

// selects words that may be spread over marked and plain parts
function select(within, words) {
    const walk = document.createTreeWalker(within, NodeFilter.SHOW_TEXT, {
        acceptNode: (node) =>
            node.parentElement.closest('article')?.offsetParent && node.parentElement.offsetParent
                ? NodeFilter.FILTER_ACCEPT
                : NodeFilter.FILTER_REJECT,
    });
    const nodes = [];
    let all = '';
    while (walk.nextNode()) {
        nodes.push([all.length, walk.currentNode]);
        all += walk.currentNode.data;
    }
    const start = all.indexOf(words);
    if (start < 0) return;
    const place = (at) => {
        const [from, node] = nodes.findLast(([begins]) => begins <= at);
        return [node, Math.min(at - from, node.data.length)];
    };
    const range = document.createRange();
    range.setStart(...place(start));
    range.setEnd(...place(start + words.length - 1));
    range.setEnd(range.endContainer, Math.min(range.endOffset + 1, range.endContainer.data.length));
    getSelection().removeAllRanges();
    getSelection().addRange(range);
    range.startContainer.parentElement.scrollIntoView({ block: 'center' });
}

// What stands beside the text at hand: sentences that lead to an answer, tags, Talk, and why it comes where it does.
export default () => ({
    why: '',
    whyOf: '',
    newTag: '',
    newTalk: '',
    isSaying: false,
    get leads() {
        return (this.item?.leads ?? []).map((lead, id) => {
            const place = this.criteria.findIndex((c) => c.id === lead.criterion);
            return { ...lead, id, about: place >= 0 ? `${lead.about} (criterion ${place + 1})` : lead.about };
        });
    },
    get hasLeads() {
        return this.leads.length > 0;
    },
    get tags() {
        return (this.item?.tags ?? []).map((tag) => ({ tag, takeOff: `Take off the tag ${tag}` }));
    },
    get talk() {
        return this.item?.talk ?? [];
    },
    get mayAskWhy() {
        return this.hasItem && this.whyOf !== this.item.id;
    },
    get whyWords() {
        return this.whyOf === this.item?.id ? this.why : '';
    },
    // only when asked, so that nobody reads by the machine's opinion
    async askWhy() {
        const id = this.item.id;
        const { why } = await ask('GET', this.urls.why.replace('ITEM', id)).catch(() => ({}));
        const words = (why?.words ?? [])
            .map(({ word, weight }) => `${word} ${weight > 0 ? '+' : '−'}${Math.abs(weight).toFixed(2)}`)
            .join(', ');
        const how = why?.check
            ? 'It was drawn at random for the check sample.'
            : why?.drawn
              ? 'It was drawn at random.'
              : '';
        this.whyOf = id;
        this.why = why
            ? [
                  how,
                  why.score === null
                      ? ''
                      : `Learned from ${why.judged} opened publications, its score is ${why.score.toFixed(2)} of 1.`,
                  words ? `What weighs most: ${words}.` : '',
                  'It decides nothing.',
              ]
                  .filter(Boolean)
                  .join(' ')
            : 'It came since the order was made, and is read in order of delivery.';
    },
    // the sentence that a lead points at is selected where it stands
    pointAt(sentence) {
        this.inFull = false;
        this.$nextTick(() => select(this.$refs.text, sentence));
    },
    async tag(name, on) {
        const item = this.item;
        const { tags } = await ask('POST', this.urls.tag.replace('ITEM', item.id), { tag: name, on }).catch(
            (failure) => {
                this.said = failure.message;
                return {};
            },
        );
        if (tags) item.tags = tags;
        return tags !== undefined;
    },
    async addTag() {
        const { item } = this;
        const name = this.newTag.trim();
        this.newTag = '';
        this.$refs.tag?.blur();
        if (name && !(await this.tag(name, true)) && item === this.item) this.newTag ||= name;
    },
    takeTagOff(name) {
        this.tag(name, false);
    },
    // what is on its way is not said a second time by a second press; it stays in its box until it is kept
    async sayInTalk() {
        const { item, newTalk: body } = this;
        if (!body.trim() || this.isSaying) return;
        this.isSaying = true;
        const { talk } = await ask('POST', this.urls.talk.replace('ITEM', item.id), { body }).catch((failure) => {
            this.said = failure.message;
            return {};
        });
        this.isSaying = false;
        if (!talk) return;
        item.talk = talk;
        if (this.newTalk === body) this.newTalk = '';
    },
});
