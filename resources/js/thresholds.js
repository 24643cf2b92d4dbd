// The two thresholds over the histogram of pairs: moving one shows at once what it would do, and changes nothing.
const lowest = -2;

// as PairEvidence::percent has it
export const likely = (bits) => {
    const percent = 100 / (1 + 2 ** -bits);
    if (percent > 99.9) return 'above 99.9 %';
    if (percent < 0.1) return 'below 0.1 %';
    return `${percent.toFixed(percent > 99 || percent < 1 ? 1 : 0)} %`;
};

export default () => ({
    ask: 0,
    certain: 0,
    askChance: '',
    certainChance: '',
    alone: '',
    people: '',
    apart: '',
    wrong: '',
    init() {
        this.bins = JSON.parse(this.$root.dataset.bins);
        this.wrongs = JSON.parse(this.$root.dataset.wrong);
        this.moved();
    },
    moved() {
        const certain = this.$refs.certain;
        const ask = this.$refs.ask;
        // the one that was not touched gives way
        if (Number(ask.value) > Number(certain.value)) {
            if (document.activeElement === ask) certain.value = ask.value;
            else ask.value = certain.value;
        }
        this.certain = Number(certain.value);
        this.ask = Number(ask.value);
        this.askChance = likely(this.ask);
        this.certainChance = likely(this.certain);
        this.count();
        this.paint();
    },
    fate(nature, bits) {
        if (nature === 'apart' || bits < this.ask) return 'left';
        return nature === 'certain' && bits >= this.certain ? 'alone' : 'people';
    },
    count() {
        const counts = { alone: 0, people: 0, left: 0 };
        let wrong = 0;
        for (const [bits, bin] of Object.entries(this.bins)) {
            for (const nature of ['certain', 'ask', 'apart']) counts[this.fate(nature, Number(bits))] += bin[nature];
            if (Number(bits) >= this.certain) wrong += this.wrongs[bits];
        }
        this.alone = counts.alone.toLocaleString('en-GB');
        this.people = counts.people.toLocaleString('en-GB');
        this.apart = counts.left.toLocaleString('en-GB');
        this.wrong = wrong.toFixed(2);
    },
    paint() {
        const step = 860 / Object.keys(this.bins).length;
        for (const bar of this.$root.querySelectorAll('rect[data-bits]')) {
            bar.setAttribute('class', `bar-${this.fate(bar.dataset.nature, Number(bar.dataset.bits))}`);
        }
        for (const [line, at] of [
            [this.$refs.askLine, this.ask],
            [this.$refs.certainLine, this.certain],
        ]) {
            const x = 10 + (at - lowest) * step - 1;
            line.setAttribute('x1', x);
            line.setAttribute('x2', x);
        }
    },
});
