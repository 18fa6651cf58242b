import { NewJob } from '../components/jobs/NewJob';

export default function NewJobRoute() {
  return <NewJob />;
}
