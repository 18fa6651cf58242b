import { later } from '../../../features/later';

const Place = later(({ Place }) => Place);

export default function WireRoute() {
  return <Place name="wire" />;
}
