/** What is wrong with a supply: it cannot settle, it is shorted, it gives too much, it is asked for too much. */
import { CLASS_2 } from '../../standards';
import { openedProtections } from '../loads';
import { isWrongTap, primaryTap } from '../primary';
import { labelOf, listed } from '../scene';
import { causeOfOpening, causeOfShort, plainFault } from '../trace';
import type { Sight, Status } from './status';
import { faultBy } from './status';

export function chattering(sight: Sight): Status | null {
  const { scene, trace } = sight;
  const { chattering: found } = scene.settled;
  if (!found) return null;
  const names = listed(found.devices.map((id) => labelOf(scene, id)));
  const text = `Chattering: ${names} cannot settle`;
  const plain = plainFault(trace);
  if (plain) return faultBy(sight, text, plain);
  return {
    tone: 'fault',
    text,
    next: 'Its own action takes away what holds it. Look at the volts under load and at what feeds it.',
    parts: found.devices,
  };
}

const CLEAR_FIRST = 'Clear the short before fitting another fuse or resetting.';

/** Something opened on overload. */
export function opened(sight: Sight): Status | null {
  const { scene, trace } = sight;
  const [found] = openedProtections(scene.network, scene.settled.world);
  if (!found) return null;
  const { device, kind } = found.installed;
  const event = kind.protects!.event ?? `${device.label} tripped`;
  const cause = causeOfOpening(trace, found.installed);
  if (!cause)
    return {
      tone: 'fault',
      text: `${event}: more was asked than it carries`,
      next: CLEAR_FIRST,
      parts: [device.id],
    };
  return { ...faultBy(sight, event, cause), next: CLEAR_FIRST };
}

/** A transformer that burns because nothing opens. */
export function burning(sight: Sight): Status | null {
  const { scene, trace } = sight;
  const over = scene.transformers.find(({ burden }) => burden === 'shorted');
  if (!over) return null;
  const installed = scene.network.devices.find(({ device }) => device.id === over.device)!;
  const branch = installed.branches.get('secondary')!;
  const text = `${labelOf(scene, over.device)} burns: ${over.amps.toFixed(1)} A, ${over.share.toFixed(1)} times what it is rated for, and nothing opens`;
  const cause = causeOfShort(trace, scene.settled.point, branch);
  const next = 'Open the breaker now. Then find the short, and fit a fuse.';
  if (!cause) return { tone: 'fault', text, next, parts: [over.device] };
  return { ...faultBy(sight, text, cause), next };
}

/** A secondary that gives too much, or next to nothing because its supply is on the wrong tap. */
export function wrongTap({ scene }: Sight): Status | null {
  for (const { device, volts } of scene.transformers) {
    const tap = primaryTap(scene.network, scene.settled.point, device);
    const label = labelOf(scene, device);
    if (tap && isWrongTap(tap))
      return {
        tone: 'fault',
        text: `${label} has ${Math.round(tap.volts)} V on its ${tap.nominal} V tap and gives ${volts.toFixed(0)} V`,
        next: 'Open the breaker, prove dead, and move its supply to the tap made for it.',
        parts: [device],
      };
    if (volts > CLASS_2.maxVolts)
      return {
        tone: 'fault',
        text: `${label} gives ${volts.toFixed(1)} V, above ${CLASS_2.maxVolts} V`,
        next: 'Open the breaker before boards and thermostats suffer; read its primary.',
        parts: [device],
      };
  }
  return null;
}

export function overloaded({ scene }: Sight): Status | null {
  const over = scene.transformers.find(({ burden }) => burden === 'overloaded');
  return over
    ? {
        tone: 'caution',
        text: `${labelOf(scene, over.device)} carries ${Math.round(over.share * 100)} % of what it is rated for`,
        next: 'Take load off it or fit the next size.',
        parts: [over.device],
      }
    : null;
}
