/** Before tests that start the real server: bundles it as it stands. */
export { ensureServer as default } from './lib.mjs';
