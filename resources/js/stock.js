import { Kept } from './kept.js';

// Items at hand at the Reading Desk. None is ever shown twice as unjudged: neither what is here, nor what was judged on this
// page or waits to be sent, comes again with what the server brings.
export function fresh(arrived, here, judged) {
    const known = new Set([...here.map((one) => one.id), ...judged]);
    return arrived.filter((one) => !known.has(one.id) && known.add(one.id));
}

// how many are left to judge after the one at hand
export const ahead = (items, at, judged) =>
    items.slice(at + 1).filter((one) => !one.mine.verdict && !one.open && !judged.has(one.id)).length;

// What was typed and not yet sent, kept on this machine by item until it is: a note, and answers to the criteria.
export class Drafts {
    constructor(name, store = localStorage) {
        this.kept = new Kept(name, {}, store);
    }

    get all() {
        return this.kept.value;
    }

    of(item) {
        return this.all[item] ?? null;
    }

    // the oldest go when there are very many: nobody comes back to them
    keep(item, draft) {
        const { [item]: before, ...others } = this.all;
        const kept = Object.entries({ ...others, [item]: draft }).slice(-300);
        this.kept.value = Object.fromEntries(kept);
    }

    drop(item) {
        const { [item]: gone, ...others } = this.all;
        if (gone) this.kept.value = others;
    }
}

// What was judged in this sitting, in order, to be undone one after the other; a reload does not end a sitting, closing the tab does.
export class Sitting {
    constructor(name, store = sessionStorage) {
        this.kept = new Kept(name, [], store);
    }

    get all() {
        return this.kept.value;
    }

    set all(items) {
        this.kept.value = items.slice(-500);
    }

    get last() {
        return this.all.at(-1) ?? null;
    }

    get length() {
        return this.all.length;
    }

    // judged again, it is the last one again
    add(item) {
        this.all = [...this.all.filter((one) => one !== item), item];
    }

    drop(item) {
        this.all = this.all.filter((one) => one !== item);
    }
}
