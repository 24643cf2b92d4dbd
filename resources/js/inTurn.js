// What is given in quick succession is done one after the other: each rests on what the one before came to.
export const inTurn = () => {
    let last = Promise.resolve();
    return (work) => {
        const done = last.then(work);
        last = done.catch(() => {});
        return done;
    };
};
