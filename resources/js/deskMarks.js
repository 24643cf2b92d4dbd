// The words that are marked in the text at hand: by concept, and by the team's lists for and against.
export default () => ({
    lists: [],
    hidden: [],
    marksKey: '',
    readMarks(lists, key) {
        this.lists = lists;
        this.marksKey = key;
        this.hidden = JSON.parse(localStorage.getItem(key) ?? '[]');
    },
    get title() {
        return this.item ? this.shaded(this.item.titleParts) : [];
    },
    get abstract() {
        return this.item
            ? this.item.abstract.map((p, id) => ({ id, label: p.label, parts: this.shaded(p.parts) }))
            : [];
    },
    shaded(parts) {
        return parts.map((part, id) => {
            const lists = this.lists.filter((list) => part.lists.includes(list.key) && !this.hidden.includes(list.key));
            return {
                id,
                text: part.text,
                marked: lists.length > 0,
                shade: lists.map((list) => `mark-${list.style}`).join(' '),
                names: lists.map((list) => list.name).join(', '),
            };
        });
    },
    // each list with how often its words stand in the text at hand
    get legend() {
        const parts = this.item ? [...this.item.titleParts, ...this.item.abstract.flatMap((p) => p.parts)] : [];
        return this.lists.map((list) => ({
            key: list.key,
            name: list.name,
            sign: { for: '+', against: '−' }[list.kind] ?? '',
            style: `mark-${list.style}`,
            count: parts.filter((part) => part.lists.includes(list.key)).length,
            pressed: this.hidden.includes(list.key) ? 'false' : 'true',
        }));
    },
    // all of them, then only the team's own, then none
    toggleMarks() {
        const concepts = this.lists.filter((list) => list.kind === 'concept').map((list) => list.key);
        const all = this.lists.map((list) => list.key);
        const next =
            this.hidden.length === 0 && concepts.length < all.length
                ? concepts
                : this.hidden.length < all.length
                  ? all
                  : [];
        this.hide(next);
    },
    toggleList(key) {
        this.hide(this.hidden.includes(key) ? this.hidden.filter((one) => one !== key) : [...this.hidden, key]);
    },
    hide(keys) {
        this.hidden = keys;
        localStorage.setItem(this.marksKey, JSON.stringify(keys));
    },
});
