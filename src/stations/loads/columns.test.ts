import { blankDesign, blankLiving, blankLoad, type Load } from '@/core/design';
import { APPLIANCES, loadFrom } from '@/core';
import { loadColumns } from './columns';

const metric = blankDesign('Test', 'metric', 10, 3, 12);
const american = blankDesign('Test', 'awg', 10, 3, 24);
const columnOf = (key: string, design = metric) => {
  const column = loadColumns(design).find((c) => c.key === key);
  if (!column) throw new Error(key);
  return column;
};
const row: Load = { ...blankLoad('x', 12), name: 'Thing', rating: 60, mark: 'typical' };
const written = (key: string, text: string, from = row, design = metric): Load => {
  const parsed = columnOf(key, design).write?.(from, text);
  if (!parsed?.ok) throw new Error(`${key} refused ${text}: ${parsed?.message ?? 'not to be typed'}`);
  return { ...from, ...parsed.value };
};
const refused = (key: string, text: string, from = row): string => {
  const parsed = columnOf(key).write?.(from, text);
  return parsed && !parsed.ok ? parsed.message : 'taken';
};

describe('watts and amps', () => {
  test('watts typed: amps follow', () => {
    const next = written('W', '90');
    expect(next).toMatchObject({ ratingBy: 'W', rating: 90 });
    expect(columnOf('A').text(next)).toBe('7.5');
  });
  test('amps typed: watts follow', () => {
    const next = written('A', '2.5');
    expect(next).toMatchObject({ ratingBy: 'A', rating: 2.5 });
    expect(columnOf('W').text(next)).toBe('30');
  });
  test('the volts it is made for decide', () => expect(columnOf('A').text({ ...row, nominalV: 24 })).toBe('2.5'));
  test('kilowatts and milliamps are understood', () => {
    expect(written('W', '1.2 kW').rating).toBe(1200);
    expect(written('A', '250 mA').rating).toBe(0.25);
  });
  test('the one that was typed carries the mark, the other is quiet', () => {
    const next = written('A', '3');
    expect(columnOf('A').tone?.(next)).toBe('estimated');
    expect(columnOf('W').tone?.(next)).toBe('quiet');
  });
  test('typing over a typical figure makes it estimated; over a measured one it stays measured', () => {
    expect(written('W', '61').mark).toBe('estimated');
    expect(written('W', '61', { ...row, mark: 'measured' }).mark).toBe('measured');
    expect(written('surgeA', '40', { ...row, mark: "maker's" }).mark).toBe("maker's");
  });
});

describe('what is refused, and how it is told', () => {
  test.each([
    ['W', 'x', '"x" is not a number'],
    ['W', '', 'a number is needed'],
    ['W', '-1', 'at least 0 W is needed'],
    ['W', '1e9', 'at most 100000 W is taken'],
    ['A', '6000', 'at most 5000 A is taken'],
    ['A', '5 kg', '"kg" is not a unit of this figure; A is meant'],
    ['nominalV', '0', 'at least 1 V is needed'],
    ['nominalV', '400', 'at most 60 V is taken'],
    ['quantity', '0', 'at least 1 is needed'],
    ['quantity', '100', 'at most 99 is taken'],
    ['quantity', '1.5', 'a whole number is needed'],
    ['name', '   ', 'a name is needed'],
    ['name', 'x'.repeat(121), 'at most 120 letters'],
    ['place', 'the moon', expect.stringContaining('Engine space') as string],
    ['behaviour', 'odd', 'one of power, resistance, current is needed'],
    ['critical', 'perhaps', 'yes or no is needed'],
    ['hours-anchor', '25', 'at most 24 h is taken'],
    ['hours-anchor', '-1', 'at least 0 h is needed'],
    ['surgeS', '0', 'at least 0.001 s is needed'],
    ['makerFuseA', '5000', 'at most 1000 A is taken'],
    ['makerWire', '7 mm²', 'the tables have no 7 mm²'],
    ['duty', 'now and then', expect.stringContaining('120/300 ×3') as string],
    ['mark', 'guessed', expect.stringContaining('measured') as string],
  ])('%s: %p', (key, text, message) => expect(refused(key, text)).toEqual(message));
});

describe('places', () => {
  test('by name, or the beginning of one', () => {
    expect(written('place', 'Galley').placeId).toBe('galley');
    expect(written('place', 'eng').placeId).toBe('engine');
  });
  test('emptied, it has none', () => expect(written('place', '', { ...row, placeId: 'galley' }).placeId).toBeNull());
  test('a new place takes away a position of its own', () =>
    expect(written('place', 'Galley', { ...row, at: { x: 1, y: 0, z: 0 } }).at).toBeNull());
  test('its name is shown', () => expect(columnOf('place').text({ ...row, placeId: 'bow' })).toBe('Bow locker'));
});

describe('hours', () => {
  test('one way of living is set, the others stay', () => {
    const next = written('hours-passage', '6', { ...row, hours: { anchor: 2, passage: 1 } });
    expect(next.hours).toEqual({ anchor: 2, passage: 6 });
  });
  test('emptied is nought, shown as a dot', () => {
    const next = written('hours-anchor', '', { ...row, hours: { anchor: 2 } });
    expect(next.hours).toEqual({ anchor: 0 });
    expect(columnOf('hours-anchor').show?.(next)).toBe('·');
  });
  test('there is a column for each way of living', () => {
    const more = { ...metric, living: [...metric.living, blankLiving('own', 'at the yard')] };
    expect(
      loadColumns(more)
        .filter((c) => c.key.startsWith('hours-'))
        .map((c) => c.title),
    ).toEqual(['at anchor', 'on passage', 'motoring', 'on shore power', 'laid up', 'at the yard']);
  });
});

describe('optional figures', () => {
  test.each(['surgeA', 'surgeS', 'minV', 'makerFuseA'] as const)('%s may be emptied', (key) => {
    const set = written(key, '12');
    expect(set[key]).toBe(12);
    expect(written(key, '', set)[key]).toBeNull();
    expect(columnOf(key).text(written(key, '', set))).toBe('');
  });
  test('lengths in a maker’s table are in the vessel’s unit', () => {
    const next = written('makerWire', '10 AWG to 10', { ...row, nominalV: 24 }, american);
    expect(next.makerWire[0]?.upToM).toBeCloseTo(3.048, 9);
    expect(columnOf('makerWire', american).text(next)).toBe('10 AWG to 10 ft');
  });
});

test('every cell of every appliance is taken back as it is shown', () => {
  const places = new Set(metric.places.map((p) => p.id));
  for (const appliance of APPLIANCES) {
    const load = loadFrom(appliance, 'y', 12, places);
    for (const column of loadColumns(metric)) {
      if (!column.write || column.key === 'W' || column.key === 'A') continue;
      const parsed = column.write(load, column.text(load));
      expect([appliance.name, column.key, parsed.ok]).toEqual([appliance.name, column.key, true]);
      if (parsed.ok) expect(column.text({ ...load, ...parsed.value })).toBe(column.text(load));
    }
  }
});
