/** What is wrong with a supply: it cannot settle, it is shorted, it gives too much, it is asked for too much. */
import { CLASS_2 } from '../../standards';
import { openedProtections } from '../loads';
import type { PrimaryTap } from '../primary';
import { betterTap, isOffTap, primaryTap } from '../primary';
import { labelOf, listed } from '../scene';
import { causeOfOpening, causeOfShort, plainFault } from '../trace';
import type { StatusContext, Status } from './status';
import { faultBy } from './status';

export function chattering(context: StatusContext): Status | null {
  const { scene, trace } = context;
  const { chattering: found } = scene.settled;
  if (!found) return null;
  const names = listed(found.devices.map((id) => labelOf(scene, id)));
  const text = `Chattering: ${names} cannot settle`;
  const plain = plainFault(trace);
  if (plain) return faultBy(context, text, plain);
  return {
    tone: 'fault',
    text,
    next: 'Its own action takes away what holds it. Look at the volts under load and at what feeds it.',
    parts: found.devices,
  };
}

const CLEAR_FIRST = 'Clear the short before fitting another fuse or resetting.';

/** Something opened on overload. */
export function opened(context: StatusContext): Status | null {
  const { scene, trace } = context;
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
  return { ...faultBy(context, event, cause), next: CLEAR_FIRST };
}

/** A transformer that burns because nothing opens. */
export function burning(context: StatusContext): Status | null {
  const { scene, trace } = context;
  const over = scene.transformers.find(({ burden }) => burden === 'shorted');
  if (!over) return null;
  const { branch } = scene.network.secondaries.find(({ device }) => device === over.device)!;
  const text = `${labelOf(scene, over.device)} burns: ${over.amps.toFixed(1)} A, ${over.share.toFixed(1)} times what it is rated for, and nothing opens`;
  const cause = causeOfShort(trace, scene.settled.point, branch);
  if (!cause)
    return {
      tone: 'fault',
      text,
      next: 'Open the breaker now. Nothing is shorted: what is on it asks for more than it can give.',
      parts: [over.device],
    };
  const next = 'Open the breaker now. Then find the short, and fit a fuse that opens on it.';
  return { ...faultBy(context, text, cause), next };
}

/** What to do about a supply that does not fit its tap. */
function afterOffTap({ volts, nominal }: PrimaryTap, better: number | null): string {
  if (better !== null)
    return `Open the breaker, prove dead, and move its supply to the tap made for it: ${better} V.`;
  return volts > nominal
    ? 'No tap of it is made for that: open the breaker before boards and thermostats suffer, and read the supply.'
    : 'No tap of it is made for that: the supply is low. Read it at the breaker, under load.';
}

/** A secondary that gives too much or too little, because of its tap or of what supplies it. */
export function wrongSupply({ scene }: StatusContext): Status | null {
  const { network, settled } = scene;
  for (const { device, volts } of scene.transformers) {
    const tap = primaryTap(network, settled.point, device);
    const label = labelOf(scene, device);
    if (tap && isOffTap(tap)) {
      const better = betterTap(network, device, tap);
      return {
        tone: 'fault',
        text: `${label} has ${Math.round(tap.volts)} V on its ${tap.nominal} V tap and gives ${volts.toFixed(0)} V`,
        next: afterOffTap(tap, better),
        // A transformer on its right tap is no cause of what supplies it.
        parts: better === null ? [] : [device],
      };
    }
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

export function overloaded({ scene }: StatusContext): Status | null {
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
