/** The pages and routes there are, by the first part of their address. */
const PLACES = 'batches|plan|harvest|cellar|bench|almanac|settings|walk|shared|api';

/**
 * For a server that stands under a path of another (`BASE_PATH=/wine`): every address of ours that the code names as
 * text begins with it. Without one nothing is touched.
 * @param {string} base empty, or such as `/wine`
 */
export function underPath(base) {
  if (base !== '' && !/^(\/[\w.-]+)+$/.test(base))
    throw new Error(`BASE_PATH is “${base}”: give a path such as /wine, with no slash at its end.`);
  const ours = new RegExp(`(["'\`])/(?=(?:${PLACES})(?:["'\`/?#]|\\$\\{))`, 'g');
  const home = /(href=")\/(?=")/g;
  return {
    name: 'under-path',
    enforce: /** @type {const} */ ('pre'),
    transform(/** @type {string} */ code, /** @type {string} */ id) {
      if (base === '' || !/\/src\/.*\.(svelte|ts)$/.test(id.split('?')[0])) return null;
      return code.replace(ours, `$1${base}/`).replace(home, `$1${base}/`);
    }
  };
}
