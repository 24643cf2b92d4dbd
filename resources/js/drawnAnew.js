// A page that is loaded again takes back what was just pressed (a download on its way) and what is being typed.
const ON_ITS_WAY = 4000;
const LOOK_AGAIN = 1000;

let pressed = -Infinity;
document.addEventListener(
    'click',
    (event) => {
        if (event.target.closest?.('a[href], button')) pressed = performance.now();
    },
    true,
);

function isTyping() {
    const field = document.activeElement;
    return field?.matches('input, textarea') && field.value !== field.defaultValue;
}

let waiting = null;

/** Loads the page again as soon as nobody is in the midst of something. */
export function drawAnew() {
    clearTimeout(waiting);
    if (isTyping() || performance.now() - pressed < ON_ITS_WAY) waiting = setTimeout(drawAnew, LOOK_AGAIN);
    else window.location.reload();
}
