/** What the model's worker answers. Keeps the last circuit on the bench; all other state comes with each question. */
import type {
  AirView,
  Bench,
  BenchAnswer,
  BenchQuestion,
  Inputs,
  Timeline,
  World,
  Caller,
} from '@zygostat/core/behaviour';
import { NEW_WORLD, callAlone, makeBench, runTimeline, sectionsOf } from '@zygostat/core/behaviour';
import type { Circuit, Problem } from '@zygostat/core/circuit';
import { CircuitError } from '@zygostat/core/circuit';
import type { Call } from '@zygostat/core/devices';
import type { Beside, Diagnosis, Dictionary, FaultClass, FindView } from '@zygostat/core/diagnose';
import {
  classesOf,
  dictionaryFor,
  followDiagnosis,
  hypothesesOf,
  observationsOf,
  pairsThatFit,
  searchKey,
  withPairs,
} from '@zygostat/core/diagnose';
import type { Ladder, Loom, SymbolStyle } from '@zygostat/core/drawing';
import { layLadder, layLoom } from '@zygostat/core/drawing';
import type {
  BreakPlaces,
  DeviceOhms,
  Jacket,
  JacketEffect,
  Loop,
  Lost,
  ShortedStretch,
} from '@zygostat/core/fire';
import { jacketEffect, locateBreak, locateShort, loopsOf, protectionLost } from '@zygostat/core/fire';
import type { DiagramHead } from '@zygostat/core/formats';
import { circuitFromJson, diagramSheet, ladderSvg, loomSvg, spiceNetlist } from '@zygostat/core/formats';
import { compile } from '@zygostat/core/network';
import type {
  AirPlan,
  DayAsked,
  RoomsPlan,
  AirReadings,
  Corrected,
  HalvesObstacle,
  HalvesPlan,
  LeakObstacle,
  LeakPlan,
  LeakWish,
  LoopMove,
  Method,
  RunRepair,
  SafetyPlan,
  SafetyWish,
  Sums,
  Swap,
  SwapRequest,
  ZonePlan,
  ZoneWish,
} from '@zygostat/core/plan';
import {
  addParallelThermostat,
  addRelay,
  correctAir,
  pigtailed,
  planAir,
  planHalves,
  planLeak,
  planLoopMove,
  planRooms,
  planRun,
  planSafety,
  planSwap,
  planZones,
  sumsOf,
} from '@zygostat/core/plan';
import type { Protection } from '@zygostat/core/prove';
import type { LineRegion } from '@zygostat/core/standards';
import { protectionWithout } from '@zygostat/core/prove';
import type { Report, ReportGiven } from '@zygostat/core/record';
import { reportOf } from '@zygostat/core/record';
import type { CommissionTest } from '@zygostat/core/record';
import { commissionOf } from '@zygostat/core/record';
import type { PlanView } from '@zygostat/core/wire';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import { followPlan } from '@zygostat/core/wire';
import type { UnitDiagram, UnitReport } from '@zygostat/core/unit';
import { unitReport } from '@zygostat/core/unit';
import { proofAnswers } from './proof-answers';

export type { MistakeFound } from './proof-answers';

/** Width of a loom on paper, CSS px. */
const PAPER_PX = 560;
/** Width of a phone's, CSS px. */
const PHONE_PX = 390;

const ladderOf = (circuit: Circuit) => layLadder(sectionsOf(compile(circuit)));

/** What depends on nothing that was asked before. */
const answers = {
  /** A circuit file, read; or what is wrong with it. */
  readCircuit: (text: string): { circuit: Circuit } | { problems: readonly Problem[] } => {
    try {
      return { circuit: circuitFromJson(text) };
    } catch (error) {
      if (error instanceof CircuitError) return { problems: error.problems };
      throw error;
    }
  },

  /** Runs through what a first question needs, so that it is compiled by the time one is asked. */
  warmUp(): void {
    const inputs = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };
    const first = { inputs, world: NEW_WORLD, elapse: 0, probes: null, followed: null };
    const circuit = furnaceAirConditioner('');
    makeBench(circuit).answer(first);
    layLoom(circuit, PHONE_PX);
  },

  /** Where everything of a circuit is drawn, for a width in px. */
  loom: (circuit: Circuit, width: number): Loom => layLoom(circuit, width),

  ladder: (circuit: Circuit): Ladder => ladderOf(circuit),

  /** A call run from a cold start, with everything but the thermostats held as it is on the bench. */
  timeline: (
    circuit: Circuit,
    controls: Inputs['controls'],
    call: Call,
    caller: Caller,
    seconds: { call: number; until: number },
  ): Timeline =>
    runTimeline(compile(circuit), callAlone(circuit, controls, call, seconds.call, caller), seconds.until),

  /** What the air does for every combination of zones; what is wrong with the ducts as they are given. */
  air: (circuit: Circuit): { plan: AirPlan | null; wrong: string | null } => {
    try {
      return { plan: planAir(circuit), wrong: null };
    } catch (error) {
      if (error instanceof RangeError) return { plan: null, wrong: error.message };
      throw error;
    }
  },

  /** A day in the rooms; what the building's fans draw out more than they bring in, m³/s. */
  rooms: (circuit: Circuit, asked: DayAsked, drawnM3s: number): RoomsPlan | null =>
    planRooms(circuit, asked, drawnM3s),

  /** The ducts corrected by what was measured as they stand; or why not. */
  corrected: (circuit: Circuit, view: AirView, read: AirReadings): Corrected | { wrong: string } => {
    try {
      return correctAir(circuit, view, read);
    } catch (error) {
      if (error instanceof RangeError) return { wrong: error.message };
      throw error;
    }
  },

  /** Loom or ladder of a circuit as an SVG file. */
  drawing: (circuit: Circuit, which: 'loom' | 'ladder', symbols: SymbolStyle): string =>
    which === 'loom'
      ? loomSvg(layLoom(circuit, PAPER_PX), circuit)
      : ladderSvg(ladderOf(circuit), circuit, symbols),

  /** The wiring diagram to leave at the unit as an SVG file; `code` opens the job, as an SVG. */
  diagram: (circuit: Circuit, head: DiagramHead, code: string, symbols: SymbolStyle): string =>
    diagramSheet(head, {
      loom: loomSvg(layLoom(circuit, PAPER_PX), circuit),
      ladder: ladderSvg(ladderOf(circuit), circuit, symbols),
      code,
    }),

  /** The report of a job, gathered. */
  report: (given: ReportGiven): Report => reportOf(given),

  ...proofAnswers,

  swap: (
    circuit: Circuit,
    wish: SwapRequest,
    jackets: readonly string[],
    tell: (method: Method, done: number, all: number) => void,
  ): Swap =>
    planSwap(circuit, wish, jackets, (method, done, all) => {
      tell(method, done, all);
      return true;
    })!,

  /** Safeties in every place the circuit can be broken, side by side. */
  safety: (
    circuit: Circuit,
    thermostat: string,
    wish: SafetyWish,
    tell: (what: string, done: number, all: number) => void,
  ): SafetyPlan =>
    planSafety(circuit, thermostat, wish, (done, all) => {
      tell('', done, all);
      return true;
    })!,

  /** A panel with dampers, or further thermostats in parallel, each proven. */
  zones: (circuit: Circuit, wish: ZoneWish): ZonePlan => planZones(circuit, wish),

  /** A leak controller between thermostat and unit, proven. */
  leak: (circuit: Circuit, wish: LeakWish): LeakPlan | LeakObstacle => planLeak(circuit, wish),

  /** An outdoor unit as found against its diagram, each difference tried. */
  unit: (
    circuit: Circuit,
    diagram: UnitDiagram,
    tell: (what: string, done: number, all: number) => void,
  ): UnitReport =>
    unitReport(circuit, diagram, (done, all) => {
      tell('', done, all);
      return true;
    })!,

  /** The run between two halves, number to number, proven. */
  halves: (circuit: Circuit, region: LineRegion): HalvesPlan | HalvesObstacle => planHalves(circuit, region),

  /** A relay that runs with a call, if the unit gives that call and a common. */
  relay: (circuit: Circuit, thermostat: string, role: 'W' | 'Y' | 'G', label: string): Circuit | null =>
    addRelay(circuit, thermostat, role, label),

  /** Ways to put a run with broken conductors right. */
  run: (circuit: Circuit, cable: string): RunRepair[] => planRun(circuit, cable),

  /** A second thermostat in parallel with the first. */
  second: (circuit: Circuit, thermostat: string, station: string, lengthM: number): Circuit =>
    pigtailed(circuit, addParallelThermostat(circuit, thermostat, { station, lengthM }).circuit).circuit,

  /** The classes of faults a circuit can have, with what they are judged at. */
  classes: (circuit: Circuit): FaultClass[] => classesOf(circuit, hypothesesOf(circuit)),

  /** The tests that prove a circuit, in order. */
  commission: (circuit: Circuit): CommissionTest[] => commissionOf(circuit),

  /** What a bypassed safety leaves unguarded, and what still guards it. */
  protection: (circuit: Circuit, device: string, others: readonly string[]): Protection | null =>
    protectionWithout(circuit, device, others),

  /** Every supervised loop with what is to be read along it, and what of it nobody watches. */
  loops: (circuit: Circuit, inputs: Inputs): Loop[] => loopsOf(circuit, inputs),

  /** Where a loop is shorted, by ohms at the panel; and where it is open, by ohms at its devices. */
  shorted: (circuit: Circuit, inputs: Inputs, panel: string, ohms: number): ShortedStretch[] =>
    locateShort(circuit, inputs, panel, ohms),
  broken: (circuit: Circuit, inputs: Inputs, panel: string, readings: readonly DeviceOhms[]): BreakPlaces =>
    locateBreak(circuit, inputs, panel, readings),

  /** What goes with a jacket at a device. */
  jacket: (circuit: Circuit, device: string, jacket: Jacket): JacketEffect =>
    jacketEffect(circuit, device, jacket),

  /** What of the detectors' protection is gone, against a circuit as it was. */
  lost: (before: Circuit, now: Circuit): Lost[] => protectionLost(before, now),

  /** A loop moved from one detector to another, both ways. */
  moveLoop: (circuit: Circuit, from: string, to: string): LoopMove[] => planLoopMove(circuit, from, to),

  sums: (circuit: Circuit, copperC: number): Sums => sumsOf(circuit, copperC),

  follow: (...asked: Parameters<typeof followPlan>): PlanView => followPlan(...asked),
};

/** The bench of one circuit. */
function benchAnswers() {
  let bench: Bench | null = null;
  return {
    /** Takes a circuit to answer questions about. */
    load(circuit: Circuit): void {
      bench = makeBench(circuit);
    },

    /** Settles the bench and reads everything there is to see; `null` before a circuit is loaded. */
    ask: (question: BenchQuestion): BenchAnswer | null => bench && bench.answer(question),

    /** The SPICE netlist of the bench as it stands. */
    netlist: (inputs: Inputs, world: World): string =>
      bench ? spiceNetlist(bench.settle({ inputs, world, elapse: 0 }).point) : '',
  };
}

interface Search {
  key: string;
  /** The dictionary searched. */
  singles: Dictionary;
  /** With pairs in it that fitted what was observed by then. */
  pairs: { to: string; among: Dictionary } | null;
}

function findAnswers() {
  let search: Search | null = null;
  return {
    /**
     * Where a diagnosis stands. Its dictionary is kept for the next question. While two faults at once are looked for, those
     * that fit are found anew for everything that is observed.
     */
    find(
      circuit: Circuit,
      diagnosis: Diagnosis,
      beside: Beside,
      tell: (done: number, all: number) => void,
    ): FindView {
      const key = searchKey(circuit, diagnosis, beside);
      if (search?.key !== key)
        search = { key, singles: dictionaryFor(circuit, diagnosis, beside), pairs: null };
      const { singles } = search;
      if (!diagnosis.pairs) return followDiagnosis(singles, diagnosis);
      const observations = observationsOf(singles, diagnosis);
      const to = JSON.stringify(observations);
      if (search.pairs?.to !== to) {
        const fitting = pairsThatFit(singles, observations, (done, all) => {
          tell(done, all);
          return true;
        });
        search.pairs = { to, among: withPairs(singles, fitting) };
      }
      return followDiagnosis(search.pairs.among, diagnosis);
    },
  };
}

/** A model that nothing was asked of yet. */
export const makeModel = () => ({ ...answers, ...benchAnswers(), ...findAnswers() });

export type Model = ReturnType<typeof makeModel>;
