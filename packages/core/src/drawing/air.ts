/** Geometry of the air: the unit, its trunk, a row for every zone, the bypass and the return, with flows as widths. */
import type { AirView } from '../behaviour';
import type { Rect, Spot } from './shapes';

/** Sizes, CSS px. A damper is as wide as a thumb. */
export const AIR = {
  margin: 8,
  row: 112,
  unit: { width: 118, height: 104 },
  damper: 22,
  /** Room for a name over a zone's duct, and for what is said under it. */
  over: 40,
  widest: 46,
  narrowest: 3,
} as const;

export interface AirDuct extends Rect {
  id: string;
  /** Which air is in it. */
  air: 'supply' | 'return';
}

export interface AirDamper extends Spot {
  /** Zone whose air it is, `null` for the bypass. */
  zone: string | null;
  device: string | null;
  open: number;
  /** Degrees its blade is turned from the duct's own direction. */
  turned: number;
  /** The duct runs up and down there. */
  upright: boolean;
}

export interface AirShape {
  width: number;
  height: number;
  unit: Rect;
  ducts: AirDuct[];
  dampers: AirDamper[];
  /** Where a zone's name and its flow are written, at the left edge of its row. */
  zones: (Spot & { zone: string; right: number })[];
  /** Probes in supply and return. */
  probes: { supply: Spot; back: Spot };
  bypass: Spot | null;
}

/** A straight duct from one point to another, as wide as its flow. */
function duct(
  id: string,
  air: AirDuct['air'],
  [x1, y1]: readonly [number, number],
  [x2, y2]: readonly [number, number],
  wide: number,
): AirDuct {
  const half = wide / 2;
  return x1 === x2
    ? { id, air, x: x1 - half, y: Math.min(y1, y2) - half, width: wide, height: Math.abs(y2 - y1) + wide }
    : { id, air, x: Math.min(x1, x2), y: y1 - half, width: Math.abs(x2 - x1), height: wide };
}

const bladeOf = (open: number) => Math.round((1 - open) * 90);

/**
 * Lays the air out for a width in px.
 *
 * @param most - flow that is drawn widest, m³/s.
 */
export function layAir(view: AirView, width: number, most: number): AirShape {
  const { margin, row, unit: size, over, widest, narrowest } = AIR;
  const wide = (flow: number) => Math.max(narrowest, (widest * Math.max(0, flow)) / most);
  const rows = view.zones.map((_, i) => over + i * row + 12);
  const last = rows[rows.length - 1] ?? over;
  const middle = Math.max((rows[0]! + last) / 2, margin + size.height / 2);
  const unit = { x: margin, y: middle - size.height / 2, ...size };
  const unitRight = unit.x + size.width;
  const around = width - unitRight - margin;
  const bypassX = unitRight + around * 0.13;
  const riserX = unitRight + around * 0.3;
  const damperX = unitRight + around * 0.52;
  const right = width - margin;
  // The bypass turns back under everything that is written beside it.
  const bypassY = Math.max(last + 84, unit.y + size.height + 62);
  const bottom = view.bypass ? bypassY + 46 : Math.max(last + 56, unit.y + size.height + 62);
  const returnX = unit.x + size.width / 3;
  const zoneFlow = view.zones.reduce((sum, { flow }) => sum + flow, 0);
  const ducts: AirDuct[] = [
    duct('trunk', 'supply', [unitRight, middle], [bypassX, middle], wide(view.total)),
    duct('trunk-on', 'supply', [bypassX, middle], [riserX, middle], wide(zoneFlow)),
    ...view.zones.flatMap(({ zone, flow }, i) => [
      duct(`riser-${zone}`, 'supply', [riserX, middle], [riserX, rows[i]!], wide(flow)),
      duct(`zone-${zone}`, 'supply', [riserX - wide(flow) / 2, rows[i]!], [right, rows[i]!], wide(flow)),
    ]),
    duct('return', 'return', [returnX, unit.y + size.height], [returnX, bottom], wide(view.total)),
    ...(view.bypass
      ? [
          duct('bypass', 'return', [bypassX, middle], [bypassX, bottom], wide(view.bypass.flow)),
          duct('bypass-back', 'return', [returnX, bottom], [bypassX, bottom], wide(view.bypass.flow)),
        ]
      : []),
  ];
  return {
    width,
    height: bottom + widest / 2 + margin,
    unit,
    ducts,
    dampers: [
      ...view.zones.map(({ zone, damper, open }, i): AirDamper => ({
        zone,
        device: damper,
        open,
        x: damperX,
        y: rows[i]!,
        turned: bladeOf(open),
        upright: false,
      })),
      ...(view.bypass
        ? [
            {
              zone: null,
              device: view.bypass.damper,
              open: view.bypass.open,
              x: bypassX,
              y: bypassY,
              turned: bladeOf(view.bypass.open),
              upright: true,
            },
          ]
        : []),
    ],
    zones: view.zones.map(({ zone }, i) => ({ zone, x: riserX + 4, y: rows[i]!, right })),
    probes: {
      supply: { x: (unitRight + bypassX) / 2, y: middle },
      back: { x: returnX, y: unit.y + size.height + 26 },
    },
    bypass: view.bypass ? { x: bypassX, y: bypassY } : null,
  };
}

/** Sizes of the chart of pressures, CSS px. */
export const STATICS = { height: 168, axis: 26, head: 14, margin: 12, gap: 10 } as const;

export interface StaticBar extends Rect {
  /** Zones that call, or which of them blows a purge. */
  id: string;
  pa: number;
}

export interface StaticsShape {
  width: number;
  height: number;
  /** As it is built, and without a bypass beside it. */
  bars: { id: string; x: number; built: StaticBar; bare: StaticBar }[];
  /** Where the limit lies. */
  limitY: number;
  floor: number;
}

/** Lays out the pressure between supply and return by who calls. */
export function layStatics(
  states: readonly { id: string; builtPa: number; barePa: number }[],
  mostPa: number,
  width: number,
): StaticsShape {
  const { height, axis, head, margin, gap } = STATICS;
  const floor = height - axis;
  const top = Math.max(mostPa * 1.15, ...states.flatMap(({ builtPa, barePa }) => [builtPa, barePa]));
  const yOf = (pa: number) => floor - ((floor - head) * Math.max(0, pa)) / top;
  const each = (width - 2 * margin) / Math.max(1, states.length);
  const bar = Math.min(34, (each - gap) / 2);
  return {
    width,
    height,
    floor,
    limitY: yOf(mostPa),
    bars: states.map(({ id, builtPa, barePa }, i) => {
      const x = margin + i * each + each / 2;
      const shape = (left: number, pa: number): StaticBar => ({
        id,
        pa,
        x: left,
        y: yOf(pa),
        width: bar,
        height: floor - yOf(pa),
      });
      return { id, x, built: shape(x - bar, builtPa), bare: shape(x, barePa) };
    }),
  };
}
