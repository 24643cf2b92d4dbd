// Whether a change that met another person's still means what it meant, so that it can be sent again by itself.
const ofBlock = (sheet, id) => sheet.blocks.find((block) => block.id === id);
const ofLine = (sheet, id) =>
    sheet.blocks.flatMap((block) => block.terms).find((term) => term.id === id) ??
    sheet.limits.find((limit) => limit.id === id);
const same = (one, other) => one !== undefined && JSON.stringify(one) === JSON.stringify(other);

// what a concept is, without what stands in it
const named = (block) => block && [block.name, block.combined];

export const stillMeans = (change, values, before, after) => {
    switch (change) {
        case 'add-block':
        case 'fill':
        case 'add-limit':
            return true;
        case 'add-terms':
            return same(named(ofBlock(before, values.block)), named(ofBlock(after, values.block)));
        case 'rename-block':
        case 'combine-block':
        case 'remove-block':
            return same(ofBlock(before, values.block), ofBlock(after, values.block));
        case 'remove-term':
        case 'remove-limit':
        case 'set-line':
        case 'set-note':
            return same(ofLine(before, values.line), ofLine(after, values.line));
        default:
            return false; // places and steps back are counted from what was on the screen
    }
};
