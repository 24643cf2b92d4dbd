import { isTyping } from './keys.js';

// Each key presses the control that shows it.
export default () => ({
    init() {
        window.addEventListener('keydown', (event) => {
            if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return;
            const control = this.$root.querySelector(`[data-key="${CSS.escape(event.key.toUpperCase())}"]`);
            if (!control) return;
            event.preventDefault();
            control.click();
        });
    },
});
