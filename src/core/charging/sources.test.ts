import fc from 'fast-check';
import { type Bank, blankTie, blankSource, type Design, type SmallLead, type Source, UNKNOWN_FIT } from '../design';
import { CHEMISTRIES } from '../rules';
import { quietBoat, sourceInto } from '../energy/testing';
import { type Alternator, alternatorAt, cutInRpm, monotone, pulleyRatio } from './alternator';
import { sheetLines } from './programming';
import { highestV, settingsMatrix } from './settings';
import { cellsOf, oddSlope, slopePerCell } from '../bank';
import { arrayFigures } from './solar';
import { beltLengthMm, beltRangeMm } from './belt';
import { oldLeads } from './oldLeads';
import { fitLines, swapLines } from './swap';
import { blankSmallLead } from '../propose';

const alternator = (change: Partial<Alternator> = {}): Alternator => {
  const { alternator: a } = sourceInto('alternator');
  if (!a) throw new Error('no alternator');
  return { ...a, ...change };
};

describe('an alternator worked by hand', () => {
  // 80 A label; at 3000 rpm of its own between 50 A at 2500 and 66 A at 3500.
  test('3000 rpm of its own: hot 0.75 of some 59 A', () => {
    const o = alternatorAt(alternator(), 12, 1500, 0, Infinity);
    expect(o.rpm).toBe(3000);
    expect(o.labelA).toBeGreaterThan(57);
    expect(o.labelA).toBeLessThan(61);
    expect(o.hotA).toBeCloseTo(0.75 * o.labelA, 9);
  });
  test('below 3000 rpm it gives half, unless its field is limited by heat', () => {
    expect(alternatorAt(alternator(), 12, 1250, 0, Infinity).hotA).toBeCloseTo(25, 6);
    expect(alternatorAt(alternator({ fieldLimited: true }), 12, 1250, 0, Infinity).hotA).toBeCloseTo(37.5, 6);
  });
  test('a 10 mm V-belt carries 80 A at 12 V, 40 A at 24 V', () => {
    const big = alternator({ curve: [{ id: 'a', rpm: 3000, amps: 200 }] });
    expect(alternatorAt(big, 12, 2000, 0, Infinity).beltA).toBe(80);
    expect(alternatorAt(big, 24, 2000, 0, Infinity).beltA).toBe(40);
  });
  test('half a volt of room through 20 mΩ is 25 A; sensed at the bank it is all', () => {
    expect(alternatorAt(alternator(), 12, 2200, 0.02, 0.5).bankA).toBeCloseTo(25, 9);
    expect(alternatorAt(alternator(), 12, 2200, 0.02, Infinity).bankA).toBeGreaterThan(40);
  });
  test('40 A at 14 V take 1.02 kW and 0.305 L an hour', () => {
    const o = alternatorAt(alternator(), 12, 2200, 0.0125, 0.5);
    expect(o.bankA).toBeCloseTo(40, 9);
    expect(o.shaftW).toBeCloseTo((14 * 40) / 0.55, 6);
    expect(o.litresPerHour).toBeCloseTo(0.3055, 3);
  });
  test('pulleys give the ratio where both are known', () => {
    expect(pulleyRatio(alternator({ enginePulleyMm: 150, pulleyMm: 60 }))).toBe(2.5);
    expect(pulleyRatio(alternator({ enginePulleyMm: 150 }))).toBe(2);
  });
  test('it cuts in where its curve leaves nought', () => {
    expect(cutInRpm(alternator())).toBe(600);
    expect(cutInRpm(alternator({ curve: [] }))).toBeNull();
  });
});

test('the curve through points never leaves them and never wiggles', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.record({ x: fc.integer({ min: 0, max: 9000 }), y: fc.integer({ min: 0, max: 200 }) }), {
        minLength: 1,
        maxLength: 8,
        selector: (p) => p.x,
      }),
      (points) => {
        const at = monotone(points);
        const sorted = [...points].sort((a, b) => a.x - b.x);
        for (const p of sorted) expect(at(p.x)).toBeCloseTo(p.y, 6);
        sorted.slice(1).forEach((b, i) => {
          const a = sorted[i] ?? b;
          let before = a.y;
          for (let k = 0; k <= 10; k++) {
            const y = at(a.x + ((b.x - a.x) * k) / 10);
            if (b.y >= a.y) expect(y).toBeGreaterThanOrEqual(before - 1e-9);
            else expect(y).toBeLessThanOrEqual(before + 1e-9);
            before = y;
          }
        });
        expect(at((sorted[0]?.x ?? 0) - 1)).toBe(0);
        expect(at(20000)).toBe(sorted[sorted.length - 1]?.y);
      },
    ),
  );
});

describe('slopes in any unit', () => {
  const cells = cellsOf({ blockV: 12, series: 2 }, CHEMISTRIES.agm);
  test.each([
    [-4, 'mV/°C cell', -4],
    [-24, 'mV/°C block', -4],
    [-48, 'mV/°C bank', -4],
    [-2.2222, 'mV/°F cell', -4],
    [-26.6667, 'mV/°F bank', -4],
  ] as const)('%p %s is %p mV a degree and cell', (value, unit, per) => expect(slopePerCell({ value, unit }, cells)).toBeCloseTo(per, 3));
  test.each([
    [-4, true, null],
    [4, true, 'sign'],
    [0, true, 'overcharged'],
    [-24, true, 'outside'],
    [0, false, null],
    [-3, false, 'iron phosphate'],
  ])('%p on lead-acid %p', (per, lead, says) =>
    says === null ? expect(oddSlope(per, lead)).toBeNull() : expect(oddSlope(per, lead)).toContain(says),
  );
});

describe('settings against the bank', () => {
  const bms: Bank['bms'] = { overV: 14.6, underV: 11, lowChargeC: 0, toleranceV: 0.05, warns: true };
  const rowOf = (source: Source, bank: Partial<Bank> = {}, more: Partial<Design> = {}) =>
    settingsMatrix({ ...quietBoat(bank), sources: [source], ...more })[0];
  const verdict = (source: Source, name: string, bank: Partial<Bank> = {}, more: Partial<Design> = {}) =>
    rowOf(source, bank, more)?.settings.find((s) => s.name === name)?.verdict;
  const set = (change: Partial<Source['regulator']>): Source => {
    const s = sourceInto('shore charger');
    return { ...s, regulator: { ...s.regulator, sensor: 'on the bank', ...change } };
  };
  test('14.4 V suits AGM; 15 V does not, and is told what to set', () => {
    expect(verdict(set({}), 'absorption')).toBe('right');
    expect(verdict(set({ absorptionV: 15 }), 'absorption')).toBe('stop');
    expect(rowOf(set({ absorptionV: 15 }))?.settings[0]?.change).toBe('set absorption to 14.40 V');
  });
  test('a splitter sensed before its diodes takes 0.7 V away', () => {
    const tie = { ...blankTie('sp', 'splitter', 12), firstId: 'house', secondId: 'house' };
    expect(verdict({ ...set({}), joinId: 'sp' }, 'absorption', {}, { joins: [tie] })).toBe('fix');
    expect(verdict({ ...set({ sense: 'the bank' }), joinId: 'sp' }, 'absorption', {}, { joins: [tie] })).toBe('right');
  });
  test('equalising ruins AGM', () => expect(verdict(set({ equaliseV: 15.5 }), 'equalise')).toBe('stop'));
  test('a fixed setpoint and a compensated one do not suit iron phosphate', () => {
    expect(verdict(set({ staged: false }), 'time and tail', { chemistry: 'lfp' })).toBe('fix');
    expect(verdict(set({}), 'slope', { chemistry: 'lfp' })).toBe('stop');
    expect(verdict(set({ slope: { value: 0, unit: 'mV/°C cell' } }), 'slope', { chemistry: 'lfp' })).toBe('right');
  });
  test('the highest volts of cold, tolerance counted, stay 0.3 V below the BMS', () => {
    const flat = { slope: { value: 0, unit: 'mV/°C cell' as const } };
    expect(highestV(set({ ...flat, absorptionV: 14.2, toleranceV: 0.05 }), quietBoat({ chemistry: 'lfp' }).banks[0] as Bank)).toBeCloseTo(
      14.25,
      9,
    );
    // 14.25 against 14.6 - 0.05 - 0.3 = 14.25.
    expect(verdict(set({ ...flat, absorptionV: 14.2, toleranceV: 0.05 }), 'BMS', { chemistry: 'lfp', bms })).toBe('right');
    expect(verdict(set({ ...flat, absorptionV: 14.3, toleranceV: 0.05 }), 'BMS', { chemistry: 'lfp', bms })).toBe('stop');
  });
  test('amps beyond what the bank takes', () => {
    expect(verdict({ ...set({}), ratedA: 90 }, 'largest current')).toBe('fix');
    expect(verdict(set({}), 'largest current')).toBe('right');
  });
  test('a bank charged along, 10 °C warmer, gets 10 x 24 mV too much', () => {
    const boat = quietBoat();
    const warm: Bank = { ...(boat.banks[0] as Bank), id: 'warm', name: 'Warm bank', tempC: 35 };
    const joins = [{ ...blankTie('r', 'relay', 12), firstId: 'house', secondId: 'warm' }];
    const row = settingsMatrix({ ...boat, banks: [...boat.banks, warm], joins, sources: [set({})] })[0];
    expect(row?.settings.find((s) => s.name === 'sensor')).toMatchObject({
      verdict: 'fix',
      change: expect.stringContaining('Warm bank is 10 °C warmer and gets 0.24 V too much') as string,
    });
  });
  test('worst first', () => {
    const rows = settingsMatrix({ ...quietBoat(), sources: [set({}), { ...set({ absorptionV: 15.2 }), id: 'bad' }] });
    expect(rows[0]?.source.id).toBe('bad');
  });
  test('the programming sheet says what the bank wants, splitter counted', () => {
    const lines = (s: Source, d: Design) => Object.fromEntries(sheetLines(d, s).map((l) => [l.id, l.toSet]));
    expect(lines(set({}), quietBoat())).toMatchObject({
      absorption: '14.40 V',
      float: '13.50 V',
      tail: '2.0 A',
      equalise: 'off',
      slope: '−24 mV/°C of the bank (−4 a cell)',
    });
    const joined = { ...quietBoat(), joins: [{ ...blankTie('sp', 'splitter', 12), firstId: 'house', secondId: null }] };
    expect(lines({ ...set({}), joinId: 'sp' }, joined)).toMatchObject({ absorption: '15.10 V' });
    expect(lines(set({}), { ...quietBoat(), banks: [] }).battery).toBe('not known');
  });
});

describe('an array worked by hand', () => {
  const { solar } = sourceInto('solar');
  if (!solar) throw new Error('no array');
  test('two in series at -10 °C: 44.8 x (1 + 0.0029 x 35) = 49.35 V', () =>
    expect(arrayFigures({ ...solar, series: 2, coldC: -10 }, 14).coldVocV).toBeCloseTo(49.347, 3));
  test('a fuse a string from three on, 1.56 Isc', () => {
    expect(arrayFigures({ ...solar, parallel: 2 }, 14).stringFuseA).toBeNull();
    expect(arrayFigures({ ...solar, parallel: 3 }, 14).stringFuseA).toBeCloseTo(9.048, 3);
  });
});

describe('fit and swap', () => {
  const boat = (fit: Partial<Design['engine']>): Design => ({ ...quietBoat(), engine: { ...quietBoat().engine, ...fit } });
  const with_ = (change: Partial<Alternator>): Source => ({ ...sourceInto('alternator'), alternator: alternator(change) });
  const verdicts = (d: Design, s: Source) => Object.fromEntries(fitLines(d, s).map((l) => [l.what, l.verdict]));
  test('what is not known is to be measured; what differs does not fit', () => {
    const fit = { ...UNKNOWN_FIT, mounting: 'dual foot', pivotMm: 79, pulley: 'V 10 mm', rotation: 'clockwise' } as const;
    expect(verdicts(boat({}), with_({}))['mounting pattern']).toBe('ask');
    expect(verdicts(boat({ fit }), with_({ fit: { ...fit, mounting: 'saddle' } }))).toMatchObject({
      'mounting pattern': 'does not fit',
      'pivot width': 'fits',
      rotation: 'fits',
    });
  });
  test('petrol wants ignition protection, and its own speed has a limit', () => {
    expect(verdicts(boat({ fuel: 'petrol' }), with_({}))['petrol engine space']).toBe('does not fit');
    expect(verdicts(boat({ maxRpm: 5000 }), with_({ maxRpm: 9000 }))['highest speed, rpm']).toBe('does not fit');
  });
  test('a one-wire machine kills the lamp; a bigger one outgrows what it goes through', () => {
    const tie = { ...blankTie('sp', 'splitter', 12), ratedA: 100 };
    const bigger = { ...with_({ excitation: 'one-wire', tacho: false }), ratedA: 130, joinId: 'sp' };
    const todo = swapLines({ ...quietBoat(), joins: [tie] }, with_({}), bigger).map((l) => l.todo);
    expect(todo.join(' ')).toContain('warning lamp goes dead');
    expect(todo.join(' ')).toContain('tachometer goes dead');
    expect(todo.join(' ')).toContain('good for 100 A: replace it');
    // Cruising at 2000 rpm, twice that of its own: 71.5 A by its label, three quarters of it hot.
    const told = swapLines(quietBoat(), with_({}), bigger).find((l) => l.what === 'hot, cruising')?.of ?? [];
    const [, rpm, own, label, hot] =
      /: (\d+) rpm of the engine × 2\.00 = (\d+) rpm of its own; its label gives ([\d.]+) A there, hot ([\d.]+) A$/.exec(told[0] ?? '') ??
      [];
    expect(Number(own)).toBe(2 * Number(rpm));
    expect(Number(hot) / Number(label)).toBeCloseTo(0.75, 2);
  });
  test('a belt by hand: 2 × 200 + π/2 × 225 + 75²/800 = 760.46 mm; the arm takes it from nearest to a quarter', () => {
    expect(beltLengthMm(200, 150, 75)).toBeCloseTo(760.46, 2);
    const engine = { ...quietBoat().engine, fit: { ...UNKNOWN_FIT, nearMm: 200, farMm: 240, beltMm: 790 } };
    const machine = alternator({ enginePulleyMm: 150, pulleyMm: 75 });
    expect(beltRangeMm(engine, machine)?.map((x) => Math.round(x))).toEqual([760, 780]);
    const belt = (beltMm: number | null) =>
      verdicts({ ...quietBoat(), engine: { ...engine, fit: { ...engine.fit, beltMm } } }, { ...with_({}), alternator: machine })[
        'belt length and reach of the arm'
      ];
    expect([belt(759), belt(790), belt(845), belt(null)]).toEqual(['does not fit', 'fits', 'does not fit', 'ask']);
    const told = fitLines({ ...quietBoat(), engine }, { ...with_({}), alternator: machine }).find((l) => l.what.startsWith('belt'));
    expect(told?.of[1]).toContain('nearest 760 mm; with a quarter of its way gone 780 mm');
  });
  test('a body longer than the room, and a fan made for the other way round, do not fit', () => {
    const room = { ...UNKNOWN_FIT, rotation: 'clockwise', bodyMm: 150, longMm: 200 } as const;
    const its = { ...UNKNOWN_FIT, rotation: 'anticlockwise', bodyMm: 145, longMm: 205, fan: 'one way', nutNm: 70 } as const;
    expect(verdicts(boat({ fit: room }), with_({ fit: its }))).toMatchObject({
      'body, across': 'fits',
      'body, long': 'does not fit',
      fan: 'does not fit',
      'torque of the pulley nut': 'fits',
    });
  });
  test('old leads: a self-exciting machine leaves lamp and sense capped and labelled', () => {
    const lead = (purpose: SmallLead['purpose']) => ({ ...blankSmallLead(purpose, purpose, 'alt'), name: purpose });
    const [was, is] = [
      { ...with_({}), id: 'alt' },
      { ...with_({ excitation: 'one-wire', tacho: true }), id: 'new' },
    ];
    const d = { ...quietBoat(), smallLeads: [lead('charge lamp'), lead('sense'), lead('tachometer')] };
    expect(oldLeads(d, was, is).map((l) => l.fate)).toEqual(['keep', 'cap and label', 'cap and label', 'test and keep']);
    expect(oldLeads(d, was, { ...is, ratedA: 500 })[0]?.fate).toBe('test and keep');
  });
  test('what is no alternator has nothing to fit', () => expect(fitLines(quietBoat(), blankSource('x', 'wind', 12, null))).toEqual([]));
});
