import Alpine from '@alpinejs/csp';
import codingDesk from './codingDesk';
import codingTable from './codingTable';
import composer from './composer';
import copying from './copying';
import deliveryForm from './deliveryForm';
import dialectFile from './dialectFile';
import findingActions from './findingActions';
import frames from './frames';
import keyPicture from './keyPicture';
import keyed from './keyed';
import keys from './keys';
import later from './later';
import menus from './menus';
import once from './once';
import pairing from './pairing';
import palette from './palette';
import picking from './picking';
import readingDesk from './readingDesk';
import strategyBoard from './strategyBoard';
import strategyLines from './strategyLines';
import suggest from './suggest';
import tasks from './tasks';
import termForm from './termForm';
import textsSought from './textsSought';
import theme from './theme';
import thesaurus from './thesaurus';
import thresholds from './thresholds';

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
keyPicture();
