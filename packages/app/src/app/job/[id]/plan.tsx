import { later } from '../../../features/later';

const Place = later(({ Place }) => Place);

export default function PlanRoute() {
  return <Place name="plan" />;
}
