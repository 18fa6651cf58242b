/** What comes before the router: it reads the address as this leaves it. */
import { readBeyond } from './features/later';
import { startEarly } from './model/worker';
import { resume } from './store/resume';

resume();
// Read and started while the rest begins: the list of jobs is not what is wanted first.
if (window.location.pathname !== '/') {
  startEarly();
  // Read once more when it is wanted, should it not come now.
  readBeyond().catch(() => undefined);
}
