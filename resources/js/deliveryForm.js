// Files dropped anywhere on the sheet, or chosen.
export default () => ({
    over: false,
    names: [],
    chosen() {
        this.names = [...this.$refs.files.files].map((file, i) => ({
            name: file.name,
            size: `${(file.size / 1048576).toFixed(1)} MB`,
            at: i,
            source: `sources[${i}]`,
            kind: `kinds[${i}]`,
            sourceWords: `Source of ${file.name}`,
            kindWords: `Kind of source of ${file.name}`,
        }));
    },
    enter() {
        this.over = true;
    },
    leave() {
        this.over = false;
    },
    dropped(event) {
        this.over = false;
        if (event.dataTransfer.files.length) {
            this.$refs.files.files = event.dataTransfer.files;
            this.chosen();
        }
    },
    get several() {
        return this.names.length > 1;
    },
    get any() {
        return this.names.length > 0;
    },
});
