// Copies query lines to the clipboard: one, or a whole column in order.
async function copy(text, button) {
    const words = button.textContent;
    try {
        await navigator.clipboard.writeText(text);
        button.textContent = 'Copied';
    } catch {
        button.textContent = 'Not copied: this browser does not let pages do so here';
    }
    setTimeout(() => (button.textContent = words), 1500);
}

export default () => ({
    line(button) {
        return copy(button.closest('td').querySelector('code').textContent, button);
    },
    text(button, text) {
        return copy(text, button);
    },
    column(key) {
        const lines = [...this.$root.querySelectorAll(`[data-copy="${key}"]`)].map((code) => code.textContent);
        return copy(lines.join('\n'), this.$el);
    },
});
