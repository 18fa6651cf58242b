import { later } from '../../../features/later';

const Place = later(({ Place }) => Place);

export default function SurveyRoute() {
  return <Place name="survey" />;
}
