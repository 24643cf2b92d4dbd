// What was typed into a form that was refused stands in it again: a page has many forms, and most show only what is kept.
const BESIDE = ['_token', '_method', 'shown'];
const TYPES = ['hidden', 'password', 'file', 'submit', 'button'];

// of "reasons[bias][why]" and "to[]"
const valueOf = (values, name) =>
    name
        .replace(/\[\]$/, '')
        .split(/[[\]]+/)
        .filter((part) => part !== '')
        .reduce((at, part) => at?.[part], values);

const isOf = (form, { at, values }) =>
    new URL(form.action, location.href).pathname === at &&
    (form.elements._method?.value ?? '').toLowerCase() === (values._method ?? '').toLowerCase() &&
    Object.keys(values).every(
        (name) => BESIDE.includes(name) || [...form.elements].some((field) => field.name.split('[')[0] === name),
    );

function put(field, given) {
    if (field.type === 'checkbox' || field.type === 'radio') field.checked = [given ?? []].flat().map(String).includes(field.value);
    else if (field.type === 'select-multiple')
        [...field.options].forEach((option) => (option.selected = [given ?? []].flat().map(String).includes(option.value)));
    else if (typeof given === 'string' || typeof given === 'number') field.value = given;
    else return;
    field.dispatchEvent(new Event(field.tagName === 'SELECT' ? 'change' : 'input', { bubbles: true }));
}

export default () => {
    const typed = document.getElementById('typed-again');
    if (!typed) return;
    const again = JSON.parse(typed.textContent);
    const form = [...document.forms].find((one) => isOf(one, again));
    if (!form) return;
    [...form.elements]
        .filter((field) => field.name !== '' && !TYPES.includes(field.type))
        .forEach((field) => put(field, valueOf(again.values, field.name)));
    for (let at = form.closest('details'); at; at = at.parentElement.closest('details')) at.open = true;
};
