import fc from 'fast-check';
import { analyse } from '../analysis';
import { sharingOf } from '../bank';
import { settingsMatrix } from '../charging';
import { blankBank, blankTie, type Design, rowOf, type Study } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { eachBank, fillTimes, type SeasonResult } from '../energy';
import { chance } from '../energy/season';
import { quietBoat, sourceInto } from '../energy/testing';
import { runStudy, studyPath, warmthOf } from '../network';
import { usualBoat } from '@/testing/usualBoat';
import { bankDayWorking, bankFiguresWorking, fillWorking } from './bank';
import { linksWorking } from './links';
import { seasonSections } from './season';
import { settingWorking } from './settings';
import { endWorking, studyWorking } from './study';
import type { Working, WorkingLine } from './types';

const linesOf = (working: Pick<Working, 'sections'> | null | undefined): readonly WorkingLine[] =>
  working?.sections.flatMap((s) => s.lines) ?? [];
const line = (working: Pick<Working, 'sections'> | null | undefined, label: string): WorkingLine => {
  const found = linesOf(working).find((l) => l.label === label);
  if (!found)
    throw new Error(
      `no line "${label}" among ${linesOf(working)
        .map((l) => l.label)
        .join(', ')}`,
    );
  return found;
};
const study = (change: Partial<Study> = {}): Study => ({
  id: 's',
  name: 'A study',
  soc: 0.6,
  engineRpm: 0,
  shore: false,
  cranking: false,
  loads: { x: 'on' },
  ...change,
});

describe('where the volts of a load go', () => {
  const boat = withLoad(bareBoat('metric'), { name: 'Windlass', behaviour: 'current', ratingBy: 'A', rating: 90 }, 6);
  const analysis = analyse(boat);
  const answer = runStudy(boat, analysis, study());
  const working = studyWorking(boat, study(), answer, 'x', boat.boat);
  const [load] = answer.loads;
  const own = analysis.circuits.find((c) => c.id === 'c-x');

  test('the cable takes the current times the copper it was chosen for, out and back, warm', () => {
    const ohm = own?.warmOhm?.segments.reduce((a, b) => a + b, 0) ?? NaN;
    const cable = linesOf(working).find((l) => l.label.endsWith('its cable'));
    expect(cable?.value).toBeCloseTo(-90 * ohm, 9);
    expect(cable?.formula).toMatch(/^90 A × [\d.]+ mΩ, out and back, warm$/);
  });
  test('the bank takes the current times its resistance', () => {
    const bank = rowOf(answer.banks, 'house') ?? answer.banks[0];
    expect(line(working, 'the bank itself').value).toBeCloseTo((bank?.postsV ?? NaN) - (bank?.restV ?? NaN), 9);
    expect(line(working, 'the bank itself').formula).toMatch(/^90 A × [\d.]+ mΩ$/);
  });
  test('it ends with the volts of the load, and the room it has', () => {
    expect(line(working, 'at its ends').value).toBe(load?.volts);
    expect(line(working, 'room').value).toBeCloseTo((load?.volts ?? NaN) - (load?.minV ?? NaN), 9);
  });
  test('a bank that is charged stands higher: volts are gained, and said so', () => {
    const charged: Design = { ...boat, sources: [sourceInto('shore charger')] };
    const asked = study({ shore: true, loads: {} });
    const lit = withLoad(charged, { id: 'lamp', name: 'Lamp', rating: 0.5 } as never, 2, {
      id: 'c-lamp',
      no: '9',
      name: 'Lamp',
      from: { kind: 'panel', id: 'panel' },
      taps: [{ id: 't-lamp', parent: null, serves: { kind: 'load', id: 'lamp' }, tapedM: 2 }],
    });
    const on = { ...asked, loads: { lamp: 'on' as const } };
    const told = studyWorking(lit, on, runStudy(lit, analyse(lit), on), 'lamp', lit.boat);
    expect(line(told, 'the bank itself').text).toMatch(/^\+ /);
    expect(line(told, 'at its ends').formula).toMatch(/^[\d.]+ V \+ [\d.]+ mV$/);
  });
  test('a load that is not switched on has none', () =>
    expect(studyWorking(boat, study({ loads: {} }), answer, 'y', boat.boat)).toBeUndefined());

  test('over usual boats, every load that lives: rest less what each part takes is what it has', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), (seed) => {
        const design = usualBoat(seed);
        const found = analyse(design);
        for (const asked of design.studies) {
          const got = runStudy(design, found, asked);
          for (const l of got.loads) {
            if (Number.isNaN(l.volts)) continue;
            const path = studyPath(design, asked, got, l.id);
            expect(path).not.toBeNull();
            const lost = path?.steps.reduce((sum, s) => sum + s.volts, 0) ?? NaN;
            expect(Math.abs((path?.restV ?? NaN) - lost - l.volts)).toBeLessThan(1e-9);
            // What a fuse or a cable takes is never a gain.
            for (const s of path?.steps ?? []) if (s.circuitId !== null) expect(s.volts).toBeGreaterThan(-1e-9);
            expect(line(studyWorking(design, asked, got, l.id, design.boat), 'at its ends').value).toBe(l.volts);
          }
          const warmth = warmthOf(design, found, got);
          warmth.ends.forEach((e, i) => {
            const end = endWorking(warmth, i, design.boat);
            expect(line(end, 'comes to').value).toBe(e.tempC);
            expect(Math.abs(line(end, 'air there').value + line(end, 'rises by').value - e.tempC)).toBeLessThan(1e-9);
          });
          expect(endWorking(warmth, warmth.ends.length, design.boat)).toBeUndefined();
        }
      }),
      { numRuns: 12 },
    );
  });
});

describe('a setting against its battery', () => {
  // Through a splitter of 0.7 V, sensed at its own post.
  const charger = sourceInto('shore charger', { joinId: 'j' });
  const boat: Design = {
    ...quietBoat({ chemistry: 'agm' }),
    sources: [{ ...charger, regulator: { ...charger.regulator, absorptionV: 14.4, sense: 'its own post', sensor: 'none' } }],
    joins: [{ ...blankTie('j', 'splitter', 12), firstId: 'house', secondId: null, dropV: 0.7 }],
  };
  const of = (name: Parameters<typeof settingWorking>[2]) => settingWorking(boat, charger.id, name, boat.boat);
  test('absorption: 14.4 V set, 0.7 V lost in the splitter, 13.7 V at the bank', () => {
    const working = of('absorption');
    expect(line(working, 'absorption is set to').text).toBe('14.40 V');
    expect(line(working, 'the bank gets')).toMatchObject({ text: '13.70 V', formula: '14.40 − 0.70 V' });
    const wanted = line(working, 'the battery wants');
    expect(wanted.mark).toBe('typical');
    expect(line(working, 'off by').value).toBeCloseTo(13.7 - wanted.value, 9);
    expect(line(working, 'off by').breaks).toBe(true);
    expect(working?.cautions[0]).toMatch(/^(fix|stop): sense at the bank, or set 15\.\d\d V\.$/);
  });
  test('what the battery’s sheet says is its maker’s', () => {
    const read: Design = { ...boat, banks: boat.banks.map((b) => ({ ...b, sheet: { ...b.sheet, absorptionV: 14.7 } })) };
    expect(line(settingWorking(read, charger.id, 'absorption', read.boat), 'the battery wants')).toMatchObject({
      value: 14.7,
      mark: "maker's",
    });
  });
  test('a tail of 200 Ah: no more than twice it, no less than half', () => {
    const working = of('time and tail');
    const tail = line(working, 'the battery wants').value;
    expect(line(working, 'no more than').value).toBe(2 * tail);
    expect(line(working, 'no less than').value).toBe(tail / 2);
  });
  test('fixed volts never end, whatever the tail', () => {
    const fixed: Design = { ...boat, sources: boat.sources.map((x) => ({ ...x, regulator: { ...x.regulator, staged: false } })) };
    const working = settingWorking(fixed, charger.id, 'time and tail', fixed.boat);
    expect(line(working, 'absorption ends at').text).toBe('never');
    expect(line(working, 'no more than').breaks).toBe(false);
  });
  test('a slope in the boat’s degrees', () => {
    expect(line(of('slope'), 'the battery wants, a cell').text).toMatch(/^−?-?[\d.]+ mV\/°C$/);
    const warm: Design = { ...boat, boat: { ...boat.boat, tempUnit: 'F' } };
    expect(line(settingWorking(warm, charger.id, 'slope', warm.boat), 'the battery wants, a cell').text).toMatch(/ mV\/°F$/);
  });
  test('every setting of every matrix opens one, whose figures are numbers', () => {
    const lithium: Design = {
      ...boat,
      banks: [
        ...boat.banks.map((b) => ({
          ...b,
          chemistry: 'lfp' as const,
          bms: { overV: 14.6, underV: 10, lowChargeC: 0, toleranceV: 0.05, warns: true },
        })),
        { ...blankBank('start', 12, null), id: 'start', job: 'start' as const },
      ],
      sources: [...boat.sources, { ...sourceInto('alternator'), bankId: 'start' }, sourceInto('solar')],
    };
    let opened = 0;
    for (const design of [boat, lithium])
      for (const row of settingsMatrix(design))
        for (const setting of row.settings) {
          const lines = linesOf(settingWorking(design, row.source.id, setting.name, design.boat));
          expect(lines.length).toBeGreaterThan(0);
          for (const l of lines) expect(Number.isFinite(l.value)).toBe(true);
          opened++;
        }
    expect(opened).toBeGreaterThan(25);
    expect(settingWorking(boat, 'nobody', 'float', boat.boat)).toBeUndefined();
  });
});

describe('hours to full, a bank’s day, shared strings, the season', () => {
  const boat: Design = { ...quietBoat({ chemistry: 'agm' }), sources: [sourceInto('shore charger')] };
  test('what is to be stored over the hours it takes is the mean current', () => {
    const [fill] = fillTimes(boat);
    const working = fillWorking(boat, fill?.sourceId ?? '', boat.boat);
    // From half of 200 Ah to 80 %: 60 Ah.
    expect(line(working, 'to 80 %').formula).toBe(`60 Ah to store, ${Number((60 / (fill?.hours[0] ?? NaN)).toPrecision(3))} A on the mean`);
    expect(line(working, 'to 99.5 %').value).toBe(fill?.hours[2]);
    expect(fillWorking(boat, 'nobody', boat.boat)).toBeUndefined();
  });
  test('a start of 200 A for 3 s is 0.167 Ah; days are what is usable over the need', () => {
    const [day] = eachBank({ ...boat, engine: { ...boat.engine, crankA: 200, crankS: 3 } }, boat.living[0]?.id ?? '');
    if (!day) throw new Error('no bank');
    const working = bankDayWorking(
      { ...day, loadsAh: 20, startsAh: (2 * 200 * 3) / 3600, starts: 2, usableAh: 100, lastsDays: 100 / 20.333 },
      { ...boat, engine: { ...boat.engine, crankA: 200, crankS: 3 } },
      boat.boat,
    );
    expect(line(working, 'starting the engine').formula).toBe('2 × 200 A × 3 s ÷ 3600');
    expect(line(working, 'in all').value).toBeCloseTo(20.333, 3);
    expect(line(working, 'lasts, days').formula).toBe('100 ÷ 20.3 Ah a day');
    expect(line(bankDayWorking({ ...day, lastsDays: null }, boat, boat.boat), 'lasts, days').text).toBe('nothing is drawn');
  });
  test('strings together give what is drawn', () => {
    const bank = { ...(boat.banks[0] ?? blankBank('b', 12, null)), strings: 3 };
    const shared = sharingOf(bank, 'metric', 120);
    if (!shared) throw new Error('not shared');
    const working = linksWorking(bank, shared, boat.boat, boat.boat);
    expect(line(working, 'an even share').value).toBe(40);
    expect(line(working, 'together').value).toBeCloseTo(120, 6);
    expect(line(working, 'each link').formula).toMatch(/ Ω\/km × .* m \+ 2 × 0\.03 mΩ$/);
  });
  test('10 of 100 cruises: the true share lies between 5.52 and 17.4 %', () => {
    const result: SeasonResult = {
      runs: 100,
      days: 14,
      fan: [],
      out: chance(10, 100),
      dark: chance(0, 100),
      medianLowest: 0.6,
      windowLow: 0.5,
    };
    const sections = seasonSections(
      { runs: 100, seed: 7, sunSpread: 0.35, windSpread: 0.5, useSpread: 0.2, motorSpread: 0.3 },
      result,
      boat.boat,
    );
    expect(line({ sections }, 'below 50 % of charge at any time')).toMatchObject({ text: '10 %', formula: '10 ÷ 100 cruises' });
    expect(line({ sections }, 'below 50 % of charge at any time').source).toContain('between 5.52 % and 17.4 %');
    expect(line({ sections }, 'sun varies by').text).toBe('35 %');
  });
});

describe('a bank’s own figures', () => {
  // Two strings of 100 Ah at the 20 h rate, AGM: nothing to bring anywhere.
  const boat: Design = quietBoat({ chemistry: 'agm', blockAh: 100, strings: 2, ratedH: 20 });
  const id = boat.banks[0]?.id ?? '';
  test('2 × 100 Ah over 20 h are 200 Ah', () => {
    const working = bankFiguresWorking(boat, [], id, boat.boat);
    expect(line(working, 'as labelled')).toMatchObject({ value: 200, formula: '2 × 100 Ah' });
    expect(line(working, 'over 20 h').value).toBeCloseTo(200, 9);
    expect(bankFiguresWorking(boat, [], 'nobody', boat.boat)).toBeUndefined();
  });
  test('with a second bank to be joined and a charger its posts drive as much as the analysis reckons with', () => {
    const two: Design = {
      ...boat,
      banks: [...boat.banks, { ...blankBank('start', 12, null), id: 'start', job: 'start' as const }],
      joins: [{ ...blankTie('j', 'relay', 12), firstId: id, secondId: 'start' }],
      sources: [sourceInto('shore charger')],
    };
    const { banks } = analyse(two);
    const working = bankFiguresWorking(two, banks, id, two.boat);
    const posts = banks.find((b) => b.bankId === id);
    expect(line(working, 'with all that can feed its posts').value).toBe(posts?.postsFaultA);
    expect(posts?.postsFaultA).toBeGreaterThan(line(working, 'of its own, at the most').value);
  });
  test('a short: full volts over 0.6 of its resistance; with a maker’s figure that', () => {
    const working = bankFiguresWorking(boat, [], id, boat.boat);
    const ohm = line(working, 'its resistance').value;
    const most = line(working, 'of its own, at the most');
    expect(most.value * 0.6 * ohm).toBeCloseTo(Number(/^[\d.]+/.exec(most.formula ?? '')?.[0]), 1);
    expect(most.mark).toBe('typical');
    const said: Design = { ...boat, banks: boat.banks.map((b) => ({ ...b, shortCircuitA: 3000 })) };
    expect(line(bankFiguresWorking(said, [], id, said.boat), 'of its own, at the most')).toMatchObject({ value: 3000, mark: "maker's" });
  });
});
