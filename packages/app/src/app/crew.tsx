import { later } from '../features/later';

export default later(({ Crew }) => Crew);
