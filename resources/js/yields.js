// What a term's yields come to, in one word. Said only where everything it rests on has been counted: a number that is missing
// is not nothing.
const isCounted = (value) => typeof value === 'number';

// pairs: what the term finds and what only it finds, in each database that can say it; wholes: what the concept finds there
export function judged(pairs, wholes, terms) {
    const says = (word, warns = false) => ({ says: word, saysClass: warns ? 'says-warn' : '' });
    if (pairs.length === 0 || !pairs.every(([own]) => isCounted(own))) return says('');
    if (pairs.every(([own]) => own === 0)) return says('finds nothing', true);
    if (terms < 2 || !pairs.every(([, only]) => isCounted(only))) return says('');
    if (pairs.every(([, only]) => only === 0)) return says('adds nothing', true);
    if (terms < 3 || !wholes.every(isCounted)) return says('');
    const sum = (numbers) => numbers.reduce((all, one) => all + one, 0);
    const whole = sum(wholes);
    if (sum(pairs.map(([, only]) => only)) > 0.6 * whole) return says('floods', true);
    return says(sum(pairs.map(([own]) => own)) > 0.5 * whole ? 'carries' : '');
}
