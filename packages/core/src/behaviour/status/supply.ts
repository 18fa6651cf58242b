/** What is wrong with a supply: it cannot settle, it is shorted, it gives too much, it is asked for too much. */
import { CLASS_2 } from '../../standards';
import { openedProtections } from '../loads';
import { betterTap, isOffTap, primaryTap } from '../primary';
import { causeOfOpening, causeOfShort, plainFault } from '../trace';
import type { StatusContext, Status } from './status';
import { faultBy } from './status';

export function chattering({ scene, trace }: StatusContext): Status | null {
  const { chattering: found } = scene.settled;
  if (!found) return null;
  const news = { type: 'chattering', devices: found.devices } as const;
  const plain = plainFault(trace);
  return plain ? faultBy(news, plain) : { tone: 'fault', news, parts: found.devices };
}

/** Something opened on overload. */
export function opened({ scene, trace }: StatusContext): Status | null {
  const [found] = openedProtections(scene.network, scene.settled.world);
  if (!found) return null;
  const { id } = found.installed.device;
  const news = { type: 'opened', device: id } as const;
  const cause = causeOfOpening(trace, found.installed);
  return cause ? faultBy(news, cause) : { tone: 'fault', news, parts: [id] };
}

/** A transformer that burns because nothing opens. */
export function burning({ scene, trace }: StatusContext): Status | null {
  const over = scene.transformers.find(({ burden }) => burden === 'shorted');
  if (!over) return null;
  const { branch } = scene.network.secondaries.find(({ device }) => device === over.device)!;
  const { device: transformer, amps, share } = over;
  const news = { type: 'burning', transformer, amps, share } as const;
  const cause = causeOfShort(trace, scene.settled.point, branch);
  return cause ? faultBy(news, cause) : { tone: 'fault', news, parts: [transformer] };
}

/** A secondary that gives too much or too little, because of its tap or of what supplies it. */
export function wrongSupply({ scene }: StatusContext): Status | null {
  const { network, settled } = scene;
  for (const { device, volts } of scene.transformers) {
    const tap = primaryTap(network, settled.point, device);
    if (tap && isOffTap(tap)) {
      const better = betterTap(network, device, tap);
      return {
        tone: 'fault',
        news: {
          type: 'off-tap',
          transformer: device,
          volts: tap.volts,
          nominal: tap.nominal,
          gives: volts,
          better,
        },
        // A transformer on its right tap is no cause of what supplies it.
        parts: better === null ? [] : [device],
      };
    }
    if (volts > CLASS_2.maxVolts)
      return {
        tone: 'fault',
        news: { type: 'over-voltage', transformer: device, volts },
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
        news: { type: 'overloaded', transformer: over.device, share: over.share },
        parts: [over.device],
      }
    : null;
}
