// The node adapter, made safe by default: on this machine only, with time-outs and headers, and the solver beside it.
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import adapter from '@sveltejs/adapter-node';
import { root } from './setup.mjs';

/** Sent with everything, pages and files alike. */
const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
  'Permissions-Policy': 'camera=(self), geolocation=(), microphone=(), payment=(), usb=()',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin'
};

/** Where the build goes; another place where one is made beside another. */
const OUT = process.env.BUILD_DIR ?? 'build';

/** Milliseconds: a connection that says nothing, or half of something, is not kept. */
const TIMES = { timeout: 60_000, requestTimeout: 30_000, headersTimeout: 10_000, keepAliveTimeout: 8_000 };

/** So many bytes of a refused body are dropped; of a longer one the connection is closed. */
const MOST_DROPPED = 64_000_000;

function replaceOnce(text, from, to) {
  if (text.split(from).length !== 2) throw new Error(`The adapter's server no longer holds “${from}”.`);
  return text.replace(from, () => to);
}

async function buildWorker() {
  const { build } = await import('vite');
  await build({
    configFile: false,
    root,
    logLevel: 'error',
    resolve: { alias: { $core: path.join(root, 'src/lib/core') } },
    build: {
      ssr: path.join(root, 'src/lib/compute/scale.worker.ts'),
      outDir: path.join(root, OUT, 'worker'),
      emptyOutDir: true
    },
    ssr: { noExternal: true }
  });
}

export default function safeAdapter(options) {
  const node = adapter({ ...options, out: OUT });
  return {
    ...node,
    async adapt(builder) {
      await node.adapt(builder);
      const file = path.join(root, OUT, 'index.js');
      let text = readFileSync(file, 'utf8');
      text = replaceOnce(text, "env('HOST', '0.0.0.0')", "env('HOST', '127.0.0.1')");
      text = replaceOnce(
        text,
        'const httpServer = http.createServer();',
        `const httpServer = http.createServer({ connectionsCheckingInterval: 5000 });
Object.assign(httpServer, ${JSON.stringify(TIMES)});
httpServer.on('request', (req, res) => {
	for (const [name, value] of Object.entries(${JSON.stringify(HEADERS)})) res.setHeader(name, value);
	// A body that was refused unread is read and dropped, so that the connection's next request is heard at once.
	res.on('finish', () => {
		if (req.complete) return;
		let left = ${MOST_DROPPED};
		req.removeAllListeners('data');
		req.on('data', (chunk) => (left -= chunk.length) < 0 && req.destroy());
		req.resume();
	});
});`
      );
      writeFileSync(file, text);
      await buildWorker();
    }
  };
}
