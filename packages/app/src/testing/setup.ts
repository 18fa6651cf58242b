/** Every test file has a browser's database, and an empty one. */
import 'fake-indexeddb/auto';
