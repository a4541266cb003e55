import { applyEdit, blankSource, type Design, removeSource, type SmallLead, type Source, takeCandidate } from '../design';
import { bareBoat } from '../design/testing';
import { proposeSmallLeads, usualLead } from '../propose';
import { settingsMatrix } from './settings';
import { endsElsewhere, missingLeads, smallLeadResult } from './smallLeads';

const alternator = (id = 'alt', change: Partial<NonNullable<Source['alternator']>> = {}): Source => {
  const s = blankSource(id, 'alternator', 12, 'house');
  return {
    ...s,
    name: id,
    alternator: s.alternator && { ...s.alternator, ...change },
    regulator: { ...s.regulator, sense: 'the bank', sensor: 'on the bank' },
  };
};
const boat = (...sources: Source[]): Design => ({ ...bareBoat('metric'), sources });
const lead = (d: Design, change: Partial<SmallLead> = {}): SmallLead => ({
  ...usualLead(d, 'w', change.purpose ?? 'sense', d.sources[0] as Source),
  lengthM: 5,
  ...change,
});

describe('small leads', () => {
  it('lose amps times their own resistance: 1 mm² of 20 Ω/km, 5 m, at 2 A is 0.2 V', () => {
    const d = boat(alternator());
    const r = smallLeadResult(d, lead(d, { amps: 2 }));
    expect(r.conductor?.size).toBe('1');
    const warm = 1 + 0.00393 * (25 - 20);
    expect(r.dropV).toBeCloseTo((2 * (r.conductor?.r20OhmPerKm ?? 0) * 5 * warm) / 1000, 2);
    expect(r.dropV).toBeGreaterThan(0.18);
    expect(r.dropV).toBeLessThan(0.22);
  });

  it('of a sensor are never cut: they are their maker’s', () => {
    const d = boat(alternator());
    expect(smallLeadResult(d, lead(d, { purpose: 'temperature' }))).toMatchObject({ conductor: null, dropV: 0, izA: Infinity });
  });

  it('are wanted as the source is regulated; a charge lamp excites too', () => {
    const d = boat(alternator());
    expect(missingLeads(d, d.sources[0] as Source)).toEqual(['sense', 'excitation', 'tachometer', 'temperature']);
    const lamp = { ...d, smallLeads: [lead(d, { purpose: 'charge lamp' })] };
    expect(missingLeads(lamp, d.sources[0] as Source)).toEqual(['sense', 'tachometer', 'temperature']);
    const wireless = boat(alternator('one', { excitation: 'one-wire', tacho: false }));
    expect(missingLeads(wireless, wireless.sources[0] as Source)).toEqual(['temperature']);
  });

  it('are proposed once, with a fuse at the tap and a diode where they excite', () => {
    const d = boat(alternator());
    let n = 0;
    const { smallLeads } = proposeSmallLeads(d, (p) => `${p}${++n}`);
    expect(smallLeads.map((l) => [l.purpose, l.to?.kind, l.fuseA, l.diode])).toEqual([
      ['sense', 'bank', 3, false],
      ['excitation', 'panel', 3, true],
      ['tachometer', 'panel', null, false],
      ['temperature', 'bank', null, false],
    ]);
    expect(proposeSmallLeads({ ...d, smallLeads }, (p) => p).smallLeads).toEqual([]);
  });

  it('raise what the bank gets by what the sense lead takes, in the settings', () => {
    const d = boat(alternator('alt', { excitation: 'external' }));
    const absorption = (x: Design) => settingsMatrix(x)[0]?.settings.find((s) => s.name === 'absorption')?.verdict;
    const set = { ...d, sources: d.sources.map((s) => ({ ...s, regulator: { ...s.regulator, absorptionV: 14.4 } })) };
    const agm = { ...set, banks: set.banks.map((b) => ({ ...b, chemistry: 'agm' as const })) };
    expect(absorption({ ...agm, smallLeads: [lead(agm)] })).toBe('right');
    expect(absorption({ ...agm, smallLeads: [lead(agm, { amps: 4 })] })).toBe('stop');
  });

  it('of a sensor on the wrong bank put its volts wrong: 20 K × 6 cells × 4 mV is half a volt', () => {
    const d = boat(alternator());
    const house = d.banks[0];
    if (!house) throw new Error('a bank');
    const banks = [
      { ...house, chemistry: 'agm' as const, tempC: 20 },
      { ...house, id: 'start', name: 'Start', job: 'start' as const, tempC: 40 },
    ];
    const two = { ...d, banks };
    const off = endsElsewhere(two, smallLeadResult(two, lead(d, { purpose: 'temperature', to: { kind: 'bank', id: 'start' } })));
    expect(off?.at).toBe('Start');
    expect(off?.offV).toBeLessThan(-0.3);
    expect(off?.offV).toBeGreaterThan(-0.7);
    expect(endsElsewhere(two, smallLeadResult(two, lead(d, { purpose: 'temperature' })))).toBeNull();
  });

  it('go with their source, and over to what takes its place', () => {
    const d = boat(alternator(), { ...alternator('new'), insteadOfId: 'alt' });
    const led = { ...d, smallLeads: [lead(d)] };
    const after = (from: Design, ops: Parameters<typeof applyEdit>[1]['ops']) => {
      const done = applyEdit(from, { ops });
      return done.ok ? done.design.smallLeads.map((l) => l.sourceId) : done.conflicts;
    };
    const alone = { ...led, sources: led.sources.slice(0, 1) };
    expect(after(alone, removeSource(alone, 'alt'))).toEqual([]);
    expect(after(led, removeSource(led, 'alt'))).toEqual(['new']);
    expect(after(led, takeCandidate(led, 'new') ?? [])).toEqual(['new']);
  });
});
