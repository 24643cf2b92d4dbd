import { defineConfig } from 'vite';

// what the server runs to read reports: one file that needs node and nothing beside it
export default defineConfig({
    publicDir: false,
    ssr: { noExternal: true },
    build: {
        ssr: 'resources/js/report/reader.js',
        outDir: 'var/build',
        emptyOutDir: true,
        minify: true,
        rollupOptions: { output: { entryFileNames: 'report-reader.mjs' } },
    },
});
