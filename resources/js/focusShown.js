// What is opened is drawn with one of the next frames, and takes no focus before.
const FRAMES = 60;

const isDrawn = (field) => field.getClientRects().length > 0;

/** The focus goes to what `find` gives as soon as it is drawn; `then` is done with it. */
export function focusShown(find, then = () => {}, frames = FRAMES) {
    requestAnimationFrame(() => {
        const field = find();
        if (field && isDrawn(field)) {
            field.focus();
            then(field);
        } else if (frames > 0) {
            focusShown(find, then, frames - 1);
        }
    });
}
