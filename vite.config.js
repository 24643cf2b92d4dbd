import { cpSync } from 'node:fs';
import tailwindcss from '@tailwindcss/vite';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

// what the PDF viewer asks for by address: fonts that files leave out, character maps, and decoders of old picture formats
const pdfParts = {
    name: 'pdf-parts',
    apply: 'build',
    closeBundle: () => ['cmaps', 'standard_fonts', 'wasm'].forEach((part) => cpSync(`node_modules/pdfjs-dist/${part}`, `public/build/pdf/${part}`, { recursive: true })),
};

export default defineConfig({
    plugins: [laravel({ input: ['resources/css/app.css', 'resources/js/app.js'], refresh: false }), tailwindcss(), pdfParts],
});
