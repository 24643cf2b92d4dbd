import Alpine from '@alpinejs/csp';
import codingDesk from './codingDesk.js';
import codingTable from './codingTable.js';
import composer from './composer.js';
import copying from './copying.js';
import deliveryForm from './deliveryForm.js';
import dialectFile from './dialectFile.js';
import findingActions from './findingActions.js';
import frames from './frames.js';
import keyPicture from './keyPicture.js';
import keyed from './keyed.js';
import keys from './keys.js';
import later from './later.js';
import menus from './menus.js';
import once from './once.js';
import pairing from './pairing.js';
import palette from './palette.js';
import picking from './picking.js';
import readingDesk from './readingDesk.js';
import retyped from './retyped.js';
import signingOut from './signingOut.js';
import strategyBoard from './strategyBoard.js';
import strategyLines from './strategyLines.js';
import suggest from './suggest.js';
import tasks from './tasks.js';
import termForm from './termForm.js';
import textsSought from './textsSought.js';
import theme from './theme.js';
import thesaurus from './thesaurus.js';
import thresholds from './thresholds.js';

for (const [name, component] of Object.entries({
    codingDesk,
    codingTable,
    composer,
    copying,
    deliveryForm,
    dialectFile,
    findingActions,
    frames,
    keyed,
    keys,
    later,
    pairing,
    palette,
    picking,
    readingDesk,
    strategyBoard,
    strategyLines,
    suggest,
    tasks,
    termForm,
    textsSought,
    theme,
    thesaurus,
    thresholds,
})) {
    Alpine.data(name, component);
}
Alpine.start();
menus();
once();
retyped();
signingOut();
keyPicture();
