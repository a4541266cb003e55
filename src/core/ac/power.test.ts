/** Inverters and generators on the DC network, and how the AC side joins the day. */
import fc from 'fast-check';
import { analyse, createMemory, startWays } from '../analysis';
import { findingsIn, MACHINE_RULES } from '../check';
import { type AcLoad, blankDevice, blankSource, blankSpan, type Design, type Load } from '../design';
import { dayAh, limitsOf } from '../energy';
import { withLoad } from '../design/testing';
import { acFor, dayLoads, hostOf, mainsH, onBatteryH } from './budget';
import { bearsVa, generatorAnswers, inverterAnswers } from '../network';
import { sourceOhm } from './services';
import { appliance, pluggedIn, withMachines } from './testing';
import { acCircuitWorking, acSourceWorking } from '../working';

/** An inverter of 2000 VA on a wired row of its own, its disconnect in line; a set of 900 W wanted on it. */
function wired(row: Partial<Load> = {}, loads: readonly AcLoad[] = [appliance('tv', 900, { hours: { day: 2 } })], lengthM = 1.5): Design {
  const machines = withMachines(pluggedIn());
  const design = withLoad(
    { ...machines, living: [{ id: 'day', name: 'a day', day: [], houseSwitch: 'on' }] },
    {
      id: 'inv-row',
      name: 'Inverter',
      rating: 2200,
      group: 'heavy',
      supply: 'house switch',
      placeId: 'saloon',
      minV: 10.5,
      hours: {},
      ...row,
    },
    lengthM,
    { devices: [{ ...blankDevice('d', 'isolator'), placeId: 'saloon' }] },
  );
  return {
    ...design,
    acLoads: [...loads],
    acCircuits: design.acCircuits.map((c) => ({ ...c, loadIds: c.id === 'tv-run' ? loads.map((l) => l.id) : [] })),
    acRules: { ...design.acRules, wanted: loads.map((l) => l.id) },
    acSources: design.acSources.map((s) => (s.inverter ? { ...s, placeId: 'saloon', inverter: { ...s.inverter, loadId: 'inv-row' } } : s)),
  };
}
const power = (design: Design) => {
  const a = analyse(design);
  return { inverters: inverterAnswers(design, a, a.banks), generators: generatorAnswers(design, a) };
};
const found = (design: Design) => findingsIn(MACHINE_RULES, { design, ...power(design) }).map((f) => f.id);
const machine = (design: Design, change: object): Design => ({
  ...design,
  acSources: design.acSources.map((s) => (s.inverter ? { ...s, inverter: { ...s.inverter, ...change } } : s)),
});

describe('an inverter', () => {
  const [answer] = power(wired()).inverters;
  test('900 W at 0.9 and 12 W idling are 1012 W from the battery; amps are that over the volts at its posts', () => {
    expect(answer?.dcW).toBeCloseTo(1012, 9);
    expect((answer?.dcV ?? 0) * (answer?.dcA ?? 0)).toBeCloseTo(1012, 3);
    // AGM at 30 % rests at 12.12 V.
    expect(answer?.dcV).toBeLessThan(12.12);
    expect(answer?.dcV).toBeGreaterThan(11);
  });
  test('full output at 30 degC, 1900 VA, at the lowest volts, and 1.1 of it for heat', () => {
    expect((answer?.fullV ?? 0) * (answer?.fullA ?? 0)).toBeCloseTo(1900 / 0.9 + 12, 3);
    expect(answer?.heatingA).toBeCloseTo(1.1 * (answer?.fullA ?? 0), 9);
    expect(answer?.fullV).toBeLessThan(answer?.dcV ?? 0);
  });
  test('hours: 84.3 A by Peukert 1.12 counts as 108.9 A, half of 200 Ah lasts 0.918 h; below the window none', () => {
    const meanA = 1012 / 12;
    const effective = meanA * (meanA / 10) ** 0.12;
    expect(answer?.hoursFromFull).toBeCloseTo(100 / effective, 6);
    expect(answer?.hoursFromFull).toBeCloseTo(0.918, 3);
    expect(answer?.hoursFromSoc).toBe(0);
  });
  test('idling 12 W is 24 Ah a day, asleep at 3 W 6 Ah', () => {
    expect(answer?.idleAhDay).toBeCloseTo(24, 9);
    expect(answer?.sleepAhDay).toBeCloseTo(6, 9);
  });
  test('surges by time: 4000 VA for a second, 2600 for a minute, its rating beyond', () => {
    const source = wired().acSources.find((s) => s.inverter);
    if (!source) throw new Error('no inverter');
    expect([0.5, 1, 5, 60, 90].map((s) => bearsVa(source, s, 2000))).toEqual([4000, 4000, 2600, 2600, 2000]);
  });
  test.each<[string, Design, string]>([
    ['no case earth', wired(), 'ac-case:inv'],
    ['a thin case earth', machine(wired(), { caseSize: { school: 'metric', size: '2.5' } }), 'ac-case-thin:inv'],
    ['no DC disconnect', { ...wired(), circuits: wired().circuits.map((c) => ({ ...c, devices: [] })) }, 'ac-dc-disconnect:inv'],
    ['a DC cable for less than full output', wired({ rating: 300 }), 'ac-dc-cable:inv'],
    ['a DC fuse for less', wired({ rating: 300 }), 'ac-dc-fuse:inv'],
    [
      'a long thin DC cable',
      {
        ...wired({}, undefined, 14),
        circuits: wired({}, undefined, 14).circuits.map((c) =>
          c.id === 'c-x' ? { ...c, pin: { ...c.pin, size: { school: 'metric', size: '25' } } } : c,
        ),
      },
      'ac-low-volts:inv',
    ],
    [
      'a motor it does not start',
      wired({}, [appliance('tv', 900), appliance('pump', 700, { surgeVa: 4200, surgeS: 0.8, motor: true })]),
      'ac-start pump:inv',
    ],
  ])('%s is a finding', (_, design, id) => expect(found(design)).toContain(id));
  test('mended they are gone', () => {
    const sound = found(machine(wired({ rating: 2234 }), { caseSize: { school: 'metric', size: '95' } }));
    expect(sound.filter((id) => /case|disconnect|cable|start/.test(id))).toEqual([]);
  });
});

describe('more than one, and what stands in its DC cable', () => {
  const circuit = (design: Design, change: (c: Design['circuits'][number]) => object): Design => ({
    ...design,
    circuits: design.circuits.map((c) => (c.id === 'c-x' ? { ...c, ...change(c) } : c)),
  });
  test('two of 2000 VA in parallel: twice the output, the start, the idling and the current into a short', () => {
    const two = power(machine(wired({ rating: 4400 }), { units: 2 })).inverters[0];
    const one = power(wired()).inverters[0];
    expect([two?.va, two?.idleAhDay]).toEqual([2 * (one?.va ?? 0), 2 * (one?.idleAhDay ?? 0)]);
    const source = machine(wired(), { units: 2 }).acSources.find((s) => s.inverter);
    if (!source) throw new Error('no inverter');
    expect(bearsVa(source, 1, 4000)).toBe(8000);
    // 230 V x 230 V over 2 x 4000 VA.
    expect(sourceOhm(source)).toBeCloseTo(230 ** 2 / 8000, 9);
  });
  test('on one cable behind one fuse they are a finding; with a cable and a fuse each not', () => {
    const two = machine(wired({ rating: 4400 }), { units: 2 });
    expect(found(two)).toContain('ac-units:inv');
    const apart = circuit(two, (c) => ({ pin: { ...c.pin, size: { school: 'metric', size: '70' }, legs: 2, ownDevices: true } }));
    expect(found(apart)).not.toContain('ac-units:inv');
  });
  test('its case earth goes by all legs: one size below 50 mm2 is 35, below twice 50 mm2 95', () => {
    const legs = (n: number) =>
      power(circuit(wired(), (c) => ({ pin: { ...c.pin, size: { school: 'metric', size: '50' }, legs: n } }))).inverters[0]?.caseWanted
        ?.size;
    expect(legs(1)).toBe('35');
    // 100 mm2 in all: the table has 95 and 120; the first that is not less is 120, one below it 95.
    expect(legs(2)).toBe('95');
  });
  test('a disconnect in the forepeak is out of reach; one in the same place is not; a place not entered is asked', () => {
    const at = (placeId: string | null) =>
      circuit(wired(), (c) => ({ devices: (c as Design['circuits'][number]).devices.map((d) => ({ ...d, placeId })) }));
    expect(found(at('fore'))).toContain('ac-disconnect-far:inv');
    expect(found(at('saloon'))).not.toContain('ac-disconnect-far:inv');
    const asked = findingsIn(MACHINE_RULES, { design: at(null), ...power(at(null)) }).find((f) => f.rule === 'ac-disconnect-far');
    expect(asked?.severity).toBe('note');
  });
});

describe('the day', () => {
  const shoreDay = blankSpan('s', 'shore', 8, 20, 0);
  test('an appliance of 900 W for 2 h takes 2 h x 1012 W / 12 V = 168.7 Ah; the row itself only idles', () => {
    const design = wired();
    const rows = dayLoads(design);
    const [living] = design.living;
    if (!living) throw new Error('no way of living');
    const total = rows.filter((l) => hostOf(l.id) === 'inv-row').reduce((sum, l) => sum + dayAh(l, living), 0);
    expect(total).toBeCloseTo((2 * (900 / 0.9 + 12)) / 12, 6);
    expect(analyse(design).balance.needs[0]?.needAh).toBeCloseTo(total, 6);
    const on = machine(design, { rest: 'left on' });
    expect(dayLoads(on).find((l) => l.id === 'inv-row')?.standbyA).toBeCloseTo(1, 9);
    expect(dayLoads(machine(design, { rest: 'sleeps' })).find((l) => l.id === 'inv-row')?.standbyA).toBeCloseTo(0.25, 9);
  });
  test('hours ashore come off the battery first', () => {
    const living = { id: 'day', name: 'a day', day: [shoreDay], houseSwitch: 'on' as const };
    const design = { ...wired({}, [appliance('tv', 900, { hours: { day: 14 } })]), living: [living] };
    expect(mainsH(living)).toBeCloseTo(12, 6);
    const [row] = design.acLoads;
    if (!row) throw new Error('no appliance');
    expect(onBatteryH(design, row, living)).toBeCloseTo(2, 6);
  });
  test('without an inverter named, or without appliances, the load sheet stands as it is', () => {
    const plain = machine(wired(), { loadId: null });
    expect(dayLoads(plain)).toBe(plain.loads);
    const none = { ...wired(), acLoads: [] };
    expect(dayLoads(none)).toBe(none.loads);
  });
  test('the charger gets what the appliances leave of the dock: 10 A less 1840 W for half of its hours', () => {
    const base = pluggedIn();
    const charger = { ...blankSource('c', 'shore charger', 12, 'house'), ratedA: 200 };
    const living = { id: 'day', name: 'a day', day: [shoreDay], houseSwitch: 'on' as const };
    const design: Design = {
      ...base,
      living: [living],
      sources: [charger],
      acSources: base.acSources.map((s) => ({ ...s, ratedA: 10 })),
      acLoads: [appliance('kettle', 1840, { hours: { day: 6 } })],
    };
    expect(acFor(design, living, shoreDay, charger)).toBeCloseTo(10 - 4, 6);
    const amps = Math.max(...limitsOf(design, charger, living, 24));
    expect(amps).toBeCloseTo((6 * 230 * 0.95 * 0.87) / 14, 4);
    // A limit typed for the span binds where it is lower; without an AC side only that.
    expect(acFor(design, living, { ...shoreDay, level: 3 }, charger)).toBe(3);
    expect(acFor({ ...design, acSources: [] }, living, shoreDay, charger)).toBe(Infinity);
  });
});

describe('whatever the day', () => {
  const hour = fc.double({ min: 0, max: 24, noNaN: true });
  const spans = fc.array(
    fc.record({
      what: fc.constantFrom('shore' as const, 'generator' as const),
      from: hour,
      long: fc.double({ min: 0, max: 12, noNaN: true }),
    }),
    { maxLength: 4 },
  );
  const livingOf = (list: readonly { what: 'shore' | 'generator'; from: number; long: number }[]) => ({
    id: 'day',
    name: 'a day',
    day: list.map((s, i) => blankSpan(`s${i}`, s.what, s.from, Math.min(24, s.from + s.long), 0)),
    houseSwitch: 'on' as const,
  });
  test('hours on mains lie between the longest span and all of them, and never beyond a day; what runs on the battery is the rest', () =>
    fc.assert(
      fc.property(spans, fc.double({ min: 0, max: 24, noNaN: true }), (list, hours) => {
        const living = livingOf(list);
        const lengths = living.day.map((s) => s.toH - s.fromH);
        const mains = mainsH(living);
        expect(mains).toBeLessThanOrEqual(
          Math.min(
            24,
            lengths.reduce((a, b) => a + b, 0),
          ) + 1e-9,
        );
        expect(mains).toBeGreaterThanOrEqual(Math.max(0, ...lengths) - 1e-9);
        const design = { ...wired({}, [appliance('tv', 900, { hours: { day: hours } })]), living: [living] };
        const [row] = design.acLoads;
        if (!row) throw new Error('no appliance');
        const onBattery = onBatteryH(design, row, living);
        expect(onBattery).toBeCloseTo(Math.max(0, hours - mains), 9);
      }),
      { numRuns: 80 },
    ));
  test('a charger never takes more than the inlet or the generator has left, and more appliances never leave it more', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 50, noNaN: true }),
        fc.double({ min: 0, max: 5000, noNaN: true }),
        fc.double({ min: 0, max: 24, noNaN: true }),
        (ratedA, watts, hours) => {
          const base = pluggedIn();
          const charger = { ...blankSource('c', 'shore charger', 12, 'house'), ratedA: 400 };
          const span = blankSpan('s', 'shore', 6, 18, 0);
          const living = { id: 'day', name: 'a day', day: [span], houseSwitch: 'on' as const };
          const at = (w: number): number =>
            acFor(
              {
                ...base,
                sources: [charger],
                acSources: base.acSources.map((s) => ({ ...s, ratedA })),
                acLoads: [appliance('kettle', w, { hours: { day: hours } })],
              },
              living,
              span,
              charger,
            );
          expect(at(watts)).toBeLessThanOrEqual(ratedA + 1e-9);
          expect(at(watts)).toBeGreaterThanOrEqual(0);
          expect(at(2 * watts)).toBeLessThanOrEqual(at(watts) + 1e-9);
        },
      ),
      { numRuns: 80 },
    ));
  test('edits of the AC side computed one after another come to what is computed afresh', () => {
    const memory = createMemory();
    let design = wired();
    const acts: ((d: Design) => Design)[] = [
      (d) => ({ ...d, acLoads: d.acLoads.map((l) => ({ ...l, watts: 1500 })) }),
      (d) => ({ ...d, acCircuits: d.acCircuits.map((c) => ({ ...c, leakageMa: null })) }),
      (d) => ({ ...d, acPanels: d.acPanels.map((p) => ({ ...p, linked: true })) }),
      (d) => ({ ...d, acRules: { ...d.acRules, earthing: 'joined to DC negative' } }),
      (d) => ({ ...d, acSources: d.acSources.filter((s) => s.kind !== 'generator') }),
      (d) => ({ ...d, places: d.places.map((p) => ({ ...p, ambientC: 55 })) }),
      (d) => ({ ...d, acLoads: [] }),
    ];
    for (const act of acts) {
      design = act(design);
      const again = analyse(design, memory);
      const afresh = analyse(design);
      expect(again.findings).toEqual(afresh.findings);
      expect(again.balance).toEqual(afresh.balance);
    }
  });
});

describe('a generator', () => {
  const coil: Partial<Load> = { id: 'coil', name: 'Start solenoid', rating: 40, behaviour: 'resistance', minV: 8 };
  const base = (lengthM: number, pinned: string | null = null): Design => {
    const design = withLoad(
      withMachines(pluggedIn()),
      coil,
      lengthM,
      pinned ? { pin: { size: { school: 'metric', size: pinned }, legs: 1, family: null, ratingA: null, ownDevices: false } } : {},
    );
    return {
      ...design,
      living: [{ id: 'day', name: 'a day', day: [blankSpan('g', 'generator', 8, 10, 0)], houseSwitch: 'on' }],
      acLoads: [
        appliance('pump', 1000, { powerFactor: 0.8, surgeVa: 2400, surgeS: 1, motor: true }),
        appliance('aircon', 900, { powerFactor: 0.9, surgeVa: 4000, motor: true }),
      ],
      acCircuits: design.acCircuits.map((c) => ({ ...c, loadIds: c.id === 'galley' ? ['pump', 'aircon'] : [] })),
      acSources: design.acSources.map((s) => (s.generator ? { ...s, generator: { ...s.generator, startLoadId: 'coil' } } : s)),
    };
  };
  test('4 kVA, X 0.25: 4000 VA dips 20 %, 2400 VA 13 %; the largest first, and 5.67 kVA would do', () => {
    const [g] = power(base(2)).generators;
    expect(g?.starts.map((s) => [s.id, Number((100 * s.dip).toFixed(1)), s.passes])).toEqual([
      ['aircon', 20, false],
      ['pump', 13, true],
    ]);
    expect(g?.leastKva).toBeCloseTo((0.25 * 4 * 0.85) / 0.15, 6);
    expect(found(base(2))).toContain('ac-dip aircon:gen');
  });
  test('its maker’s largest start decides over the reactance: 4000 VA start on 4.5 kVA, not on 3; the dip is shown beside it', () => {
    const makers = (startKva: number): Design => {
      const d = base(2);
      return { ...d, acSources: d.acSources.map((s) => (s.generator ? { ...s, generator: { ...s.generator, startKva } } : s)) };
    };
    const aircon = (kva: number) => power(makers(kva)).generators[0]?.starts.find((s) => s.id === 'aircon');
    expect(aircon(4.5)).toMatchObject({ passes: true, by: 'maker' });
    expect(aircon(4.5)?.dip).toBeCloseTo(0.2, 9);
    expect(aircon(3)).toMatchObject({ passes: false, by: 'maker' });
    expect(found(makers(4.5))).not.toContain('ac-dip aircon:gen');
    expect(found(makers(3))).toContain('ac-dip aircon:gen');
  });
  test('two hours without load burn what it idles on', () => {
    expect(power(base(2)).generators[0]?.days[0]).toMatchObject({ hours: 2, litres: 1 });
  });
  test('a long thin pair starves the solenoid while the starter turns; a short stout one does not', () => {
    const stout = power(base(1)).generators[0]?.start;
    expect(stout?.pullsIn).toBe(true);
    const thin = power(base(40, '0.75')).generators[0]?.start;
    expect(thin?.engineV).toBeLessThan(stout?.engineV ?? 0);
    expect(thin?.pullsIn).toBe(false);
    expect(found(base(40, '0.75'))).toContain('ac-remote-start:gen');
  });
});

describe('a generator’s own start, by hand: a battery of 100 Ah apart, 5 mΩ, its starter 200 A over 2 mΩ', () => {
  const coil: Partial<Load> = {
    id: 'coil',
    name: 'Start solenoid',
    ratingBy: 'A',
    rating: 10,
    behaviour: 'current',
    minV: 8,
    placeId: 'saloon',
  };
  const boat = (lengthM: number, change: Partial<NonNullable<Design['acSources'][number]['generator']>> = {}): Design => {
    const d = withLoad(withMachines(pluggedIn()), coil, lengthM, {
      from: { kind: 'bank', id: 'own' },
      pin: { size: { school: 'metric', size: '2.5' }, legs: 1, family: null, ratingA: null, ownDevices: false },
    });
    const [house] = d.banks;
    if (!house) throw new Error('no bank');
    return {
      ...d,
      banks: [house, { ...house, id: 'own', name: 'Generator battery', job: 'start', strings: 1, sheet: { ...house.sheet, mohm: 5 } }],
      acSources: d.acSources.map((s) =>
        s.generator
          ? { ...s, generator: { ...s.generator, startLoadId: 'coil', starter: { bankId: 'own', amps: 200, pathMohm: 2 }, ...change } }
          : s,
      ),
    };
  };
  const startOf = (d: Design) => power(d).generators[0]?.start;
  test('turning, the posts lose 200 A and the coil’s 10 A x 5 mΩ, the starter 200 A x 2 mΩ more; the coil what its run takes', () => {
    const s = startOf(boat(5));
    const rest = startOf(boat(5, { starter: { bankId: 'own', amps: 1, pathMohm: 2 } }));
    // Between 1 A and 200 A of starter lie 199 A x 5 mΩ at the coil, and 199 A x 7 mΩ at the starter.
    expect((rest?.turningV ?? 0) - (s?.turningV ?? 0)).toBeCloseTo(199 * 0.005, 6);
    expect((rest?.starterV ?? 0) - (s?.starterV ?? 0)).toBeCloseTo(199 * 0.007, 6);
    expect(s?.atRestV).toBeGreaterThan(s?.turningV ?? Infinity);
    // 40 % of the 12 V it is made for.
    expect(s?.holdInV).toBeCloseTo(4.8, 9);
    expect([s?.pullInV, s?.coilA, s?.bankName, s?.typical]).toEqual([8, 10, 'Generator battery', false]);
    expect([s?.pullsIn, s?.holds]).toEqual([true, true]);
  });
  test('the engine’s starter on another bank does not pull its volts down', () => {
    const d = boat(5);
    const apart: Design = { ...d, engine: { ...d.engine, startBankId: 'house' } };
    expect(startOf(apart)?.engineV).toBeCloseTo(startOf(apart)?.atRestV ?? 0, 1);
  });
  test('a coil that lets go at 11 V chatters: a finding; not entered, 140 A are taken for 4 kVA and said to be typical', () => {
    expect(found(boat(5, { holdInV: 11 }))).toContain('ac-hold-in:gen');
    const unknown = boat(5, { starter: null });
    expect(startOf(unknown)).toMatchObject({ starterA: 140, typical: true });
    expect(found(unknown)).toContain('ac-starter-unknown:gen');
  });
  test('nothing in line locks it out: a stop button does, a hold-in contact does not', () => {
    const line = (kind: 'stop button' | 'hold-in contact'): Design => {
      const d = boat(5);
      return { ...d, circuits: d.circuits.map((c) => (c.id === 'c-x' ? { ...c, devices: [blankDevice('d', kind)] } : c)) };
    };
    expect(found(line('hold-in contact'))).toContain('ac-start-lockout:gen');
    expect(found(line('stop button'))).not.toContain('ac-start-lockout:gen');
  });
  test('ways out compared: a heavier pair, a relay at the set, a nearer switch; the first as it is', () => {
    const ways = startWays(boat(60, { holdInV: 7 }), 'gen');
    expect(ways.map((w) => w.id)).toEqual(['as it is', 'heavier 4', 'heavier 6', 'relay', 'nearer']);
    const [asIs, four, six, relay, nearer] = ways;
    // 60 m of 2.5 mm2 out and back at 10 A lose some ten volts: it cannot pull in; a relay on its own battery does.
    expect([asIs?.starts, relay?.starts]).toEqual([false, true]);
    expect(asIs?.metres).toBe(0);
    expect(four?.atRestV).toBeGreaterThan(asIs?.atRestV ?? Infinity);
    expect(six?.atRestV).toBeGreaterThan(four?.atRestV ?? Infinity);
    expect(nearer?.metres).toBeCloseTo(60, 9);
    expect(four?.metres).toBeCloseTo(120, 9);
    expect(relay?.metres).toBe(2);
    expect(startWays({ ...boat(5), circuits: [] }, 'gen')).toEqual([]);
  });
});

test('workings tell what a run, an inverter and a generator are made of, and carry the cautions', () => {
  const design = wired();
  const units = design.boat;
  const run = acCircuitWorking(design, 'main', units);
  expect(run?.sections.map((s) => s.title)).toContain('A live case at its far end');
  const onShore = (d: Design) =>
    acCircuitWorking(d, 'main', units)
      ?.sections.flatMap((s) => s.lines)
      .find((l) => l.label === 'on Shore power')?.mark;
  expect(onShore(design)).toBe('measured');
  const unasked = design.acSources.map((s) => (s.shore ? { ...s, shore: { ...s.shore, pedestalOhm: null } } : s));
  expect(onShore({ ...design, acSources: unasked })).toBe('assumed');
  expect(run?.neighbours.map((n) => n.label)).toEqual(['one down', 'chosen', 'one up']);
  const inverter = acSourceWorking(design, power(design), 'inv', units);
  expect(inverter?.cautions[0]).toMatch(/wakes when touched/);
  expect(inverter?.sections.flatMap((s) => s.lines).find((l) => l.label === 'wanted set')?.formula).toBe('900 W ÷ 0.9 + 12 W idling');
  expect(acSourceWorking(design, power(design), 'gen', units)?.sections.at(-1)?.title).toBe('A day');
  expect(acCircuitWorking(design, 'gone', units)).toBeUndefined();
  expect(acSourceWorking(design, power(design), 'gone', units)).toBeUndefined();
});
