/** The test sheets of the demo boats: what each has is asked, what it lacks is not, and every figure that is expected can be read. */
import { analyse } from '@/core';
import { STAGES, testSheet, type TestLine, USUAL_CONDITIONS } from '@/core/commission';
import { halcyon } from './halcyon';
import { marram } from './marram';
import { turnstone } from './turnstone';

const of = (design: ReturnType<typeof marram>): readonly TestLine[] => testSheet(design, analyse(design), USUAL_CONDITIONS);
const sheets = { marram: of(marram()), halcyon: of(halcyon()), turnstone: of(turnstone()) };
const kinds = (lines: readonly TestLine[]) => new Set(lines.map((l) => l.id.split('.')[0] ?? ''));

test('a boat with an engine, an inverter and a generator is asked all that belongs to them', () => {
  const asked = kinds(sheets.halcyon);
  for (const kind of ['part', 'heat', 'crank', 'first', 'speed', 'stages', 'firstfull', 'bankohm', 'loop', 'outlet', 'transfer', 'off'])
    expect(asked).toContain(kind);
});
test('what several heavy loads go through is read once, with the largest on; a windlass is not run warm; no outlet is asked of what has none', () => {
  for (const design of [marram(), halcyon()]) {
    const lines = of(design);
    const parts = lines.filter((l) => l.id.startsWith('part.')).map((l) => l.id.split('.').slice(3).join('.'));
    expect(new Set(parts).size).toBe(parts.length);
    const windlass = design.loads.find((l) => l.name === 'Anchor windlass');
    const own = design.circuits.find((c) => c.taps.some((t) => t.serves.id === windlass?.id));
    expect(own).toBeDefined();
    expect(lines.some((l) => l.id === `heat.${own?.id ?? ''}`)).toBe(false);
    const without = design.acCircuits.filter((c) => c.outlets === 0).map((c) => `outlet.${c.id}`);
    expect(without.length).toBeGreaterThan(0);
    expect(lines.filter((l) => without.includes(l.id))).toEqual([]);
  }
});
test('turnstone has no generator and no converter, and is asked of none', () => {
  const design = turnstone();
  const asked = kinds(sheets.turnstone);
  expect(asked.has('solenoid')).toBe(design.acSources.some((s) => s.generator !== null && s.generator.startLoadId !== null));
  expect(asked.has('dcdc')).toBe(design.sources.some((s) => s.dcdc !== null));
  expect(asked.has('loop')).toBe(design.acCircuits.length > 0);
});
describe.each(Object.entries(sheets))('%s', (_, lines) => {
  test('ids are their own, fit a record, and stages come in order', () => {
    expect(new Set(lines.map((l) => l.id)).size).toBe(lines.length);
    expect(lines.filter((l) => !/^[^\s]{1,150}$/.test(l.id)).map((l) => l.id)).toEqual([]);
    expect(lines.map((l) => l.stage)).toEqual(lines.map((l) => l.stage).sort((a, b) => a - b));
    expect(Math.max(...lines.map((l) => l.stage))).toBeLessThan(STAGES.length);
  });
  test('every band holds what is expected, nothing is negative or endless', () => {
    for (const { band } of lines)
      if (band) {
        expect(band.low).toBeLessThanOrEqual(band.expected);
        expect(band.high).toBeGreaterThanOrEqual(band.expected);
        expect([band.low, band.expected, band.high].every(Number.isFinite)).toBe(true);
      }
  });
  test('where a figure is typed there is something to hold it against, and what to do if it is not right', () => {
    const open = lines.filter(
      (l) => l.unit !== 'seen' && l.band === null && l.limit.least === null && l.limit.most === null && l.drop === null,
    );
    expect(open.map((l) => l.id)).toEqual([]);
    expect(lines.filter((l) => l.stage > 0 && l.outside === '').map((l) => l.id)).toEqual([]);
  });
  test('amps at three speeds rise with speed', () => {
    const at = (name: string) => lines.filter((l) => l.id.startsWith(`speed.${name}.`)).map((l) => l.band?.expected ?? 0);
    at('idle').forEach((idle, i) => expect(at('fast')[i]).toBeGreaterThanOrEqual(idle));
  });
});
