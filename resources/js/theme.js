// Light or dark: as the system has it, until somebody chooses.
export default () => ({
    init() {
        const kept = localStorage.getItem('heron-theme');
        if (kept) document.documentElement.dataset.theme = kept;
    },
    change() {
        const dark = document.documentElement.dataset.theme
            ? document.documentElement.dataset.theme === 'dark'
            : window.matchMedia('(prefers-color-scheme: dark)').matches;
        document.documentElement.dataset.theme = dark ? 'light' : 'dark';
        localStorage.setItem('heron-theme', dark ? 'light' : 'dark');
    },
});
