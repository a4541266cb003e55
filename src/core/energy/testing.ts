/** Boats with sources for the energy tests. */
import { type Bank, blankBank, blankLoad, blankSource, blankSpan, blankTie, type Design, type Load, type Source } from '../design';
import { bareBoat } from '../design/testing';

/** A 12 V boat with one AGM bank of 200 Ah at 25 degC and one way of living without sun, sources or loads. */
export function quietBoat(change: Partial<Bank> = {}): Design {
  const bare = bareBoat('metric');
  return {
    ...bare,
    banks: [{ ...blankBank('house', 12, null), tempC: 25, ...change }],
    living: [{ id: 'day', name: 'a day', day: [], houseSwitch: 'on' }],
    loads: [],
    sources: [],
    joins: [],
  };
}

/** The boat with a load drawing so many amps all day, whatever the volts. */
export const drawing = (design: Design, amps: number, change: Partial<Load> = {}): Design => ({
  ...design,
  loads: [
    ...design.loads,
    { ...blankLoad(`l${design.loads.length}`, 12), ratingBy: 'A', rating: amps, behaviour: 'current', hours: { day: 24 }, ...change },
  ],
});

/** A source of a kind into the house bank, its path short. */
export const sourceInto = (kind: Source['kind'], change: Partial<Source> = {}): Source => ({
  ...blankSource(`s-${kind}`, kind, 12, 'house'),
  pathMohm: 0,
  ...change,
});

/** The boat with sources and the spans that drive them. */
export const driven = (
  design: Design,
  sources: readonly Source[],
  spans: readonly (readonly [Parameters<typeof blankSpan>[1], number, number, number])[],
): Design => ({
  ...design,
  sources,
  living: design.living.map((l) => ({ ...l, day: spans.map(([what, from, to, level], i) => blankSpan(`p${i}`, what, from, to, level)) })),
});

/** A week of sun and an hour of engine a day, 6 A drawn all along. */
export const sunny = (): Design => ({
  ...driven(
    drawing(quietBoat(), 6),
    [sourceInto('solar'), sourceInto('alternator')],
    [
      ['sun', 6, 18, 4],
      ['engine', 8, 9, 1800],
    ],
  ),
  cruises: [{ id: 'c', name: 'A week', legs: [{ id: 'l', livingId: 'day', days: 7 }], repeat: 1, startSoc: 1 }],
});
/** A start battery of its own. */
export const start = {
  ...blankBank('start', 12, null),
  id: 'start',
  name: 'Start',
  job: 'start' as const,
  blockAh: 80,
  strings: 1,
  tempC: 25,
};
/** The same with that battery behind a relay. */
export const twoBanks = (): Design => {
  const boat = sunny();
  return { ...boat, banks: [...boat.banks, start], joins: [{ ...blankTie('r', 'relay', 12), firstId: 'house', secondId: 'start' }] };
};
