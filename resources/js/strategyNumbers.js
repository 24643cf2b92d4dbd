import { ask } from './server.js';

// Asks for the numbers of a strategy until all are there; a newer question ends an older one.
export function newNumbers(url, show) {
    let asked = 0;
    const poll = async () => {
        const number = ++asked;
        let tries = 0;
        while (number === asked) {
            try {
                const answer = await ask('POST', url, {});
                if (number !== asked) return;
                show(answer);
                if (answer.done || Object.keys(answer.failures ?? {}).length > 0) return;
            } catch (failure) {
                if (!failure.mayPass || ++tries > 5) {
                    show({ numbers: {}, failures: { all: failure.message }, done: true });
                    return;
                }
            }
            await new Promise((resolve) => setTimeout(resolve, 250 * (tries + 1)));
        }
    };
    return { ask: poll };
}
