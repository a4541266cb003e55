/** The three five-minute checks: what is asked by hand, what is missing found, what is unknown said to be. */
import { QUICK_CHECKS, type QuickAnswer } from './index';

const [inverter, shore, alternator] = QUICK_CHECKS;
const line = (a: QuickAnswer, what: string) => a.lines.find((l) => l.what.startsWith(what));
const rules = (a: QuickAnswer) => a.findings.map((f) => f.rule);

describe('nothing entered', () => {
  test.each(QUICK_CHECKS.map((c) => [c.name, c] as const))('%s: nothing is called well or wrong that nobody has looked at', (_, check) => {
    for (const school of ['awg', 'metric'] as const) {
      const answer = check.answer(school, {});
      expect(answer.lines.filter((l) => l.there === '' && l.ok !== null)).toEqual([]);
      expect(answer.caution.length).toBeGreaterThan(20);
    }
  });
  test.each(QUICK_CHECKS.map((c) => [c.name, c] as const))('%s: every question is used: another answer changes something', (_, check) => {
    const base = {};
    const before = JSON.stringify(check.answer('metric', base));
    const dead = check.questions('metric').filter((q) => {
      const tries =
        q.kind === 'number'
          ? [q.low, (q.low + q.high) / 2, q.high]
          : q.kind === 'choice'
            ? q.options
            : q.kind === 'size'
              ? ['0.75', '150']
              : ['yes', 'no'];
      // Some are of others: the fuse that is there, a disconnect's distance, what only a lithium bank or a petrol engine has.
      const beside = { fused: 'yes', disconnect: 'yes', chemistry: 'lfp', fuel: 'petrol', oldExcitation: 'three-wire', caseEarth: 'yes' };
      const with_ = JSON.stringify(check.answer('metric', beside));
      return tries.every(
        (value) =>
          JSON.stringify(check.answer('metric', { [q.key]: value })) === before &&
          JSON.stringify(check.answer('metric', { ...beside, [q.key]: value })) === with_,
      );
    });
    expect(dead.map((q) => q.key)).toEqual([]);
  });
});

describe('inverter', () => {
  const good = {
    volts: '12',
    va: 2000,
    chemistry: 'lfp',
    bankAh: 200,
    runM: 1.5,
    size: '70',
    fuseA: 250,
    fuseAtM: 0.15,
    caseEarth: 'yes',
    caseSize: '50',
    disconnect: 'yes',
    disconnectM: 1,
    bond: 'yes',
    aired: 'yes',
    dry: 'yes',
  };
  test('a sound one: every line well, no finding', () => {
    const answer = inverter.answer('metric', good);
    expect(answer.lines.filter((l) => l.ok !== true)).toEqual([]);
    expect(answer.findings).toEqual([]);
  });
  // 2000 W / 0.9 at 11.4 V is 195 A: by 1.25 a fuse of 225 or 250 A, and 70 mm² or 2/0 carry it.
  test('the usual omissions are found', () => {
    const answer = inverter.answer('metric', { ...good, size: '16', fuseAtM: 2, caseEarth: 'no', disconnect: 'no' });
    expect(line(answer, 'DC cable')?.ok).toBe(false);
    expect(line(answer, 'from battery post')?.ok).toBe(false);
    expect(line(answer, 'case earth')).toMatchObject({ ok: false, there: 'none' });
    expect(line(answer, 'DC disconnect')?.ok).toBe(false);
    expect(rules(answer)).toEqual(expect.arrayContaining(['placement', 'ac-dc-disconnect', 'ac-case']));
  });
  test('its case earth is one size below its positive', () => {
    expect(line(inverter.answer('awg', { ...good, size: '2/0 AWG', caseSize: '4 AWG' }), 'case earth')?.ok).toBe(false);
    expect(line(inverter.answer('awg', { ...good, size: '2/0 AWG', caseSize: '1/0 AWG' }), 'case earth')?.ok).toBe(true);
  });
  test('twice the volts, half the amps: a lighter cable', () => {
    const area = (a: QuickAnswer) => Number(/[\d.]+/.exec(line(a, 'DC cable')?.asked ?? '')?.[0]);
    expect(area(inverter.answer('metric', { volts: '24', va: 2000, runM: 1.5 }))).toBeLessThan(
      area(inverter.answer('metric', { volts: '12', va: 2000, runM: 1.5 })),
    );
  });
});

describe('shore power', () => {
  test('a 50 A main on a 30 A inlet behind 14 AWG, one pole, no leakage trip, no isolator', () => {
    const answer = shore.answer('awg', {
      service: '120 V',
      inletA: 30,
      mainA: 50,
      mainAtM: 5,
      poles: 'no',
      trip: 'none',
      isolation: 'none',
      mainSize: '14 AWG',
    });
    for (const what of ['main breaker', 'from inlet to main', 'the main opens', 'leakage trip', 'earth from ashore', 'cable of the main'])
      expect([what, line(answer, what)?.ok]).toEqual([what, false]);
    expect(rules(answer)).toEqual(
      expect.arrayContaining(['ac-breaker-far', 'ac-main-poles', 'ac-no-leakage', 'ac-no-isolation', 'ac-thin']),
    );
    expect(line(answer, 'cable of the main')?.asked).toBe('10 AWG');
  });
  test('3 m sheathed are allowed at 230 V, 0.5 m unsheathed', () => {
    expect(line(shore.answer('metric', { mainAtM: 2, sheathed: 'yes' }), 'from inlet')?.ok).toBe(true);
    expect(line(shore.answer('metric', { mainAtM: 2, sheathed: 'no' }), 'from inlet')?.ok).toBe(false);
  });
});

describe('alternator', () => {
  test('150 A in place of 55 on 8 AWG, unfused, over a lithium bank', () => {
    const answer = alternator.answer('awg', {
      oldA: 55,
      ratedA: 150,
      chemistry: 'lfp',
      bankAh: 300,
      runM: 3,
      size: '8 AWG',
      fused: 'no',
      suppressor: 'no',
      belt: 'V 10 mm',
    });
    for (const what of ['output cable', 'fuse at the battery', 'belt', 'a suppressor'])
      expect([what, line(answer, what)?.ok]).toEqual([what, false]);
    expect(rules(answer)).toEqual(expect.arrayContaining(['unfused', 'belt', 'dump-bms', 'lead']));
    expect(line(answer, 'old lead: Alternator, output')?.asked).toBe('test and keep');
  });
  test('a self-exciting one leaves the lamp lead to be capped', () => {
    const answer = alternator.answer('metric', { oldExcitation: 'three-wire', excitation: 'three-wire', tacho: 'no' });
    expect(answer.lines.some((l) => l.what.startsWith('old lead: Tach') && l.asked === 'cap and label')).toBe(true);
  });
});
