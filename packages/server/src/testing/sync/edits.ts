/** What people do to documents in the sync model. Every text anybody writes is unlike any other, so that it can be looked for. */
import type { Building } from '@zygostat/core/building';
import { begun, without } from '@zygostat/core/building';
import type { Circuit } from '@zygostat/core/circuit';
import { exchange, land, lift } from '@zygostat/core/circuit';
import type { KeptDiagnosis } from '@zygostat/core/diagnose';
import type { Survey } from '@zygostat/core/survey';
import type { ListEvent, Plan, Step } from '@zygostat/core/wire';
import { broughtTo, isReady, stepsOf, ticksOf, toggled } from '@zygostat/core/wire';
import { COMMON } from './server';

/** Numbers drawn at random, from 0 on, below a bound. */
export type Draw = (below: number) => number;

interface Writing {
  draw: Draw;
  /** A text nobody wrote before. */
  text: () => string;
  at: () => string;
  by: string;
}

const BEFORE = COMMON;
const AFTER = exchange(BEFORE, ['statY', 'from'], ['statW', 'from']);
export const STEPS: readonly Step[] = stepsOf(BEFORE, AFTER);

const pick = <T>(draw: Draw, list: readonly T[]): T | undefined =>
  list.length === 0 ? undefined : list[draw(list.length)];

function editSurvey(survey: Survey, { draw, text }: Writing): Survey {
  const wires = survey.unit?.wires ?? [];
  const wire = { id: text(), colour: 'RD', number: text(), from: 'a.1', to: 'b.1' } as const;
  switch (draw(5)) {
    case 0:
      return { ...survey, answers: { ...survey.answers, burner: pick(draw, ['yes', 'no', 'unsure'])! } };
    case 1: {
      const { burner: _gone, ...answers } = survey.answers;
      return { ...survey, answers };
    }
    case 2:
      return { ...survey, unit: { walked: survey.unit?.walked ?? [], wires: [...wires, wire] } };
    case 3: {
      const changed = pick(draw, wires);
      if (!changed || !survey.unit) return survey;
      const number = text();
      return {
        ...survey,
        unit: { ...survey.unit, wires: wires.map((one) => (one === changed ? { ...one, number } : one)) },
      };
    }
    default:
      return { ...survey, seen: [...(survey.seen ?? []), text()] };
  }
}

/** A step of the gate, any step, or what comes next: lists are worked down, and the gate is taken back more often than the rest. */
function step(draw: Draw, { events }: Plan, now: string): string {
  const { standing } = ticksOf(STEPS, events, now);
  const next = STEPS.find((one) => !standing.has(one.id) && isReady(STEPS, standing, one));
  if (next && draw(2) === 0) return next.id;
  const gates = STEPS.filter(({ kind }) => kind === 'off' || kind === 'dead');
  return (draw(2) === 0 ? pick(draw, gates)! : pick(draw, STEPS)!).id;
}

function editPlan(plan: Plan | null, { draw, text, at, by }: Writing): Plan | null {
  const stamp = () => ({ id: text(), by, at: at() });
  if (!plan || draw(25) === 0)
    return {
      ...{ version: 2, id: text(), title: text(), before: BEFORE, after: AFTER, swap: null },
      ...{ reasons: {}, events: [] },
    };
  if (draw(40) === 0) return null;
  const add = (events: readonly ListEvent[]): Plan => ({ ...plan, events: [...plan.events, ...events] });
  switch (draw(9)) {
    case 0:
      return { ...plan, reasons: { ...plan.reasons, [`statY${draw(3)}`]: text() } };
    case 7: {
      const { statY0: _gone, ...reasons } = plan.reasons;
      return { ...plan, reasons };
    }
    case 1:
      return add([{ ...stamp(), type: 'ended', why: draw(2) === 0 ? 'left' : 'resumed' }]);
    case 2: {
      const done = [...ticksOf(STEPS, plan.events, at()).standing.keys()];
      return add(
        broughtTo(STEPS, plan.events, draw(2) === 0 ? done.slice(1) : STEPS.map(({ id }) => id), stamp),
      );
    }
    default: {
      const event = toggled(STEPS, plan.events, step(draw, plan, at()), stamp(), 0.1);
      return event ? add([event]) : plan;
    }
  }
}

function editDiagnosis(
  diagnosis: KeptDiagnosis | null,
  { draw, text, at, by }: Writing,
): KeptDiagnosis | null {
  const seen = () => ({ id: text(), at: at(), observation: { type: 'replaced', device: 'fuse' } }) as const;
  const there = { station: 'hall', open: [], state: 'off' };
  if (!diagnosis) return { version: 2, observed: [seen()], whereabouts: { [by]: there } };
  const { observed } = diagnosis;
  switch (draw(12)) {
    case 0:
    case 1:
    case 2: {
      const gone = pick(draw, observed);
      return { ...diagnosis, observed: observed.filter((one) => one !== gone) };
    }
    case 3:
      return { ...diagnosis, observed: [seen()], before: [...(diagnosis.before ?? []), ...observed] };
    case 4:
      return { ...diagnosis, ignored: [...(diagnosis.ignored ?? []), text()] };
    case 5:
      return { ...diagnosis, whereabouts: { ...diagnosis.whereabouts, [by]: { ...there, state: text() } } };
    case 6:
      return draw(5) === 0 ? null : { ...diagnosis, trying: text() };
    default:
      return { ...diagnosis, observed: [...observed, seen()] };
  }
}

function editBuilding(building: Building, { draw, text }: Writing): Building {
  const unit = pick(draw, building.units);
  const change = (to: Partial<Building['units'][number]>): Building => ({
    ...building,
    units: building.units.map((one) => (one === unit ? { ...one, ...to } : one)),
  });
  switch (draw(unit ? 7 : 1)) {
    case 0:
      return { ...building, units: [...building.units, begun('units', text(), 'Unit')] };
    case 1:
      return change({ serves: text() });
    case 2:
      return change({ found: text() });
    case 3:
      return change({
        looks: { ...unit!.looks, [pick(draw, ['belt', 'coil'])!]: pick(draw, ['fine', 'wrong'])! },
      });
    case 4:
      return without(building, unit!.id);
    case 5:
      return {
        ...building,
        detectors: [...building.detectors, { ...begun('detectors', text(), 'Old'), unit: unit!.id }],
      };
    default:
      return {
        ...building,
        stations: [
          ...building.stations,
          {
            ...begun('stations', text(), 'By the door'),
            detector: pick(draw, building.detectors)?.id ?? null,
          },
        ],
      };
  }
}

function editCircuit(circuit: Circuit, { draw, text }: Writing): Circuit {
  const conductors = circuit.cables.flatMap((cable) => cable.conductors);
  const end = draw(2) === 0 ? 'from' : 'to';
  const { id } = pick(draw, conductors)!;
  switch (draw(3)) {
    case 0:
      return lift(circuit, id, end);
    case 1:
      return land(circuit, id, end, pick(draw, ['board.G', 'stat.G', 'board.Y'])!);
    default:
      return { ...circuit, name: text() };
  }
}

/** Changes a document as somebody might; the same object where nothing came of it. */
export function edited(name: string, value: unknown, writing: Writing): unknown {
  try {
    switch (name) {
      case 'survey':
        return editSurvey(value as Survey, writing);
      case 'plan':
        return editPlan(value as Plan | null, writing);
      case 'diagnosis':
        return editDiagnosis(value as KeptDiagnosis | null, writing);
      case 'building':
        return editBuilding(value as Building, writing);
      default:
        return editCircuit(value as Circuit, writing);
    }
  } catch {
    // What cannot be landed there is not done.
    return value;
  }
}
