/** Devices with a lever: what a tap on them flips. */
import { kindOf } from '@zygostat/core/devices';

/** The control a tap flips: the device's first choice between two. */
export function toggleOf(kind: string): { name: string; options: [string, string] } | null {
  for (const [name, field] of Object.entries(kindOf(kind).controls)) {
    if (field.type !== 'choice') continue;
    const options = Object.keys(field.options);
    if (options.length === 2) return { name, options: options as [string, string] };
  }
  return null;
}

/** Whether a device is nothing but a lever, such as a breaker or a disconnect. */
export function isSwitch(kind: string): boolean {
  return Object.keys(kindOf(kind).controls).length === 1 && toggleOf(kind) !== null;
}
