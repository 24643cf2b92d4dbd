// A term put together by a small form, for whoever does not want to learn the language first; what comes out is the language.
const isSaid = (word) => /[\p{L}\p{N}]/u.test(word);

export function written({ words, how, distance, fields, endings }) {
    const each = words
        .replace(/["“”„(),:/#]/g, ' ')
        .split(/\s+/)
        .filter(isSaid);
    if (each.length === 0) return '';
    const ended = endings
        ? each.map((word) => (word.endsWith('*') || word.replace(/[^\p{L}\p{N}]/gu, '').length < 2 ? word : `${word}*`))
        : each;
    const text = {
        phrase: () => (ended.length === 1 ? ended[0] : `"${ended.join(' ')}"`),
        near: () => ended.join(` NEAR/${distance} `),
        all: () => ended.join(' AND '),
    }[how]();
    if (fields === '') return text;
    return `${fields}:${ended.length === 1 || how === 'phrase' ? text : `(${text})`}`;
}

export default () => ({
    words: '',
    how: 'phrase',
    distance: 3,
    fields: '',
    endings: false,
    get text() {
        return written(this);
    },
    get isNear() {
        return this.how === 'near';
    },
    get isEmpty() {
        return this.text === '';
    },
    async put(block) {
        if (!this.isEmpty && (await this.send('add-terms', { block: block.id, texts: [this.text] }))) {
            this.words = '';
            this.$root.closest('details').open = false;
        }
    },
});
