import { JobList } from '../features/jobs/JobList';

export default function JobsRoute() {
  return <JobList />;
}
