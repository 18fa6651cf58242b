import { JobList } from '../components/jobs/JobList';

export default function JobsRoute() {
  return <JobList />;
}
