// Starts the built server on the loopback interface unless HOST says otherwise.
import { pathToFileURL } from 'node:url';
import path from 'node:path';
import { root } from './setup.mjs';

process.env.HOST ??= '127.0.0.1';
process.env.PORT ??= '4173';
// The routes refuse bodies over 1 MB themselves, with a reason; this only stops floods.
process.env.BODY_SIZE_LIMIT ??= '64M';

await import(pathToFileURL(path.join(root, process.env.BUILD_DIR ?? 'build', 'index.js')).href);
