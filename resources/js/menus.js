// Menus are details elements: one is open at a time, its sheet lies wholly on the screen, and Escape or a press elsewhere shuts it.
const MARGIN = 8;

// where the sheet's left edge goes, from the menu's own: beneath it, moved as far as it takes to be seen
export function shift(menuLeft, sheetWidth, screenWidth) {
    const latest = screenWidth - MARGIN - sheetWidth;
    return Math.max(MARGIN, Math.min(menuLeft, latest)) - menuLeft;
}

const open = () => document.querySelectorAll('details.menu[open]');

function place(menu) {
    const sheet = menu.querySelector(':scope > .menu-sheet');
    sheet.style.left = '0px';
    sheet.style.left = `${shift(menu.getBoundingClientRect().left, sheet.getBoundingClientRect().width, document.documentElement.clientWidth)}px`;
    // a sheet beneath the edge of the window is brought into sight
    if (sheet.getBoundingClientRect().bottom > window.innerHeight) sheet.scrollIntoView({ block: 'nearest' });
}

const shutOthers = (kept) => open().forEach((menu) => menu !== kept && menu.removeAttribute('open'));

export default function menus() {
    document.addEventListener(
        'toggle',
        ({ target: menu }) => {
            if (!menu.matches?.('details.menu') || !menu.open) return;
            shutOthers(menu);
            place(menu);
        },
        true,
    );
    document.addEventListener('click', (event) => shutOthers(event.target.closest('details.menu')));
    // what is chosen in a list of plain buttons is done, and the list goes
    document.addEventListener('click', (event) => {
        const button = event.target.closest('.menu-list button');
        if (button) button.closest('details.menu').removeAttribute('open');
    });
    document.addEventListener('keydown', (event) => {
        const menu = event.key === 'Escape' ? event.target.closest?.('details.menu[open]') : null;
        if (!menu) return;
        event.stopPropagation();
        menu.removeAttribute('open');
        menu.querySelector('summary').focus();
    });
    window.addEventListener('resize', () => open().forEach(place));
    open().forEach(place);
}
