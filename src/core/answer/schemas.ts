/** The shapes of requests and answers, from which docs/openapi.json is made and against which real answers are tested. Fields beyond these may follow. */
import * as v from 'valibot';
import { PROPOSALS } from '../propose';

/** JSON has no endless and no missing figures: they are null. */
const figure = v.nullable(v.number());
const text = v.string();
const list = <S extends v.GenericSchema>(of: S) => v.array(of);
const row = v.looseObject;

const Size = v.object({ school: v.picklist(['awg', 'metric']), size: text, legs: v.number() });

const VoltsLost = row({
  when: text,
  tap: text,
  postsV: figure,
  loadV: figure,
  bankSagV: figure,
  limitV: figure,
  ownLimitV: figure,
  passes: v.boolean(),
  shares: list(row({ circuitId: text, circuit: text, own: v.boolean(), part: text, volts: figure })),
});

const Working = row({
  title: text,
  sections: list(
    row({
      title: text,
      lines: list(
        row({ label: text, value: figure, kind: text, text, formula: v.optional(text), source: v.optional(text), mark: v.optional(text) }),
      ),
    }),
  ),
  margins: list(text),
  volts: v.optional(list(VoltsLost)),
  cautions: list(text),
});

export const FindingSchema = row({
  id: text,
  rule: text,
  cause: v.optional(text),
  severity: v.picklist(['stop', 'fix', 'note']),
  about: v.object({ kind: text, id: text }),
  aboutName: text,
  title: text,
  why: text,
  todo: text,
  accepted: v.optional(v.object({ by: text, why: text })),
});

const Protection = row({
  familyId: text,
  familyName: text,
  ratingA: v.number(),
  count: v.number(),
  missing: v.boolean(),
  faultA: figure,
  interruptsA: figure,
  conflict: v.nullable(text),
  refused: list(v.object({ family: text, reason: text })),
});

const Ladder = row({
  school: text,
  chosen: Size,
  proposed: v.nullable(Size),
  governs: text,
  pinned: v.boolean(),
  rungs: list(row({ id: text, applies: v.boolean(), smallest: v.nullable(text), governs: v.boolean(), chosenPasses: v.boolean() })),
});

const State = row({
  areaMm2: v.number(),
  heat: row({ izA: figure, tempC: figure }),
  drop: row({ taps: list(row({ dropV: figure, pct: figure, limitPct: figure, loadV: figure })), passes: v.boolean() }),
  surge: v.nullable(row({ sagV: figure, loadV: figure, minV: figure, passes: v.boolean() })),
  fault: v.nullable(row({ sendingA: figure, farA: figure, passes: v.boolean() })),
  passes: v.boolean(),
  failing: list(text),
  massKg: v.number(),
});

const Side = row({ protection: Protection, ladder: Ladder, state: State });

const CircuitSchema = row({
  id: text,
  no: text,
  name: text,
  isFeeder: v.boolean(),
  workingA: v.number(),
  surgeA: figure,
  lengthM: v.number(),
  taps: list(row({ id: text, name: text, lengthM: v.number(), taped: v.boolean(), ownA: figure, segmentA: figure })),
  own: Side,
  odds: v.nullable(row({ passes: v.number(), decides: v.nullable(row({ unknown: text, load: v.nullable(text), best: v.boolean() })) })),
  working: v.nullable(Working),
});

const CountLine = row({ item: text, count: v.number(), note: text, of: list(row({ what: text, count: v.number() })) });

const BreakerStart = row({ ids: list(text), amps: v.number(), seconds: v.number(), opens: v.boolean() });

export const AnalysisSchema = row({
  volts: v.object({ lowV: v.number(), chargingV: v.number() }),
  banks: list(
    row({
      bankId: text,
      nominalV: v.number(),
      capacityAh: v.number(),
      usableAh: v.number(),
      ohm: v.number(),
      largestFaultA: v.number(),
      postsFaultA: v.number(),
      needs: list(v.object({ livingId: text, name: text, needAh: v.number(), hours: figure })),
      refill: list(row({ sourceId: text, name: text, hours: list(figure), givesA: figure, takesA: figure, advice: text })),
    }),
  ),
  loads: list(row({ id: text, circuitId: v.nullable(text), current: row({ workingA: v.number(), surgeA: figure }) })),
  circuits: list(CircuitSchema),
  leads: list(
    row({
      id: text,
      name: text,
      lengthM: v.number(),
      carries: row({ amps: v.number(), why: text }),
      conductor: row({ school: text, size: text, areaMm2: v.number() }),
      governs: text,
      failing: list(text),
      izA: figure,
      dropV: figure,
      device: v.nullable(row({ own: Side })),
      working: v.nullable(Working),
    }),
  ),
  findings: list(FindingSchema),
  balance: row({ needs: list(row({ livingId: text, name: text, needAh: v.number() })), usableAh: v.number() }),
  acCircuits: list(
    row({
      id: text,
      no: text,
      name: text,
      feeder: v.boolean(),
      ratingA: v.number(),
      size: Size,
      amps: v.number(),
      dropPct: figure,
      governs: text,
      tests: list(row({ test: text, size: v.nullable(text), says: text })),
      failing: list(text),
      earth: row({ school: text, size: text }),
      earthLeast: row({ school: text, size: text }),
      terminalC: v.number(),
      ownDropPct: figure,
      starts: v.nullable(row({ alone: list(BreakerStart), blackout: v.nullable(BreakerStart) })),
    }),
  ),
  ac: row({
    sources: list(row({ id: text, name: text, kind: text, ratedA: v.number(), va: figure })),
    states: list(
      row({
        id: text,
        name: text,
        origins: list(row({ sourceId: text, panels: list(text), bonds: list(row({ at: text, kind: text })), paralleled: v.boolean() })),
      }),
    ),
    together: list(
      row({
        id: text,
        name: text,
        sourceId: text,
        sets: list(list(text)),
        more: v.boolean(),
        tooLarge: list(text),
        breakers: list(row({ id: text, name: text, amps: v.number(), loadIds: list(text) })),
      }),
    ),
    placard: list(
      row({ setting: text, allowed: v.number(), rules: list(row({ lead: text, text })), also: list(list(text)), never: list(text) }),
    ),
    steps: list(row({ id: text, do: text, why: text })),
  }),
  studies: list(
    row({
      id: text,
      name: text,
      loads: list(row({ id: text, name: text, volts: figure, amps: figure, minV: v.number(), falls: v.boolean() })),
      banks: list(row({ id: text, postsV: figure, amps: figure })),
      heatW: figure,
    }),
  ),
  worst: row({ loads: list(row({ id: text, study: text, volts: figure, minV: v.number(), falls: v.boolean(), wants: v.nullable(text) })) }),
  settings: list(
    row({
      sourceId: text,
      bankId: text,
      worst: text,
      settings: list(row({ name: text, now: text, wanted: text, verdict: text, change: text })),
    }),
  ),
  notToBeBuilt: row({ stops: list(text), against: v.record(text, list(text)), mayBeCut: list(text) }),
  cutList: row({
    cuts: list(
      row({
        circuitId: text,
        no: text,
        serves: text,
        size: text,
        colour: text,
        lengthM: v.number(),
        fromEnd: text,
        toEnd: text,
        label: text,
        note: text,
      }),
    ),
    reels: list(row({ size: text, colour: text, pieces: v.number(), netM: v.number(), orderM: v.number(), massKg: v.number() })),
    terminals: list(CountLine),
    shrink: list(CountLine),
    protection: list(CountLine),
    bars: list(CountLine),
    makers: list(CountLine),
    labels: list(CountLine),
    totalM: v.number(),
    totalKg: v.number(),
  }),
  /** The line drawing as SVG, where it was asked for. */
  drawing: v.optional(text),
});

export const ProposeRequest = v.object({
  design: v.looseObject({}),
  what: v.optional(v.pipe(v.array(v.picklist(PROPOSALS, `one of ${PROPOSALS.join(', ')} is needed`)), v.maxLength(PROPOSALS.length)), [
    ...PROPOSALS,
  ]),
});

export const ProposeSchema = v.object({
  design: v.looseObject({ format: text, version: v.number() }),
  changes: list(v.object({ list: text, id: text, name: text })),
});

export const ScratchRequest = v.object({
  line: v.pipe(v.string(), v.maxLength(300, 'at most 300 letters are read')),
  ruleSet: v.optional(v.picklist(['awg', 'metric'], 'awg or metric is needed'), 'metric'),
});

export const ScratchSchema = v.object({
  workingA: v.number(),
  size: text,
  legs: v.number(),
  school: v.picklist(['awg', 'metric']),
  ratingA: figure,
  family: v.nullable(text),
  dropPct: figure,
  limitPct: figure,
  governs: text,
  assumed: list(text),
  working: Working,
});

export const ErrorSchema = v.object({ error: text, problems: list(v.object({ where: text, message: text })) });
