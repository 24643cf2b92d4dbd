// A form that is on its way is not sent a second time: on a slow line that would start two reviews, or invite twice. It
// can be sent again when its page is shown again, or where no answer came for so long that the reader has stopped it. One
// that answers with a file leaves its page where it is, and may be sent as often as one likes.
const LONG = 10000;

const free = (form) => {
    clearTimeout(form.dataset.sent);
    delete form.dataset.sent;
};

export default () => {
    document.addEventListener('submit', (event) => {
        const form = event.target;
        if (event.defaultPrevented || 'givesFile' in form.dataset) return;
        // a field of the form may be called “method”
        if (form.getAttribute('method')?.toLowerCase() !== 'post') return;
        if (form.dataset.sent) {
            event.preventDefault();
            return;
        }
        form.dataset.sent = setTimeout(() => free(form), LONG);
    });
    window.addEventListener('pageshow', () => document.querySelectorAll('form[data-sent]').forEach(free));
};
