import { lazy } from 'react';
import { Later } from '../components/places/Later';

// Read when first wanted, so that the first view stays light.
const NewJob = lazy(() => import('../components/jobs/NewJob'));

export default function NewJobRoute() {
  return (
    <Later>
      <NewJob />
    </Later>
  );
}
