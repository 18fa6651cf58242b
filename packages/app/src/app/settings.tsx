import { later } from '../features/later';

export default later(({ Settings }) => Settings);
