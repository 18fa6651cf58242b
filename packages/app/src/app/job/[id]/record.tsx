import { later } from '../../../features/later';

const Place = later(({ Place }) => Place);

export default function RecordRoute() {
  return <Place name="record" />;
}
