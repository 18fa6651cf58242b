import { useCallback, useRef } from 'react';
import { onAir } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import type { RootState } from '../../store';
import { useNewest } from '../../basics/newest';
import { useAppSelector, useAppStore } from '../../store';
import { controlSet } from '../bench/slice';
import type { Job } from '../jobs/api';
import type { WirelessLink } from './api';
import { useMakeLinkMutation, useTellModuleMutation } from './api';

/** The control that stands for what is between the modules. */
const AIR = 'radio';

/** Holds each module’s air as the stand-in has it, where that has changed: what is held by hand stays until then. */
export function useHeard() {
  const store = useAppStore();
  const known = useRef<Record<string, boolean>>({});
  return useCallback(
    ({ modules }: WirelessLink) => {
      // Who has no power says and hears nothing, and the model knows that by itself: it is not the air.
      if (Object.values(modules).some(({ powered }) => !powered)) return;
      const { circuit } = (store.getState() as RootState).edits.present;
      for (const [device, { hears }] of Object.entries(modules)) {
        const isHeard = hears !== null;
        if (known.current[device] === isHeard) continue;
        known.current[device] = isHeard;
        if (circuit?.devices.some(({ id }) => id === device))
          store.dispatch(controlSet({ device, name: AIR, value: isHeard ? 'clear' : 'blocked' }));
      }
    },
    [store],
  );
}

/** Tells the stand-in what each module of the open job says, whenever that changes, and lets them hear what it answers. */
export function useAir({ id, name }: Pick<Job, 'id' | 'name'>, circuit: Circuit): void {
  const world = useAppSelector(({ bench }) => bench.world);
  const inputs = useAppSelector(({ bench }) => bench.inputs);
  const [makeLink] = useMakeLinkMutation();
  const [tellModule] = useTellModuleMutation();
  const heard = useHeard();
  const modules = onAir(circuit, inputs, world);
  useNewest(modules.length === 0 ? '' : JSON.stringify(modules), async (said, isWanted) => {
    if ((await makeLink({ id, name })).error) return;
    let last: WirelessLink | undefined;
    for (const module of JSON.parse(said) as ReturnType<typeof onAir>) {
      if (!isWanted()) return;
      last = (await tellModule({ id, module })).data ?? last;
    }
    if (last && isWanted()) heard(last);
  });
}
