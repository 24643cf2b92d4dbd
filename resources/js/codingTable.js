import { inShort, says } from './codingItems.js';
import { focusShown } from './focusShown.js';
import { ask, data } from './server.js';

// The studies against the codebook: one cell has the focus, what it rests on stands below, and it is changed there.

const PAUSE = 120;

const shownEvidence = (pieces) => pieces.map((one, i) => ({ key: i, quote: `“${one.quote}”`, where: one.where }));

function shown(at, url, { item, answer, lead }) {
    const isAnswered = says(answer);
    const from = isAnswered ? answer.evidence : [lead?.evidence ?? []].flat();
    return {
        study: at,
        url: `${url}#item-${item.id}`,
        label: item.part ? `${item.label}, ${item.part}` : item.label,
        says: isAnswered ? answer.shown : lead ? `Lead: ${lead.shown}` : 'No answer yet.',
        sure: isAnswered ? '' : lead?.confidence ?? '',
        evidence: shownEvidence(from),
        about: isAnswered ? [answer.by, answer.note].filter(Boolean).join(' · ') : lead?.reason ?? '',
    };
}

const partsOf = (slots, at) =>
    slots.map(({ item, answer }, key) => ({
        key,
        name: item.part || 'the study as a whole',
        says: says(answer) ? answer.shown : '–',
        current: key === at ? 'true' : 'false',
    }));

export default () => ({
    cell: null,
    loaded: null,
    isEdited: false,
    isWanted: false,
    isSaving: false,
    problem: '',
    slots: [],
    slotAt: 0,
    columns: { codes: [], url: '', mayEdit: false },
    get isNowhere() {
        return this.cell === null;
    },
    get isRead() {
        return !this.isEdited;
    },
    get mayChange() {
        return this.columns.mayEdit && !this.isEdited;
    },
    // of the item at hand: of the study, or of one of its parts
    get full() {
        return this.slots[this.slotAt] ?? null;
    },
    get parts() {
        return this.slots.length < 2 ? [] : partsOf(this.slots, this.slotAt);
    },
    get hasParts() {
        return this.parts.length > 0;
    },
    get item() {
        return this.full?.item ?? null;
    },
    get isChoice() {
        return (this.item?.options ?? []).length > 0;
    },
    get isSeveral() {
        return this.item?.type === 'choices';
    },
    get choiceSize() {
        return this.isSeveral ? Math.min(5, this.item.options.length) : 1;
    },
    get isTyped() {
        return !this.isChoice;
    },
    get typedAs() {
        return this.item?.type === 'date' ? 'date' : 'text';
    },
    get typedMode() {
        return this.item?.type === 'number' ? 'decimal' : 'text';
    },
    get choices() {
        const now = [this.full?.answer.value ?? []].flat();
        const none = this.isSeveral ? [] : [{ value: '', label: 'no answer', chosen: now.length === 0 }];
        return [...none, ...(this.item?.options ?? []).map((one) => ({ value: one.value, label: one.value, chosen: now.includes(one.value) }))];
    },
    init() {
        if (document.getElementById('coding-columns')) this.columns = data('coding-columns');
        const first = this.$root.querySelector('td[data-at]');
        if (first) first.tabIndex = 0;
        const item = this.$root.querySelector('.table-narrow select[name="item"]');
        if (item) this.narrowBy({ target: item });
    },
    // the options of the item are offered as words to narrow by
    narrowBy(event) {
        const options = JSON.parse(event.target.selectedOptions[0]?.dataset.options ?? '[]');
        this.$root.querySelector('#table-says').replaceChildren(
            ...options.map((one) => {
                const option = document.createElement('option');
                option.value = one;
                return option;
            }),
        );
    },
    enter(event) {
        const td = event.target.closest('td[data-at]');
        if (!td || td === this.td) return;
        if (this.td) this.td.tabIndex = -1;
        td.tabIndex = 0;
        this.td = td;
        this.isEdited = false;
        this.isWanted = false;
        this.loaded = null;
        this.problem = '';
        clearTimeout(this.waits);
        this.waits = setTimeout(() => this.load(td), PAUSE);
    },
    address(td) {
        return `${this.columns.url}/${td.closest('tr').dataset.study}/${this.columns.codes[Number(td.dataset.at)]}`;
    },
    async load(td) {
        try {
            const { slots } = await ask('GET', this.address(td));
            if (td !== this.td) return; // the reader is elsewhere by now
            this.slots = slots;
            this.loaded = td;
            this.goToPart(0);
            if (this.isWanted) this.edit();
        } catch (failure) {
            this.problem = failure.message;
        }
    },
    goToPart(at) {
        this.slotAt = at;
        this.isEdited = false;
        const study = this.td.closest('tr').querySelector('.title-link');
        this.cell = this.full && shown(study.textContent, study.getAttribute('href'), this.full);
    },
    clicked(event) {
        event.target.closest('td[data-at]')?.focus();
    },
    pressed(event) {
        const td = event.target.closest('td[data-at]');
        if (!td || event.ctrlKey || event.metaKey || event.altKey) return;
        const row = td.closest('tr');
        const to = {
            ArrowLeft: () => td.previousElementSibling,
            ArrowRight: () => td.nextElementSibling,
            ArrowUp: () => row.previousElementSibling?.cells[td.cellIndex],
            ArrowDown: () => row.nextElementSibling?.cells[td.cellIndex],
            Home: () => row.querySelector('td[data-at]'),
            End: () => row.lastElementChild,
        }[event.key];
        if (to) {
            event.preventDefault();
            const next = to();
            if (next?.matches('td[data-at]')) next.focus();
        } else if (event.key === 'Enter') {
            event.preventDefault();
            this.edit();
        }
    },
    edit() {
        // what is beside the table may still be of the cell before; nobody changes that by mistake
        this.isWanted = this.loaded !== this.td;
        if (this.isWanted) return;
        if (!this.columns.mayEdit || !this.cell) {
            if (this.cell) window.location.assign(this.cell.url);
            return;
        }
        this.isEdited = true;
        const value = this.full.answer.value;
        this.$nextTick(() => {
            const field = this.isChoice ? this.$refs.choice : this.$refs.text;
            if (!this.isChoice) field.value = value ?? '';
            focusShown(() => field, () => field.select?.());
        });
    },
    leave() {
        this.isEdited = false;
        this.td?.focus();
    },
    // what is chosen or typed; writing it back leaves it there while what stands around it changes
    get given() {
        const chosen = this.isChoice ? [...this.$refs.choice.selectedOptions].map((one) => one.value) : [];
        return this.isSeveral ? chosen : this.isChoice ? chosen[0] ?? '' : this.$refs.text.value;
    },
    async save() {
        if (this.isSaving) return; // a second press on a slow line would meet the first
        const { td, slots, slotAt, given } = this;
        const { item, answer } = this.full;
        this.isSaving = true;
        this.problem = '';
        try {
            const saved = await ask('PUT', item.url, {
                kind: 'value',
                value: given,
                note: answer.note,
                from_whole: answer.fromWhole,
                evidence: answer.evidence,
                seen: answer.id,
            });
            this.saved(td, slots.map((one, i) => (i === slotAt ? { ...one, answer: saved } : one)), slotAt);
        } catch (failure) {
            await this.refused(td, slotAt, item, given, failure);
        } finally {
            this.isSaving = false;
        }
    },
    // the reader may be at another cell, or at another part of this one, by then
    saved(td, slots, slotAt) {
        this.write(td, slots, slotAt);
        if (this.loaded !== td) return;
        this.slots = slots;
        if (slotAt !== this.slotAt) return;
        this.goToPart(slotAt);
        this.leave();
    },
    // what was given stays in the field, beside what stands now
    async refused(td, slotAt, item, given, failure) {
        const where = this.loaded === td && slotAt === this.slotAt ? '' : `${item.label}: `;
        if (failure.status !== 409) {
            this.problem = `${where}${failure.message}`;
            return;
        }
        const now = await ask('GET', this.address(td)).catch(() => null);
        if (this.loaded !== td || slotAt !== this.slotAt || !now) {
            this.problem = `${where}${failure.message} Yours was not saved.`;
            return;
        }
        this.slots = now.slots;
        this.goToPart(slotAt);
        if (!this.cell) {
            this.problem = failure.message;
            return;
        }
        this.isEdited = true;
        const stands = says(this.full.answer) ? `It is “${this.full.answer.shown}”. ` : '';
        this.problem = `${failure.message} ${stands}Save again to put yours in its place.`;
        this.$nextTick(() => this.giveBack(given));
    },
    giveBack(given) {
        const wanted = [given].flat();
        if (this.isChoice) [...this.$refs.choice.options].forEach((one) => (one.selected = wanted.includes(one.value)));
        else this.$refs.text.value = given;
    },
    write(td, slots, slotAt) {
        if (slots.length > 1) {
            const said = partsOf(slots, slotAt).filter((one) => one.says !== '–').map((one) => `${one.name}: ${one.says}`);
            td.textContent = said.join(' · ') || '–';
            return;
        }
        const { answer } = slots[slotAt];
        const isBare = says(answer) && answer.evidence.length === 0 && !answer.fromWhole;
        td.textContent = says(answer) ? answer.shown || inShort(answer) : '–';
        td.classList.remove('cell-answer', 'cell-open', 'cell-lead', 'cell-not-asked');
        td.classList.add(says(answer) ? 'cell-answer' : 'cell-open');
        if (!isBare) return;
        const mark = document.createElement('span');
        mark.className = 'cell-mark';
        mark.textContent = 'no evidence';
        td.append(' ', mark);
    },
});
