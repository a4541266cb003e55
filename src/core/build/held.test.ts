/** What an open stop keeps from being cut. */
import { analyse } from '../analysis';
import { asDecided, type Design, type Finding } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { cutList } from './cutList';
import { heldBack } from './held';

const right = withLoad(bareBoat('metric'), { connection: 'M6', rating: 480 }, 4);
const of = (design: Design, change: (findings: readonly Finding[]) => readonly Finding[] = (f) => f) => {
  const { circuits, leads, findings } = analyse(design);
  return heldBack(design, cutList(asDecided(design), circuits, leads), change(findings));
};
const onlyStops = (rule: string) => (findings: readonly Finding[]) => findings.filter((f) => f.rule === rule);
const thin: Design = {
  ...right,
  circuits: right.circuits.map((c) => (c.id === 'c-x' ? { ...c, pin: { ...c.pin, size: { school: 'metric', size: '1' } } } : c)),
};

test('a circuit with a stop is not cut, and what does it is named; the others are', () => {
  const held = of(thin, onlyStops('fails-ampacity'));
  expect([...held.against.keys()]).toEqual(['c-x']);
  expect(held.against.get('c-x')?.[0]?.title).toContain('ampacity');
  expect(held.heldPieces).toBe(2);
  expect(held.free.map((c) => c.circuitId)).not.toContain('c-x');
  expect(held.free.length).toBeGreaterThan(0);
});
test('a stop on a load holds the circuit that serves it, one on a panel all it feeds', () => {
  const about = (kind: 'load' | 'panel', id: string): Finding => ({
    id: `x:${id}`,
    rule: 'x',
    severity: 'stop',
    about: { kind, id },
    title: 'x',
    why: '',
    todo: '',
  });
  expect([...of(right, () => [about('load', 'x')]).against.keys()]).toEqual(['c-x']);
  const panel = right.circuits.find((c) => c.id === 'c-x')?.from.id ?? '';
  expect([...of(right, () => [about('panel', panel)]).against.keys()]).toContain('c-x');
});
test('what somebody has accepted, and what is no stop, holds nothing', () => {
  const accepted = (findings: readonly Finding[]) => findings.map((f) => ({ ...f, accepted: { by: 'the owner', why: 'known' } }));
  expect(of(thin, accepted)).toMatchObject({ stops: [], heldPieces: 0 });
  expect(of(right, (findings) => findings.filter((f) => f.severity !== 'stop')).stops).toEqual([]);
});
test('an estimated run is not to be cut yet either: tape it first', () => {
  const loose: Design = { ...right, circuits: right.circuits.map((c) => ({ ...c, taps: c.taps.map((t) => ({ ...t, tapedM: null })) })) };
  // The two links of the bank's strings are not measured in either.
  const links = of(right, () => []).untaped;
  expect(of(loose, () => [])).toMatchObject({ free: [], heldPieces: 0, untaped: of(right, () => []).free.length + links });
});
