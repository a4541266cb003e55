/** Accepted findings stand while what they go by stands, and open again when it changes. */
import { analyse } from '../analysis';
import { asDecided, type Design, type Finding } from '../design';
import { departureFor, factsOf } from './departures';
import { amps, thing } from './pairs/boats';

const boat = (): Design => {
  const base = thing(amps(5));
  return { ...base, banks: base.banks.map((b) => ({ ...b, mounting: { held: false, covered: true, vented: true } })) };
};
const words = {
  id: 'd',
  what: 'not held',
  why: 'the tray is on order',
  acceptedBy: 'Surveyor',
  on: '2026-05-31',
  kind: 'accepted',
} as const;
const held = (d: Design): Finding | undefined => analyse(d).findings.find((f) => f.rule === 'bank-held');
const accepted = (d: Design): Design => {
  const f = held(d);
  if (!f) throw new Error('no finding');
  return { ...d, departures: [departureFor(d, f, words)] };
};

test('accepted it stays accepted while other things move', () => {
  const d = accepted(boat());
  expect(held(d)?.accepted).toEqual({ by: 'Surveyor', why: 'the tray is on order' });
  expect(held({ ...d, loads: d.loads.map((l) => ({ ...l, rating: 9 })) })?.accepted).toBeDefined();
});

test('the fact it goes by changed: open again, with who accepted it and when', () => {
  const d = accepted(boat());
  const drop = thing(
    amps(5),
    { pin: { size: { school: 'metric', size: '0.75' }, legs: 1, family: null, ratingA: null, ownDevices: false } },
    20,
  );
  const before = analyse(drop).findings.find((f) => f.rule === 'fails-drop');
  if (!before) throw new Error('no drop');
  const taken: Design = { ...drop, departures: [departureFor(drop, before, words)] };
  const after = (x: Design) => analyse(x).findings.find((f) => f.id === before.id);
  expect(after(taken)?.accepted).toBeDefined();
  const longer: Design = {
    ...taken,
    circuits: taken.circuits.map((c) => ({ ...c, taps: c.taps.map((t) => ({ ...t, tapedM: t.tapedM === null ? null : t.tapedM + 2 })) })),
  };
  expect(after(longer)?.accepted).toBeUndefined();
  expect(after(longer)?.lapsed).toMatchObject({ by: 'Surveyor', on: '2026-05-31' });
  expect(held(d)?.lapsed).toBeUndefined();
});

test('what moves no figure of it leaves it accepted: another circuit renamed, its own note written', () => {
  const drop = thing(
    amps(5),
    { pin: { size: { school: 'metric', size: '0.75' }, legs: 1, family: null, ratingA: null, ownDevices: false } },
    20,
  );
  const before = analyse(drop).findings.find((f) => f.rule === 'fails-drop');
  if (!before) throw new Error('no drop');
  const taken: Design = { ...drop, departures: [departureFor(drop, before, words)] };
  const noted: Design = {
    ...taken,
    circuits: taken.circuits.map((c) => ({ ...c, ...(c.id === before.about.id ? { note: 'looked at' } : { name: `${c.name}, aft` }) })),
    loads: taken.loads.map((l) => ({ ...l, note: 'bought used' })),
  };
  expect(analyse(noted).findings.find((f) => f.id === before.id)?.accepted).toBeDefined();
});

test('one of an old file has no facts and stands; “does not apply” is told apart', () => {
  const d = accepted(boat());
  const [departure] = d.departures;
  if (!departure) throw new Error('none');
  expect(held({ ...d, departures: [{ ...departure, facts: '' }] })?.accepted).toBeDefined();
  expect(held({ ...d, departures: [{ ...departure, kind: 'does not apply' }] })?.accepted).toMatchObject({ notHere: true });
});

test('facts are of the thing itself: another bank’s mounting leaves them as they are', () => {
  const d = boat();
  const f = held(d);
  const [bank] = d.banks;
  if (!f || !bank) throw new Error('none');
  const more: Design = { ...d, banks: [...d.banks, { ...bank, id: 'other', mounting: { held: null, covered: null, vented: null } }] };
  expect(factsOf(asDecided(more), f)).toBe(factsOf(asDecided(d), f));
});
