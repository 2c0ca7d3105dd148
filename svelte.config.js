import adapter from './scripts/adapter.mjs';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  compilerOptions: { runes: true },
  kit: {
    adapter: adapter({ precompress: true }),
    alias: { $core: 'src/lib/core' },
    typescript: {
      config: (config) => ({
        ...config,
        include: [...config.include, '../bench/**/*.ts', '../playwright.config.ts']
      })
    },
    csp: {
      mode: 'hash',
      directives: {
        'default-src': ['self'],
        'script-src': ['self'],
        'style-src': ['self', 'unsafe-inline'],
        'img-src': ['self', 'data:', 'blob:'],
        'font-src': ['self'],
        'connect-src': ['self'],
        'worker-src': ['self'],
        'object-src': ['none'],
        'base-uri': ['self'],
        'form-action': ['self'],
        'frame-ancestors': ['none']
      }
    },
    // Form posts are refused by the routes themselves, with a reason: they take JSON only.
    csrf: { trustedOrigins: ['*'] },
    // Every page is drawn from one shell, so its scripts are named from the root.
    paths: { relative: false, base: process.env.BASE_PATH ?? '' }
  }
};
