// Results as the Coding Desk lists and sends them: pure, so that they are tried without a page.

const LETTERS = '0123456789abcdefghjkmnpqrstvwxyz';

// as the server names rows: by time, then by chance
export function rowName(now = Date.now(), chance = Math.random) {
    let time = '';
    for (let rest = now, i = 0; i < 10; i++, rest = Math.floor(rest / 32)) time = LETTERS[rest % 32] + time;
    return time + Array.from({ length: 16 }, () => LETTERS[Math.floor(chance() * 32)]).join('');
}

export function newRow(name, outcome, { comparisons, forms, rows }) {
    // groups, time and design are mostly those of the row before
    const before = rows.at(-1) ?? {};
    const isOfTwo = outcome.isOfTwo !== false;
    return {
        id: '',
        row: name || rowName(),
        outcome: outcome.id,
        comparison: isOfTwo ? before.comparison || (comparisons[0]?.id ?? '') : '',
        days: before.days ?? '',
        time: before.time ?? '',
        scale: outcome.scales?.[0] ?? '',
        own1: before.own1 ?? '',
        own2: before.own2 ?? '',
        form: forms.find((one) => one.kind === outcome.kind)?.id ?? '',
        design: before.design ?? 'parallel',
        given: {},
        evidence: {},
        note: '',
        by: '',
        steps: [],
        groups: ['', ''],
        effects: [],
        checks: [],
    };
}

export const body = (row) => ({
    outcome: row.outcome,
    comparison: row.comparison,
    days: row.days === '' ? null : row.days,
    time: row.time,
    scale: row.scale,
    own1: row.own1,
    own2: row.own2,
    form: row.form,
    design: row.design,
    given: row.given,
    evidence: row.evidence,
    note: row.note,
});

export function rowWords(row) {
    const time = row.time || (row.days === '' || row.days === null ? '' : `day ${row.days}`);
    return [row.own1, time, row.scale].filter(Boolean).join(', ') || 'result';
}

// the fields that form and design ask for, those of both groups side by side
export function fieldsOf(numbers, row) {
    if (!numbers || !row) return [];
    const fields = [
        ...(numbers.forms.find((one) => one.id === row.form)?.fields ?? []),
        ...(numbers.designs.find((one) => one.id === row.design)?.fields ?? []),
    ];
    const lines = [];
    for (const field of fields) {
        const beside = field.arm === 2 ? lines.find((line) => line.label === field.label && line.fields[0].arm === 1) : null;
        if (beside) beside.fields.push(field);
        else lines.push({ label: field.label, key: field.key, isBoth: field.arm === 0, isEach: field.arm !== 0, fields: [field] });
    }
    return lines;
}

// the next one that is still empty, from the beginning again after the last; none where all are given. A group is
// taken whole before the next one, as reports give them
export function nextField(fields, row, after) {
    if (!row) return '';
    const order = [...fields.filter((one) => one.arm === 1), ...fields.filter((one) => one.arm === 2), ...fields.filter((one) => one.arm === 0)];
    const at = order.findIndex((one) => one.key === after);
    const round = [...order.slice(at + 1), ...order.slice(0, at + 1)];
    return round.find((one) => one.needed && !(row.given[one.key] ?? ''))?.key ?? '';
}

// the number that selected words are, or hold as the only one; empty where they hold none or several
export function numberIn(words) {
    const numbers = words.replace(/[−–]/g, '-').match(/[<>≤]?\s?-?\d[\d,]*(?:[.·]\d+)?|[<>≤]?\s?-?[.·]\d+/g) ?? [];
    return numbers.length === 1 ? numbers[0].replace(/\s|,$/g, '').replace('·', '.') : '';
}

// what a table says, group by group, as a person would read it out
export function offerWords({ given, evidence }) {
    const group = (n) => {
        const { [`n${n}`]: people, ...others } = Object.fromEntries(Object.entries(given).filter(([key]) => key.endsWith(n)));
        const [main, ...spread] = Object.values(others);
        if (main === undefined) return '';
        const of = people === undefined ? '' : ` of ${people}`;
        return `${main}${spread.length ? ` (${spread.join(', ')})` : ''}${of}`;
    };
    const both = Object.entries(given).filter(([key]) => !/[12]$/.test(key)).map(([, value]) => value);
    const where = Object.values(evidence)[0]?.[0]?.where ?? '';
    const estimate = both.length ? `${both[0]}${both.length > 1 ? ` (${both.slice(1).join(' to ')})` : ''}` : '';
    return [[group('1'), group('2')].filter(Boolean).join(' against ') || estimate, where].filter(Boolean).join(', ');
}
