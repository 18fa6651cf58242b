// For whatever takes touches in hand when it is mounted. The hook of react-native-web runs two effects for every view and every text
// there is, in case it should begin to later on: nothing here does.
import { useState } from 'react';
import respond from 'react-native-web/dist/modules/useResponderEvents';

const takes = (config) => Object.keys(config).some((name) => /ShouldSet/.test(name) && config[name] != null);

export default function useResponderEvents(hostRef, config = {}) {
  const [isTaking] = useState(() => takes(config));
  if (isTaking) respond(hostRef, config);
}
