// What a page keeps on this machine until it has arrived. Where the browser has no more room it is held as long as the page
// is open, which whoever reads it has to be told.
export class Kept {
    constructor(name, empty, store) {
        this.name = name;
        this.empty = JSON.stringify(empty);
        this.store = store;
        this.held = null;
    }

    get isKept() {
        return this.held === null;
    }

    get value() {
        return this.held ?? JSON.parse(this.store.getItem(this.name) || this.empty);
    }

    set value(value) {
        const text = JSON.stringify(value);
        try {
            if (text === this.empty) this.store.removeItem(this.name);
            else this.store.setItem(this.name, text);
            this.held = null;
        } catch {
            this.held = value;
        }
    }
}
