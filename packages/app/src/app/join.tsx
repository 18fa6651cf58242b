import { later } from '../features/later';

export default later(({ Join }) => Join);
