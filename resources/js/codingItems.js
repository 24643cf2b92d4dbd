// The items of the codebook as the Coding Desk lists them: pure, so that they are tried without a page.

const SAID = 40;

// what is given to an item, as it is sent
export const given = (answer) => ({
    kind: answer.kind,
    value: answer.value,
    note: answer.note,
    from_whole: answer.fromWhole,
    evidence: answer.evidence,
});

export const says = (answer) => answer.kind !== 'value' || (answer.value !== null && answer.value !== '' && String(answer.value) !== '');

// in short, beside the item
export function inShort(answer) {
    const words = answer.kind === 'value' ? [answer.value ?? ''].flat().map((one) => String(one).split(' › ').at(-1)).join('; ')
        : answer.kind.replace('-', ' ');
    return words.length > SAID ? `${words.slice(0, SAID - 1)}…` : words;
}

const camel = (name) => name.replace(/-(\w)/g, (_, letter) => letter.toUpperCase());

export function sectionsOf(items, pass, current) {
    const sections = [];
    for (const item of items.filter((one) => one.pass === pass)) {
        const part = item.part ?? '';
        const last = sections.at(-1);
        if (!last || last.section !== item.section || last.part !== part) {
            const name = last?.section === item.section ? '' : item.section;
            sections.push({ key: `${sections.length} ${item.section} ${part}`, section: item.section, name, part, items: [] });
        }
        sections.at(-1).items.push({
            id: item.id,
            label: item.label,
            said: inShort(item.answer),
            is: { open: false, lead: false, begun: false, answered: false, notAsked: false, [camel(item.standing)]: true },
            current: item.id === current ? 'true' : 'false',
        });
    }
    return sections;
}

export function progressOf(items, pass) {
    const asked = items.filter((one) => one.pass === pass && one.standing !== 'not-asked');
    return `${asked.filter((one) => says(one.answer)).length} of ${asked.length}`;
}

// the next one without an answer after an item, from the beginning again after the last; itself where there is none
export function nextOpen(items, current) {
    const at = items.findIndex((one) => one.id === current);
    const round = [...items.slice(at + 1), ...items.slice(0, at)];
    return (round.find((one) => one.standing !== 'not-asked' && !says(one.answer)) ?? items[at])?.id ?? '';
}

export function beside(items, current, step) {
    const at = items.findIndex((one) => one.id === current) + step;
    return items[Math.min(items.length - 1, Math.max(0, at))]?.id ?? '';
}

// a value after an option was pressed
export function chosen(item, option) {
    if (item.type !== 'choices') return item.answer.value === option ? null : option;
    const now = [item.answer.value ?? []].flat();
    const next = now.includes(option) ? now.filter((one) => one !== option) : [...now, option];
    return next.length ? item.options.map((one) => one.value).filter((one) => next.includes(one)) : null;
}
