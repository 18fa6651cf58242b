import { Settings } from '../components/settings/Settings';

export default function SettingsRoute() {
  return <Settings />;
}
