// Files dropped anywhere on the sheet, or chosen.
export default () => ({
    over: false,
    names: [],
    chosen() {
        this.names = [...this.$refs.files.files].map((file) => ({ name: file.name, size: `${(file.size / 1048576).toFixed(1)} MB` }));
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
    get any() {
        return this.names.length > 0;
    },
});
