/** What comes before the router: it reads the address as this leaves it. */
import { readBeyond } from './features/later';
import { startEarly } from './model/worker';
import { pageStore } from './store/early';
import { resume } from './store/resume';
import { readFonts } from './theme/fonts';

const store = pageStore();
resume(store);
readFonts();
// Read and started while the rest begins: the list of jobs is not what is wanted first.
if (window.location.pathname !== '/') {
  startEarly();
  const id = /^\/job\/([^/]+)/.exec(window.location.pathname)?.[1];
  readBeyond(store)
    .then(({ openEarly }) => id !== undefined && openEarly(store, decodeURIComponent(id)))
    // Read once more when it is wanted, should it not come now.
    .catch(() => undefined);
}
