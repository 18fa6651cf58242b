import { lazy } from 'react';
import { Later } from '../components/places/Later';

// Read when first wanted, so that the first view stays light.
const Settings = lazy(() => import('../components/settings/Settings'));

export default function SettingsRoute() {
  return (
    <Later>
      <Settings />
    </Later>
  );
}
