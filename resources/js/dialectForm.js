// A dialect's file by questions: the form reads and writes the JSON, which stays the file.

// what a part that is null becomes as soon as one of its values is given
const BLANK = {
    truncation: { sign: '', minimumStem: 3 },
    masking: { one: null, any: null, maybe: null },
    proximity: { form: '', furthest: 10, binds: 'as-boolean' },
    heading: { form: '', narrower: null, less: null, major: null, qualifier: null },
};
// without it the whole part says nothing
const BEARING = { truncation: 'sign', proximity: 'form', heading: 'form' };

export function valueAt(data, path) {
    const value = path.split('.').reduce((part, key) => part?.[key], data);
    if (path === 'quote') return Array.isArray(value) ? value.join('') : '""';
    return value ?? '';
}

export function withValue(data, path, typed) {
    const made = structuredClone(data);
    if (path === 'quote') {
        made.quote = typed === '""' ? null : [...typed];
        return made;
    }
    const [part, ...below] = path.split('.');
    if (below.length === 0) {
        made[part] = typed;
        return made;
    }
    const key = below.join('.');
    made[part] = made[part] ?? structuredClone(BLANK[part] ?? {});
    const isNumber = typeof made[part][key] === 'number';
    if (typed === '' && part === 'fields') delete made[part][key];
    else if (typed === '') made[part][key] = isNumber ? 1 : null;
    else made[part][key] = isNumber ? Math.max(1, Number.parseInt(typed, 10) || 1) : typed;
    if (BEARING[part] === key && typed === '') made[part] = null;
    if (part === 'masking' && Object.values(made.masking).every((sign) => sign === null)) made.masking = null;
    return made;
}

export function written(data) {
    return JSON.stringify(data, null, 4);
}
