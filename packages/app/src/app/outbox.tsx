import { later } from '../features/later';

export default later(({ OutboxPlace }) => OutboxPlace);
