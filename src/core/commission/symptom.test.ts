/** Trouble in ordinary words: seventy-five ways to say it, and what is behind it on two boats. */
import { findingsAfresh } from '../analysis';
import { ruleRows } from '../check';
import { type Design, designOfKind } from '../design';
import { withProposals } from '@/testing/usualBoat';
import { behind, causesOf } from './causes';
import { readSymptom, SURE_FROM, type SymptomId, SYMPTOMS } from './symptom';

const SAID: Readonly<Record<SymptomId, readonly string[]>> = {
  dim: [
    'the cabin lights are dim',
    'the windlass is weak',
    'bow light only glows faintly, very faint',
    'fridge seems to be struggling',
    'lamps flicker at anchor',
  ],
  restarts: [
    'the plotter restarts when the windlass runs',
    'radio resets when I start the engine',
    'chartplotter reboots every time the pump kicks in',
    'instruments drop out for a second',
    'the display goes blank when the autopilot works',
  ],
  opens: [
    'the fuse of the water pump blows',
    'breaker trips after ten minutes',
    'it blew a fuse again',
    'windlass breaker pops',
    'we keep blowing the fuse for the heater',
  ],
  flat: [
    'the batteries are flat in the morning',
    'house bank is dead after one night',
    'battery drains overnight',
    'it does not last a day at anchor',
    'the bank runs down while we are away',
  ],
  'not charging': [
    'the alternator is not charging',
    'engine runs but no charge goes in',
    'batteries won’t charge from the engine',
    'only a few amps from the alternator',
    'it doesn’t charge under way',
  ],
  overcharged: [
    'the battery boils and smells of rotten eggs',
    'batteries get hot while we motor',
    'bulbs burn out all the time',
    'it needs water every week',
    'the alternator is overcharging, 15.5 volts',
  ],
  lamp: [
    'the charge lamp stays on',
    'charging light does not come on with the key',
    'the red light is glowing while we motor',
    'the warning lamp never lights',
    'ignition light stays on at idle',
  ],
  'not cranking': [
    'the engine won’t start, only a click',
    'it does not crank',
    'starter turns over slowly',
    'starter just clicks',
    'engine will not start in the cold',
  ],
  'inverter stops': [
    'the inverter shuts down with the kettle on',
    'inverter beeps and stops',
    'the inverter alarms at breakfast',
    'microwave kills the inverter',
    'inverter cuts out under load',
  ],
  'shore trips': [
    'shore power trips as soon as we plug in',
    'shore power is gone again after the rain',
    'the pedestal breaker goes',
    'the rcd on the dock goes off',
    'the ground fault breaker of the marina opens',
  ],
  tingles: [
    'I get a tingle from the rail in the marina',
    'a shock from the ladder on the pontoon',
    'the tap prickles when the shore lead is in',
    'somebody swimming beside us got a shock',
    'touching the stove gives a slight tingling',
  ],
  'gauge lies': [
    'the battery monitor is wrong',
    'the gauge always shows 100 percent',
    'state of charge never goes down',
    'the monitor never shows full',
    'meter shows full but it isn’t',
  ],
  hot: [
    'a cable gets hot',
    'there is a burning smell behind the panel',
    'the plug is brown',
    'insulation has melted',
    'the switch is warm to the touch',
  ],
  noise: [
    'the radio hums when the engine runs',
    'there is a whine in the loudspeakers',
    'crackling on the radio when the fridge starts',
    'a lot of static since the solar panels went in',
    'interference on the receiver from the LED lights',
  ],
  'not stopping': [
    'the engine won’t stop with the key',
    'it keeps running after I turn the key',
    'engine runs on with the key off',
    'engine doesn’t stop any more',
    'I switch off the engine and it still runs',
  ],
};

const all = (Object.keys(SAID) as SymptomId[]).flatMap((id) => SAID[id].map((text) => ({ id, text })));

test('fifteen symptoms, seventy-five phrasings', () => {
  expect(Object.keys(SYMPTOMS)).toHaveLength(15);
  expect(all).toHaveLength(75);
});
test('nine in ten are understood; of the rest none is taken for another for certain', () => {
  const right = all.filter(({ id, text }) => readSymptom(text)[0]?.id === id);
  expect(right.length / all.length).toBeGreaterThanOrEqual(0.9);
  const surelyWrong = all.filter(({ id, text }) => {
    const [first] = readSymptom(text);
    return first && first.id !== id && first.sure >= SURE_FROM;
  });
  expect(surelyWrong.map((x) => x.text)).toEqual([]);
});
test('what is not understood is asked', () => {
  expect(readSymptom('the sail is torn')).toEqual([]);
  expect(readSymptom('')).toEqual([]);
});

let n = 0;
const boat = (): Design =>
  withProposals(
    designOfKind('coastal', { name: 'Plover', school: 'metric', lengthM: 11, beamM: 3.5, systemV: 12 }),
    (prefix) => `${prefix}y${++n}`,
  );
const first = (d: Design, id: SymptomId) => behind(d, findingsAfresh(d, false), id)[0]?.what;

test('the same words on two boats: with a negative round the shunt that is first, with settings never reached those are', () => {
  const sound = boat();
  const [lead] = sound.leads.filter((l) => l.rail === 'negative' && l.from.kind === 'bank' && l.from.id === 'house');
  const round: Design = {
    ...sound,
    leads: [
      ...sound.leads,
      {
        ...(lead as Design['leads'][number]),
        id: 'round',
        name: 'Loose negative',
        through: [],
        from: { kind: 'bank', id: 'house' },
        to: { kind: 'source', id: sound.sources[0]?.id ?? '' },
      },
    ],
  };
  const [before, after] = [
    behind(sound, findingsAfresh(sound, false), 'gauge lies'),
    behind(round, findingsAfresh(round, false), 'gauge lies'),
  ];
  expect(after[0]?.what).toContain('round the shunt');
  expect(after[0]?.why).not.toBe('');
  expect(after[0]?.probability).toBeGreaterThan(before.find((b) => b.what.includes('round the shunt'))?.probability ?? 1);
});
test('flat too soon: a boat that uses more than she is given says so first; with one more source something else is', () => {
  const poor = boat();
  const rich: Design = {
    ...poor,
    sources: poor.sources.map((s) => (s.solar ? { ...s, solar: { ...s.solar, wp: 2000, parallel: 8, controllerA: 300 } } : s)),
    plan: { ...poor.plan, days: 0.2 },
  };
  expect(first(poor, 'flat')).toBe('more is drawn than is given');
  const share = (d: Design) =>
    behind(d, findingsAfresh(d, false), 'flat').find((b) => b.what === 'more is drawn than is given')?.probability ?? 0;
  expect(share(rich)).toBeLessThan(share(poor));
});
test('odds add up, and only what is aboard is suspected', () => {
  const d = boat();
  for (const id of Object.keys(SYMPTOMS) as SymptomId[]) {
    const list = behind(d, [], id);
    expect(list.reduce((sum, b) => sum + b.probability, 0)).toBeCloseTo(list.length > 0 ? 1 : 0, 9);
    expect(list.every((b) => b.measure !== '')).toBe(true);
  }
  expect(behind(d, [], 'inverter stops').some((b) => b.what.includes('inverter'))).toBe(false);
});

test('what speaks for a cause is a rule there is', () => {
  const d = boat();
  const known = new Set(ruleRows().map((r) => r.id));
  const named = (Object.keys(SYMPTOMS) as SymptomId[]).flatMap((id) => causesOf(d, id).flatMap((c) => c.rules));
  expect(named.length).toBeGreaterThan(60);
  expect([...new Set(named)].filter((id) => !known.has(id))).toEqual([]);
});
