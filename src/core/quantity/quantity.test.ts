import fc from 'fast-check';
import { blankDevice, type InlineDevice, parseDuty, parseSize, parseThrough, parseWire, showDuty, showThrough, showWire } from '../design';
import { bare, brief, type Kind, round3, round3Beside, show, small, unitOf, type Units } from './units';
import { parseChoice, parseNumber, parseOptional, parseYesNo } from './parse';

const metric: Units = { lengthUnit: 'm', tempUnit: 'C', massUnit: 'kg', ruleSet: 'metric' };
const american: Units = { lengthUnit: 'ft', tempUnit: 'F', massUnit: 'lb', ruleSet: 'awg' };

test('units round-trip', () => {
  fc.assert(
    fc.property(
      fc.constantFrom<Kind>('m', 'C', 'kg', 'V', 'A', 'ohm'),
      fc.constantFrom(metric, american),
      fc.double({ min: -1e6, max: 1e6, noNaN: true }),
      (kind, units, x) => {
        const unit = unitOf(kind, units);
        expect(Math.abs(unit.from(unit.to(x)) - x)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(x)));
      },
    ),
  );
});

test('what a cell shows is read back as the same value', () => {
  fc.assert(
    fc.property(
      fc.constantFrom<Kind>('m', 'C', 'kg', 'A'),
      fc.constantFrom(metric, american),
      fc.double({ min: 0.1, max: 900, noNaN: true }),
      (kind, units, x) => {
        const parsed = parseNumber(bare(x, kind, units), kind, units, -1e9, 1e9);
        expect(parsed.ok && Math.abs(parsed.value - x) < 1e-4).toBe(true);
      },
    ),
  );
});

test.each([
  [0.12345, '0.123'],
  [12.345, '12.3'],
  [12345.6, '12300'],
  [12345, '12345'],
  [0, '0'],
  [Infinity, 'no limit'],
  [-2.5, '−2.5'],
  [0.00004567, '0.0000457'],
])('%p reads %s', (value, text) => expect(round3(value)).toBe(text));

test('figures carry the vessel’s unit', () => {
  expect(show(3.048, 'm', american)).toBe('10 ft');
  expect(show(50, 'C', american)).toBe('122 °F');
  expect(show(0.00876, 'ohm', metric)).toBe('8.76 mΩ');
  expect(show(null, 'A', metric)).toBe('–');
});

describe('small units follow the boat', () => {
  test.each([
    [14, 'Nm', '14 N m', '10.3 lb ft'],
    [311, 'N', '311 N', '69.9 lbf'],
    [10, 'L', '10 L', '2.64 gal'],
    [25.4, 'mm', '25.4 mm', '1 in'],
    [5, 'dC', '5 °C', '9 °F'],
    [0.266, 'ohmPerKm', '0.266 Ω/km', '0.0811 Ω/1000 ft'],
  ] as const)('%d %s', (x, kind, ours, theirs) => expect([show(x, kind, metric), show(x, kind, american)]).toEqual([ours, theirs]));
  test.each([
    [4.8, '3/16 in'],
    [6, '1/4 in'],
    [12, '1/2 in'],
    [24, '1 in'],
    [40, '1 5/8 in'],
    [70, '2 3/4 in'],
  ])('%d mm is bought as %s', (mm, inches) => expect([small(mm, metric), small(mm, american)]).toEqual([`${mm} mm`, inches]));
});
describe('what stands in a field', () => {
  test.each([
    ['37.4016', '37.4'],
    ['37.41', '37.41'],
    ['0.3048', '0.305'],
    ['1234.5678', '1235'],
    ['-4.44444', '-4.444'],
    ['12', '12'],
    ['', ''],
    ['open', 'open'],
  ])('%s is shown as %s', (all, shown) => expect(brief(all)).toBe(shown));
});
describe('feet and inches, halves and quarters', () => {
  const feet = { lengthUnit: 'ft', tempUnit: 'F', massUnit: 'lb', ruleSet: 'awg' } as const;
  test.each([
    ['11 ft 6 in', 3.5052],
    ['11\' 6"', 3.5052],
    ['11′6″', 3.5052],
    ['11 ft 6 1/2', 3.5179],
    ['10 3/4 in', 0.27305],
    ['3/4"', 0.01905],
    ['3,5 m', 3.5],
    ['12 1/2', 3.81],
  ])('%s is %d m', (text, m) => {
    const read = parseNumber(text, 'm', feet, 0, 100);
    expect(read.ok ? read.value : read.message).toBeCloseTo(m, 9);
  });
  test.each([
    ['10 3/4 in', 273.05],
    ['2 cm', 20],
    ['1 1/2', 38.1],
  ])('of a small length %s is %d mm', (text, mm) => {
    const read = parseNumber(text, 'mm', feet, 0, 1000);
    expect(read.ok ? read.value : read.message).toBeCloseTo(mm, 9);
  });
  test.each(['11 ft 14 in', '3/0 in', '1/2/3', "6 ' 3 kg"])('%s is none', (text) =>
    expect(parseNumber(text, 'm', feet, 0, 100).ok).toBe(false),
  );
});
describe('numbers as typed', () => {
  const length = (text: string, units = metric) => parseNumber(text, 'm', units, 0.1, 100);
  test.each([
    ['4.2', 4.2],
    ['4,2', 4.2],
    ['4.2 m', 4.2],
    ['420cm', 4.2],
    ['10 ft', 3.048],
  ])('%s is %p m', (text, value) => expect(length(text)).toEqual({ ok: true, value: expect.closeTo(value, 9) as number }));
  test('a bare number is in the vessel’s unit', () =>
    expect(length('10', american)).toEqual({ ok: true, value: expect.closeTo(3.048, 9) as number }));
  test.each([
    ['', 'a number is needed'],
    ['abc', '"abc" is not a number'],
    ['NaN', '"NaN" is not a number'],
    ['1e9', 'at most 100 m is taken'],
    ['1e999', 'a finite number is needed'],
    ['-3', 'at least 0.1 m is needed'],
    ['3 kg', '"kg" is not a unit of this figure; m is meant'],
    ['1 2', '"1 2" is not a number'],
  ])('%p is refused: %s', (text, message) => expect(length(text)).toEqual({ ok: false, message }));
  test('limits are told in the vessel’s unit', () =>
    expect(length('900', american)).toEqual({ ok: false, message: 'at most 328.1 ft is taken' }));
  test('no text makes it throw', () => {
    fc.assert(fc.property(fc.string(), (text) => expect(typeof parseOptional(text, 'A', metric, 0, 10).ok).toBe('boolean')));
  });
});

test('choices are taken by an unambiguous beginning', () => {
  expect(parseChoice('res', ['power', 'resistance'])).toEqual({ ok: true, value: 'resistance' });
  expect(parseChoice('p', ['pump', 'power']).ok).toBe(false);
  expect(parseChoice('', ['power']).ok).toBe(false);
  expect(parseYesNo('Y')).toEqual({ ok: true, value: true });
  expect(parseYesNo('perhaps').ok).toBe(false);
});

test.each([
  ['10', american, { school: 'awg', size: '10' }],
  ['10', metric, { school: 'metric', size: '10' }],
  ['2/0', metric, { school: 'awg', size: '2/0' }],
  ['6 mm2', american, { school: 'metric', size: '6' }],
  ['AWG 8', metric, { school: 'awg', size: '8' }],
  ['1,5', metric, { school: 'metric', size: '1.5' }],
] as const)('%s is a size of the right school', (text, units, value) => expect(parseSize(text, units)).toEqual({ ok: true, value }));

test('sizes that no table has are refused', () => {
  expect(parseSize('7', metric)).toEqual({ ok: false, message: 'the tables have no 7 mm²' });
  expect(parseSize('thick', american).ok).toBe(false);
});

test("a maker's table and a duty are read back as they are shown", () => {
  const wire = parseWire('6 mm² to 3 m; 10 mm² to 5 m', metric);
  expect(wire.ok && showWire(wire.value, metric)).toBe('6 mm² to 3 m; 10 mm² to 5 m');
  expect(parseWire('6 mm² to far', metric).ok).toBe(false);
  const duty = parseDuty('120/300 ×3');
  expect(duty.ok && showDuty(duty.value)).toBe('120/300 ×3');
  expect(parseDuty('often').ok).toBe(false);
  expect(parseDuty('')).toEqual({ ok: true, value: null });
});

describe('what stands in line on a lead', () => {
  const places = [{ id: 'box', name: 'Battery box' }];
  const blank = (kind: InlineDevice['kind']) => blankDevice('new', kind);
  const read = (text: string, before: readonly InlineDevice[] = []) => parseThrough(text, before, places, blank);
  test.each(['shunt 500 A 0.05 mΩ at Battery box; battery switch', 'isolator 300 A', 'relay at Battery box', 'diode 2 mΩ', ''])(
    '"%s" is read back as it is shown',
    (text) => {
      const parsed = read(text);
      expect(parsed.ok && showThrough(parsed.value, places)).toBe(text);
    },
  );
  test('what stood there keeps its id, and its place where none is typed', () => {
    const before = [{ ...blankDevice('old', 'shunt'), placeId: 'box', ratingA: 100 }];
    const parsed = read('shunt 200 A; shunt', before);
    expect(parsed.ok && parsed.value.map((d) => [d.id, d.placeId, d.ratingA])).toEqual([
      ['old', 'box', 200],
      ['new', null, null],
    ]);
  });
  test.each([
    ['kettle', /"kettle" is none of: switch;/],
    ['shunt at Crow nest', /no place "Crow nest"/],
    ['shunt 9000 A', /0.1 to 2000 A/],
    ['shunt 5 A 2000 mΩ', /1000 mΩ at most/],
    [Array.from({ length: 7 }, () => 'relay').join(';'), /at most 6/],
  ])('"%s" is refused in words', (text, message) => {
    const parsed = read(text);
    expect(parsed.ok ? '' : parsed.message).toMatch(message);
  });
  test('no text makes it throw', () => fc.assert(fc.property(fc.string(), (text) => expect(typeof read(text).ok).toBe('boolean'))));
});

test.each([
  [18353.7, 10000, '18400'],
  [10012.4, 10000, '10012'],
  [264.5, 160, '265'],
  [140.3, 140, '140.3'],
  [9.98, 10, '9.98'],
])('%d beside a limit of %d reads %s', (x, limit, text) => expect(round3Beside(x, limit)).toBe(text));
