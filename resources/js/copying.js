// Copies query lines to the clipboard: one, or a whole column in order.
const say = (button) => {
    const words = button.textContent;
    button.textContent = 'Copied';
    setTimeout(() => (button.textContent = words), 1500);
};

export default () => ({
    async line(button) {
        await navigator.clipboard.writeText(button.closest('td').querySelector('code').textContent);
        say(button);
    },
    async text(button, text) {
        await navigator.clipboard.writeText(text);
        say(button);
    },
    async column(key) {
        const lines = [...this.$root.querySelectorAll(`[data-copy="${key}"]`)].map((code) => code.textContent);
        await navigator.clipboard.writeText(lines.join('\n'));
        say(this.$el);
    },
});
