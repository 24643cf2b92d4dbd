import Alpine from '@alpinejs/csp';
import answer from './answer';
import deliveryForm from './deliveryForm';
import keys from './keys';
import palette from './palette';
import queryEditor from './queryEditor';
import readingDesk from './readingDesk';
import tasks from './tasks';
import theme from './theme';

for (const [name, component] of Object.entries({ answer, deliveryForm, keys, palette, queryEditor, readingDesk, tasks, theme })) {
    Alpine.data(name, component);
}
Alpine.start();
