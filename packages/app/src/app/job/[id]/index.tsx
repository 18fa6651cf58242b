import { later } from '../../../features/later';

const Place = later(({ Place }) => Place);

export default function TraceRoute() {
  return <Place name="trace" />;
}
