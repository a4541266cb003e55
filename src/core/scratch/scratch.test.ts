import fc from 'fast-check';
import { APPLIANCES, kindOf, loadFrom } from '../design';
import { bareBoat } from '../design/testing';
import { readScratch, type ScratchReading } from './read';
import { scratch } from './answer';

const read = (line: string, places: { id: string; name: string }[] = []): ScratchReading => {
  const result = readScratch(line, places);
  if (!result.ok) throw new Error(result.message);
  return result.reading;
};
const refusal = (line: string): string => {
  const result = readScratch(line);
  return result.ok ? '' : result.message;
};

test.each<[string, Partial<ScratchReading>]>([
  ['140 W pump 24 V 7 m engine space', { name: 'Pump', ratingBy: 'W', rating: 140, volts: 24, lengthM: 7, engineSpace: true }],
  ['12A 23 ft', { name: 'Load', ratingBy: 'A', rating: 12, volts: null, lengthM: 23 * 0.3048 }],
  ['fridge, 4,5 A, 6,2 m', { name: 'Fridge', rating: 4.5, lengthM: 6.2 }],
  ['2 x 10 W cabin lights 6m', { quantity: 2, rating: 10, name: 'Cabin lights' }],
  ['10 W lamp x3 4 m', { quantity: 3, rating: 10, name: 'Lamp' }],
  ['1.2kw heater 24v 300 cm', { ratingBy: 'W', rating: 1200, volts: 24, lengthM: 3 }],
  ['350 mA sensor 2 m', { ratingBy: 'A', rating: 0.35 }],
  ['3 ft 6 in 20 W lamp', { lengthM: 3.5 * 0.3048, rating: 20 }],
  ['thruster 3 kW 5 m surge 400 A 2 s', { surgeA: 400, surgeS: 2, rating: 3000 }],
  ['pump 8 A 5 m start of 30A', { surgeA: 30, surgeS: 1, rating: 8 }],
  ['radio 6 A 4 m critical 3 %', { critical: true, dropPct: 3, name: 'Radio' }],
  ['fan 2 A 5 m 60 °C', { ambientC: 60 }],
  ['fan 2 A 5 m 140 °F', { ambientC: 60 }],
  ['sounder 1 A 9 m in a conduit, bilge', { conduit: true, wet: true }],
  ['blower 5 A 3 m petrol vapour', { vapour: true }],
  ['bilge pump 5 A 3 m', { wet: false, name: 'Bilge pump' }],
  ['10 yards 5 A pump', { lengthM: 9.144 }],
  ['1e3 W 2 m', { rating: 1000 }],
])('%s', (line, expected) => {
  const reading = read(line);
  for (const [key, value] of Object.entries(expected)) {
    const got = reading[key as keyof ScratchReading];
    if (typeof value === 'number') expect(got).toBeCloseTo(value, 9);
    else expect(got).toBe(value);
  }
});

test.each([
  ['Bilge pump 5 A 3 m', 'Bilge pump', 'bilge'],
  ['5 A pump 3 m bilge', 'Pump', 'bilge'],
  ['Chart table light 3 W 5 m', 'Chart table light', 'chart'],
])('%s: what comes first belongs to the name', (line, name, placeId) =>
  expect(
    read(line, [
      { id: 'bilge', name: 'Bilge' },
      { id: 'chart', name: 'Chart table' },
    ]),
  ).toMatchObject({ name, placeId }),
);
test('an engine space blower stands in the engine space', () =>
  expect(read('Engine space blower 5 A 3 m')).toMatchObject({ name: 'Engine space blower', engineSpace: true }));
test('a place of the boat on the table is known by its name', () =>
  expect(read('60 W fan 4 m Fore cabin', [{ id: 'fore', name: 'Fore cabin' }])).toMatchObject({ placeId: 'fore', name: 'Fan' }));

test.each([
  ['', 'such as'],
  ['   ', 'such as'],
  ['7 m', 'watts or amps'],
  ['50 pump 7 m', '50 of what'],
  ['60 W pump', 'distance'],
  ['60 W 3 m 9 m', 'two distances'],
  ['60 W 5 A 9 m', 'two ratings'],
  ['-60 W 9 m', 'positive'],
  ['0 W 9 m', 'watts or amps'],
  ['1e9 A 9 m', '5000 A at most'],
  ['60 W 900 m', '100 m at most'],
  ['60 W 9 m 230 V', 'DC side'],
  ['60 W 9 m 90 %', 'drop'],
  ['60 W 9 m 300 °C', 'ambient'],
])('"%s" is answered with what is meant', (line, word) => expect(refusal(line)).toContain(word));

test('by hand: 12 A over 7 m at 12 V, metric', () => {
  const result = scratch('12 A pump 12 V 7 m', null);
  if (!result.ok) throw new Error(result.message);
  const { result: circuit, working, load } = result.answer;
  // 12 A x 1.25 = 15 A. 4 mm2: 14 m x 5.09 ohm/km = 71.3 mohm cold, about 0.9 V: under 10 %; 2.5 mm2: 115 mohm, 1.4 V and more: over it.
  expect(circuit.workingA).toBe(12);
  expect(circuit.own.protection.ratingA).toBe(15);
  expect(circuit.own.ladder).toMatchObject({ governs: 'drop', chosen: { size: '4' } });
  expect(circuit.own.state.drop.worst?.dropV).toBeGreaterThan(12 * 0.0713);
  expect(circuit.own.state.drop.worst?.dropV).toBeLessThan(1.2);
  expect(load).toMatchObject({ behaviour: 'current', nominalV: 12, mark: 'estimated' });
  expect(working.sections.map((s) => s.title)).toContain('Drop at working current');
});
test('the other school answers in its own sizes', () => {
  const result = scratch('12 A pump 12 V 7 m', null, 'awg');
  expect(result.ok && result.answer.result.own.ladder.chosen).toMatchObject({ school: 'awg', size: '12' });
});
test('an engine space costs ampacity; a limit given in the line rules', () => {
  const plain = scratch('20 A 12 V 2 m', null);
  const hot = scratch('20 A 12 V 2 m engine space', null);
  const strict = scratch('20 A 12 V 2 m 1 %', null);
  if (!plain.ok || !hot.ok || !strict.ok) throw new Error('refused');
  expect(hot.answer.result.own.state.heat.derating.fAmbient).toBeLessThan(1);
  expect(strict.answer.result.own.state.areaMm2).toBeGreaterThan(plain.answer.result.own.state.areaMm2);
  expect(strict.answer.result.own.ladder.governs).toBe('drop');
});
test('with a boat on the table her volts, rules and places count', () => {
  const boat = bareBoat('awg', 24);
  const result = scratch('60 W fan 4 m Engine space', { ...boat, house: { ...boat.house, protectionOverLoad: 2 } });
  if (!result.ok) throw new Error(result.message);
  expect(result.answer.load.nominalV).toBe(24);
  expect(result.answer.result.own.ladder.school).toBe('awg');
  expect(result.answer.result.own.protection.lower[0]?.by).toContain('2 ×');
  expect(result.answer.reading.placeId).toBe('engine');
});
test('no line makes it throw', () => {
  const word = fc.constantFrom(
    '60',
    'W',
    'A',
    '12',
    'V',
    '7',
    'm',
    'ft',
    'x',
    '%',
    '°C',
    'surge',
    'engine space',
    ',',
    '-',
    'NaN',
    '1e99',
    'fan',
    "'",
    '"',
    '(',
    '\\',
  );
  fc.assert(
    fc.property(fc.array(word, { maxLength: 14 }), (words) => typeof scratch(words.join(' '), null).ok === 'boolean'),
    { numRuns: 300 },
  );
  fc.assert(
    fc.property(fc.string({ maxLength: 80 }), (line) => typeof scratch(line, null).ok === 'boolean'),
    { numRuns: 200 },
  );
});

test("a telephone's charger is a load; the battery's charges", () => {
  const group = (line: string) => {
    const result = scratch(line, null);
    return result.ok && result.answer.load.group;
  };
  expect(group('20 W phone charger 12 V 3 m')).not.toBe('charging');
  expect(group('30 A battery charger 12 V 2 m')).toBe('charging');
  expect(group('80 A alternator 12 V 5 m')).toBe('charging');
});

describe('a line and the list say the same of an appliance', () => {
  const boat = bareBoat('metric');
  test.each(APPLIANCES.filter((a) => kindOf({ kind: null, name: a.name, group: a.group }) !== 'starter').map((a) => [a.name, a] as const))(
    '%s',
    (name, appliance) => {
      const listed = loadFrom(appliance, 'x', 12, new Set());
      const watts = kindOf(listed) === 'inverter' ? appliance.watts * 0.9 : appliance.watts;
      const answer = scratch(`${name.replaceAll(',', ' ')} ${watts} W 5 m`, boat);
      if (!answer.ok) throw new Error(answer.message);
      const { load } = answer.answer;
      expect([load.supply, load.duty, load.behaviour, load.group, load.critical, load.runsLong, kindOf(load)]).toEqual([
        listed.supply,
        listed.duty,
        listed.behaviour,
        listed.group,
        listed.critical,
        listed.runsLong,
        kindOf(listed),
      ]);
      expect(load.rating).toBeCloseTo(listed.rating, 6);
      expect(load.surgeS).toBe(listed.surgeS);
      expect(load.surgeA ?? 0).toBeCloseTo(listed.surgeA ?? 0, 1);
    },
  );
});
