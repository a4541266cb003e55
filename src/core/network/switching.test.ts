/** Acts at the boat's own switches and what they bring about, each beside the same act done rightly. */
import { analyse } from '../analysis';
import { blankBank, blankTie, blankLoad, blankSource, type Design, type Load } from '../design';
import { proposeMainSide } from '../propose';
import { bareBoat, withLoad } from '../design/testing';
import { type Act, after, atRest, consequencesOf, type Standing, standingAnswer } from './switching';

const onPanel = (design: Design, load: Partial<Load> & { id: string }, from: 'panel' | 'main' | 'house' = 'panel'): Design => {
  const grown = withLoad(design, { ...load, placeId: 'chart', rating: load.rating ?? 24 }, 2, {
    id: `c-${load.id}`,
    no: '',
    name: load.name ?? load.id,
    from: from === 'house' ? { kind: 'bank', id: 'house' } : { kind: 'panel', id: from },
    taps: [{ id: `t-${load.id}`, parent: null, serves: { kind: 'load', id: load.id }, tapedM: 2 }],
  });
  return { ...grown, loads: grown.loads.map((l) => (l.id === 'x' ? { ...l, id: load.id } : l)) };
};
let n = 0;
function boat(selector = true, systemV: 12 | 24 = 12): Design {
  let design = bareBoat('metric', systemV);
  design = onPanel(design, { id: 'display', name: 'Display', shutFirst: true, runsLong: true });
  design = onPanel(design, { id: 'radio', name: 'Radio', runsLong: true, minV: 11.5 });
  design = onPanel(design, { id: 'bilge', name: 'Bilge pump', supply: 'always live' }, 'main');
  design = onPanel(design, { id: 'inv', name: 'Inverter', rating: 300 }, 'house');
  design = {
    ...design,
    banks: [...design.banks, { ...blankBank('start', systemV, 'engine'), name: 'Start', job: 'start', strings: 1 }],
    engine: { ...design.engine, startBankId: 'start' },
    joins: [
      {
        ...blankTie('j', selector ? 'selector' : 'relay', systemV),
        name: 'Switch',
        firstId: 'house',
        secondId: 'start',
        stopped: 'first',
        running: 'both',
      },
    ],
    sources: [
      { ...blankSource('alt', 'alternator', systemV, selector ? null : 'start'), name: 'Alternator', joinId: selector ? 'j' : null },
    ],
  };
  return { ...design, ...proposeMainSide(design, (p) => `${p}${++n}`) };
}
const design = boat();
const analysed = analyse(design);
const rest = atRest(design);
const titles = (before: Standing, act: Act, d = design) =>
  consequencesOf(d, d === design ? analysed : analyse(d), before, act).map((c) => `${c.severity} ${c.title}`);
const running: Standing = { ...rest, rpm: 850, joins: { j: 'both' } };

test('at rest everything wired is live and the house bank feeds it; the start bank feeds nothing', () => {
  const a = standingAnswer(design, analysed, rest);
  expect(a.liveCircuits).toHaveLength(design.circuits.length);
  expect(a.feeds.house).toHaveLength(design.circuits.length);
  expect(a.feeds.start).toEqual([]);
  expect(standingAnswer(design, analysed, { ...rest, joins: { j: 'both' } }).feeds.start).toHaveLength(design.circuits.length);
});

test('opening the main cuts what is behind it, and only that', () => {
  const a = standingAnswer(design, analysed, after(design, rest, { do: 'switch', circuitId: 'c-main' }));
  expect(a.liveCircuits).toEqual(['c-inv']);
  expect(a.study.loads.find((l) => l.id === 'radio')?.volts).toBeNaN();
});

test('opening the main with things in use: electronics cut, the bilge pump dead, the inverter still live', () => {
  const told = titles(rest, { do: 'switch', circuitId: 'c-main' });
  expect(told).toContain('fix Display cut before it was shut down');
  expect(told).toContain('stop Bilge pump dead');
  expect(told).toContain('stop Inverter still live');
  const tidy = { ...rest, on: new Set<string>() };
  expect(titles(tidy, { do: 'switch', circuitId: 'c-main' })).not.toContain('fix Display cut before it was shut down');
  expect(titles(rest, { do: 'switch', circuitId: 'c-radio' })).toEqual([]);
});

test('the selector through off with the engine running leaves the alternator open; stopped, or with a field contact, it does not', () => {
  const off: Act = { do: 'turn', joinId: 'j', to: 'off' };
  expect(titles(running, off)).toContain('stop Alternator left open-circuit with the engine running');
  expect(titles(rest, off).filter((t) => /open-circuit/.test(t))).toEqual([]);
  const contact = { ...design, joins: design.joins.map((j) => ({ ...j, fieldDisconnect: true })) };
  expect(titles(running, off, contact).filter((t) => /left open-circuit/.test(t))).toEqual([]);
  const caught = {
    ...design,
    sources: design.sources.map((s) => ({ ...s, alternator: s.alternator && { ...s.alternator, suppressor: true } })),
  };
  expect(titles(running, off, caught)).toContain('fix Alternator left open-circuit with the engine running');
});

test('from one battery to the other: only a switch that breaks before it makes opens the alternator on the way', () => {
  const across: Act = { do: 'turn', joinId: 'j', to: 'second' };
  const from = { ...running, joins: { j: 'first' as const } };
  const breaks = { ...design, joins: design.joins.map((j) => ({ ...j, makeBeforeBreak: false })) };
  const makes = { ...design, joins: design.joins.map((j) => ({ ...j, makeBeforeBreak: true })) };
  expect(titles(from, across, breaks).some((t) => /breaks before it makes/.test(t))).toBe(true);
  expect(titles(from, across, makes)).toEqual([]);
  // With the engine stopped nothing is left open; the house then lives on the start bank.
  expect(titles({ ...from, rpm: 0 }, across, breaks)).toEqual([expect.stringMatching(/^fix Start is being drained, \d/)]);
});

test('a selector feeds the house from the bank it is turned to; at off all behind it is dead, what is always live on the post is not', () => {
  const always = onPanel(design, { id: 'alarm', name: 'Alarm', supply: 'always live' }, 'house');
  const seen = analyse(always);
  const at = (to: 'first' | 'second' | 'both' | 'off') => standingAnswer(always, seen, { ...rest, joins: { j: to } });
  const amps = (to: 'first' | 'second') => at(to).study.banks.map((b) => b.amps);
  const [houseA = 0, startA = 0] = amps('first');
  expect(houseA).toBeGreaterThan(1);
  expect(startA).toBeCloseTo(0, 6);
  const [houseB = 0, startB = 0] = amps('second');
  expect(houseB).toBeCloseTo(0, 6);
  expect(startB).toBeGreaterThan(1);
  expect(at('second').feeds.start?.length).toBe(always.circuits.length - 1);
  expect(at('second').feeds.house).toEqual(['c-alarm']);
  expect(at('off').liveCircuits).toEqual(['c-alarm']);
});

test('a source through a selector charges the bank it is turned to', () => {
  const charged = (to: 'first' | 'second') =>
    standingAnswer(design, analysed, { ...running, joins: { j: to } })
      .study.banks.filter((b) => b.amps < -1)
      .map((b) => b.id);
  expect(charged('first')).toEqual(['house']);
  expect(charged('second')).toEqual(['start']);
});

test('both with the engine stopped drains the start bank; with it running it charges both', () => {
  const both: Act = { do: 'turn', joinId: 'j', to: 'both' };
  expect(titles(rest, both).some((t) => /^fix Start is being drained/.test(t))).toBe(true);
  expect(titles({ ...running, joins: { j: 'first' } }, both)).toEqual([]);
  const banks = standingAnswer(design, analysed, running).study.banks;
  for (const b of banks) expect(b.amps).toBeLessThan(0);
});

test('cranking from joined banks pulls the radio below what it needs; apart it does not', () => {
  const start: Act = { do: 'engine', run: true };
  const weak = { ...design, banks: design.banks.map((b) => ({ ...b, blockAh: 40 })) };
  expect(titles({ ...rest, joins: { j: 'both' } }, start, weak).some((t) => /restart/.test(t))).toBe(true);
  expect(titles(rest, start, weak).filter((t) => /restart/.test(t))).toEqual([]);
});

test('closing an inverter’s supply at 24 V asks for pre-charge', () => {
  const big = boat(true, 24);
  const open = { ...atRest(big), open: new Set(['c-inv']) };
  expect(titles(open, { do: 'switch', circuitId: 'c-inv' }, big)).toContain('note Inverter charges its capacitors');
  expect(titles({ ...rest, open: new Set(['c-inv']) }, { do: 'switch', circuitId: 'c-inv' })).toEqual([]);
});

test('a relay parts the banks by itself: nothing is drained when the engine stops', () => {
  const relay = boat(false);
  const on = { ...atRest(relay), rpm: 850 };
  const told = titles(on, { do: 'engine', run: false }, relay);
  expect(told.filter((t) => /drained/.test(t))).toEqual([]);
  expect(told.some((t) => /stops charging/.test(t))).toBe(true);
});

test('any act done twice on a breaker, or with a load, is undone by the second', () => {
  const spare = { ...design, loads: [...design.loads, blankLoad('spare', 12)] };
  for (const act of [{ do: 'switch', circuitId: 'c-radio' } as const, { do: 'use', loadId: 'spare' } as const])
    expect(after(spare, after(spare, rest, act), act)).toEqual(rest);
});
