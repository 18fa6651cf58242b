import { later } from '../features/later';

export default later(({ NewJob }) => NewJob);
