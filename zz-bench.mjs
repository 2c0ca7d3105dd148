import path from 'node:path'; import { pathToFileURL } from 'node:url'; import { build } from 'vite';
const [entry, tag] = process.argv.slice(2); const outDir = path.resolve('.tmp/zz-' + tag);
await build({ configFile: false, root: process.cwd(), logLevel: 'error', build: { ssr: path.resolve('bench', entry), outDir, emptyOutDir: true, rollupOptions: { output: { entryFileNames: 'x.js' } } } });
await import(pathToFileURL(path.join(outDir, 'x.js')).href);
