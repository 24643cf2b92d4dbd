// Records picked by hand, page after page: their places in the list are kept until the window closes.
export default () => ({
    picked: [],
    key: '',
    init() {
        this.key = `picked ${this.$root.dataset.list}`;
        this.picked = JSON.parse(sessionStorage.getItem(this.key) ?? '[]');
    },
    has(place) {
        return this.picked.includes(place);
    },
    pick(place) {
        this.picked = this.has(place)
            ? this.picked.filter((one) => one !== place)
            : [...this.picked, place].sort((a, b) => a - b);
        sessionStorage.setItem(this.key, JSON.stringify(this.picked));
    },
    clear() {
        this.picked = [];
        sessionStorage.removeItem(this.key);
    },
    get list() {
        return this.picked.join(',');
    },
    get some() {
        return this.picked.length > 0;
    },
    get words() {
        return `Only the ${this.picked.length} picked by hand`;
    },
});
