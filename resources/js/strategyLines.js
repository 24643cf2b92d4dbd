import { focusShown } from './focusShown.js';
import strategyBoard from './strategyBoard.js';

// The same strategy as numbered lines, edited in the query language. What saves and counts is the board's.
export default () => {
    const board = strategyBoard();
    const own = {
        chosen: [],
        get lines() {
            const figure = (value, line) =>
                line.text.trim() === ''
                    ? ''
                    : value === undefined
                      ? line.problem
                          ? ''
                          : '…'
                      : value === null
                        ? '–'
                        : typeof value === 'number'
                          ? value.toLocaleString('en-GB')
                          : '!';
            return this.sheet.lines.map((line) => ({
                ...line,
                bad: line.problem ? 'true' : 'false',
                chosen: this.chosen.includes(line.id),
                chooseWords: `Choose line ${line.number}`,
                textWords: `Query of line ${line.number}`,
                noteWords: `Note on line ${line.number}`,
                menuWords: `Change line ${line.number}`,
                isFirst: line.number === 1,
                isLast: line.number === this.sheet.lines.length,
                cells: this.sheet.sources.map((source) => {
                    const value = this.of(source, line.id, 'own');
                    return {
                        key: source.key,
                        own: figure(value, line),
                        why:
                            typeof value === 'string' ? value : value === null ? 'cannot be said in this database' : '',
                    };
                }),
            }));
        },
        get isEmpty() {
            return this.sheet.lines.length === 0;
        },
        get fewChosen() {
            return this.chosen.length < 2;
        },
        choose(line) {
            this.chosen = line.chosen ? this.chosen.filter((id) => id !== line.id) : [...this.chosen, line.id];
        },
        async changed(line, event) {
            if (!(await this.send('set-line', { line: line.id, text: event.target.value }))) event.target.focus();
        },
        // with the text that stands when it is sent: that may be on its way itself
        noted(line, event) {
            this.send('set-note', { line: line.id, note: event.target.value });
        },
        async move(line, by) {
            if (by < 0 ? line.isFirst : line.isLast) return;
            await this.send('move-line', { line: line.id, to: line.number + by });
            focusShown(() => this.boardRoot.querySelector(`[data-line="${line.id}"]`));
        },
        duplicate(line) {
            this.send('duplicate-line', { line: line.id });
        },
        async addBelow(line) {
            await this.send('add-line', { to: line.number + 1, text: '' });
        },
        makeResult(line) {
            this.send('set-result', { line: line.id });
        },
        async remove(line) {
            if (await this.send('remove-line', { line: line.id }))
                this.chosen = this.chosen.filter((id) => id !== line.id);
        },
        async addLine() {
            const input = this.$refs.fresh;
            if (
                input.value.trim() !== '' &&
                (await this.send('add-line', { to: this.sheet.lines.length + 1, text: input.value }))
            )
                input.value = '';
        },
        async combine(how) {
            const fetched = this.sheet.lines.find((line) => line.isResult)?.number;
            if (!(await this.send('combine-lines', { lines: [...this.chosen], how }))) return;
            this.chosen = [];
            this.problem = `Line #${this.sheet.lines.length} is new. What is fetched is line #${fetched} as before; “Make it the result” in a line’s menu changes that.`;
        },
        lineKey(line, event) {
            if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
                event.preventDefault();
                this.move(line, event.key === 'ArrowUp' ? -1 : 1);
            }
        },
    };
    // getters have to stay getters
    return Object.defineProperties(board, Object.getOwnPropertyDescriptors(own));
};
