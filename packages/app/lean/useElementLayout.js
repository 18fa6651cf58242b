// For whatever asks for its layout when it is mounted: nothing else is looked at by the hook of react-native-web, either.
import { useState } from 'react';
import observeLayout from 'react-native-web/dist/modules/useElementLayout';

export default function useElementLayout(ref, onLayout) {
  const [isAsked] = useState(() => typeof onLayout === 'function');
  if (isAsked) observeLayout(ref, onLayout);
}
