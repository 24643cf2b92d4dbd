// Which controls cannot be pressed where they are seen: not on the screen, or something else lies on their middle.
// Menus are opened one by one; all else that can be unfolded is unfolded first.
const CONTROLS = 'a[href], button, input:not([type=hidden]), select, textarea, summary';

const called = (control) => `${control.tagName.toLowerCase()} “${(control.innerText || control.ariaLabel || control.name || '').trim().slice(0, 40)}”`;

const isItself = (control, there) =>
    there !== null && (control.contains(there) || there.closest('label')?.control === control || [...(control.labels ?? [])].some((label) => label.contains(there)));

function wrong(control) {
    control.scrollIntoView({ block: 'center', inline: 'center', behavior: 'instant' });
    const box = control.getClientRects()[0];
    const [x, y] = [box.left + box.width / 2, box.top + box.height / 2];
    if (x < 0 || y < 0 || x >= innerWidth || y >= innerHeight) return `${called(control)} is off the screen at ${Math.round(x)}, ${Math.round(y)}`;
    const there = document.elementFromPoint(x, y);
    return isItself(control, there) ? null : `${called(control)} is covered by ${there?.tagName} ${there?.className}`;
}

const shown = (control) => control.checkVisibility({ visibilityProperty: true, opacityProperty: true }) && !control.closest('.skip, .visually-hidden') && control.getClientRects().length > 0;

const within = (root) => [...root.querySelectorAll(CONTROLS)].filter(shown).map(wrong).filter(Boolean);

export function covered() {
    document.querySelectorAll('details:not(.menu)').forEach((one) => (one.open = true));
    const found = within(document.body);
    for (const menu of [...document.querySelectorAll('details.menu')].filter((one) => shown(one.querySelector('summary')))) {
        const others = menu.querySelector('summary');
        others.scrollIntoView({ block: 'center', behavior: 'instant' });
        menu.open = true;
        menu.dispatchEvent(new Event('toggle'));
        found.push(...within(menu.querySelector('.menu-sheet')).map((what) => `in the menu “${others.innerText || others.ariaLabel}”: ${what}`));
        menu.open = false;
    }
    window.scrollTo(0, 0);
    return found;
}
