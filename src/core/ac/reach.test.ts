/** Who reaches what, and that whatever is aboard can be proposed for. */
import fc from 'fast-check';
import { AC_APPLIANCES, type AcCircuit, acLoadFrom, blankLoad, blankSource, blankSpan, type Design } from '../design';
import { acCircuits } from './circuits';
import { chainsTo } from './runs';
import { loose, reachFrom, rowsOn, vaOf, wattsOf } from './consumers';
import { proposeAc } from '../propose';
import { continuousPart, limitOf, SERVICES, settingsOf } from './services';
import { bondsRight, statesOf } from './states';
import { acFindings, appliance, pluggedIn, shoreOf, withMachines } from './testing';

const machines = withMachines(pluggedIn());

describe('reach', () => {
  test('shore and the generator reach both panels, the inverter its own alone', () => {
    expect([...reachFrom(machines, 'source', 'shore').panels].sort()).toEqual(['panel', 'small']);
    expect([...reachFrom(machines, 'source', 'gen').loads].sort()).toEqual(['kettle', 'tv']);
    expect([...reachFrom(machines, 'source', 'inv').loads]).toEqual(['tv']);
  });
  test('an inverter that passes nothing on ends the way; one that does is gone through', () => {
    const led: Design = {
      ...machines,
      acCircuits: machines.acCircuits.map((c) => (c.id === 'to-small' ? { ...c, to: { kind: 'inverter', id: 'inv' } } : c)),
    };
    expect(reachFrom(led, 'source', 'shore').loads.has('tv')).toBe(false);
    const passes: Design = {
      ...led,
      acSources: led.acSources.map((s) => (s.inverter ? { ...s, inverter: { ...s.inverter, passA: 16 } } : s)),
    };
    expect(reachFrom(passes, 'source', 'shore').loads.has('tv')).toBe(true);
    expect([...reachFrom(passes, 'source', 'shore').through]).toEqual(['inv']);
  });
  test('a ring of panels ends, and what hangs on no run is within reach of all', () => {
    const back: AcCircuit = {
      ...(machines.acCircuits[0] as AcCircuit),
      id: 'back',
      from: { kind: 'panel', id: 'small' },
      to: { kind: 'panel', id: 'panel' },
    };
    const ring: Design = {
      ...machines,
      acCircuits: [...machines.acCircuits, back],
      acLoads: [...machines.acLoads, appliance('iron', 1000)],
    };
    expect(reachFrom(ring, 'source', 'shore').panels.size).toBe(2);
    expect([...loose(ring)]).toEqual(['iron']);
    for (const s of ring.acSources) expect(rowsOn(ring, s.id).map((l) => l.id)).toContain('iron');
    expect(() => acCircuits(ring)).not.toThrow();
    expect(acFindings(ring).length).toBeGreaterThan(0);
  });
  test('whatever hangs on whatever, a source reaches a run just where a chain leads from it', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            from: fc.constantFrom('shore', 'gen', 'inv', 'panel', 'small', 'gone'),
            to: fc.constantFrom('panel', 'small', 'input', 'branch'),
          }),
          { maxLength: 8 },
        ),
        fc.boolean(),
        (runs, passes) => {
          const acCircuitsOf = runs.map((r, i): AcCircuit => ({
            ...(machines.acCircuits[0] as AcCircuit),
            id: `r${i}`,
            from: { kind: ['panel', 'small'].includes(r.from) ? 'panel' : 'source', id: r.from },
            to: r.to === 'branch' ? null : r.to === 'input' ? { kind: 'inverter', id: 'inv' } : { kind: 'panel', id: r.to },
          }));
          const design: Design = {
            ...machines,
            acCircuits: acCircuitsOf,
            acSources: machines.acSources.map((s) => (s.inverter ? { ...s, inverter: { ...s.inverter, passA: passes ? 16 : null } } : s)),
          };
          for (const s of design.acSources) {
            const reach = reachFrom(design, 'source', s.id);
            for (const c of design.acCircuits) expect(chainsTo(design, c).some((x) => x.source.id === s.id)).toBe(reach.circuits.has(c.id));
          }
        },
      ),
      { numRuns: 120 },
    ));
});

describe('limits', () => {
  test.each([
    ['metric', null, 1],
    ['awg', null, 0.8],
    ['awg', 1, 1],
    ['metric', 0.8, 0.8],
  ] as const)('%s, house rule %s: continuous loads take %s of a breaker', (school, own, part) => {
    const base = pluggedIn(school);
    expect(continuousPart({ ...base.acRules, continuousPart: own }, school)).toBe(part);
  });
  test('a pedestal smaller than the inlet binds, a larger one does not', () => {
    const base = pluggedIn();
    const shore = shoreOf(base);
    expect(limitOf(base, shore, 10).amps).toBe(10);
    expect(limitOf(base, shore, 63).amps).toBe(16);
    expect(limitOf(base, shore, null)).toMatchObject({ legs: 1, volts: 230, kw: null, kva: null });
  });
  test.each(['120 V', '120/240 V', '230 V'] as const)(
    '%s: the inlet and every smaller pedestal of the region, the largest first',
    (service) => {
      const base = pluggedIn();
      const own = { ...shoreOf(base), service, ratedA: Math.max(...SERVICES[service].dockA) };
      const amps = settingsOf({ ...base, acSources: [own] }).map((s) => s.dockA);
      expect(amps).toEqual([...SERVICES[service].dockA].sort((a, b) => b - a));
    },
  );
  test('watts of a charger follow from its amps, 14 V a 12 V of bank, over its efficiency; VA over its power factor', () => {
    const base: Design = { ...pluggedIn(), sources: [{ ...blankSource('c', 'shore charger', 12, 'house'), ratedA: 60 }] };
    const row = appliance('charger', 1, { chargerId: 'c' });
    expect(wattsOf(base, row).watts).toBeCloseTo((14 * 60) / 0.87, 6);
    expect(vaOf(base, row)).toBeCloseTo((14 * 60) / 0.87 / 0.95, 6);
    expect(vaOf(base, appliance('x', 100, { powerFactor: 0 }))).toBe(Infinity);
  });
});

test('whatever is aboard in whichever region, the proposal serves every appliance once and has the right bond in every state', () =>
  fc.assert(
    fc.property(
      fc.record({
        region: fc.constantFrom('120 V' as const, '120/240 V' as const, '230 V' as const),
        names: fc.subarray(AC_APPLIANCES.map((a) => a.name)),
        inverterW: fc.option(fc.integer({ min: 200, max: 5000 })),
        generator: fc.boolean(),
        charger: fc.boolean(),
      }),
      ({ region, names, inverterW, generator, charger }) => {
        const base = pluggedIn(region === '230 V' ? 'metric' : 'awg');
        const row = inverterW === null ? [] : [inverterRow(inverterW)];
        const start: Design = {
          ...base,
          boat: { ...base.boat, acRegion: region },
          acSources: [],
          acPanels: [],
          acCircuits: [],
          acLoads: names.flatMap((n, i) => acLoadFrom(n, `a${i}`, base) ?? []),
          loads: row,
          sources: charger ? [blankSource('c', 'shore charger', 12, 'house')] : [],
          living: base.living.map((l) => (generator ? { ...l, day: [blankSpan('g', 'generator', 8, 9, 0)] } : l)),
        };
        let n = 0;
        const made = proposeAc(start, (p) => `${p}${++n}`);
        const design: Design = {
          ...start,
          acSources: [...made.acSources],
          acPanels: [...made.acPanels],
          acLoads: [...start.acLoads, ...made.acLoads],
          acCircuits: [...made.acCircuits],
        };
        const served = design.acCircuits.flatMap((c) => c.loadIds);
        expect([...served].sort()).toEqual(design.acLoads.map((l) => l.id).sort());
        expect(design.acSources.map((s) => s.kind).sort()).toEqual([
          ...(generator ? ['generator'] : []),
          ...(inverterW === null ? [] : ['inverter']),
          'shore',
        ]);
        expect(statesOf(design).every((s) => s.origins.every(bondsRight))).toBe(true);
        expect(
          acFindings(design)
            .filter((f) => f.severity === 'stop')
            .map((f) => f.id),
        ).toEqual([]);
        for (const l of design.acLoads.filter((x) => x.chargerId !== null)) {
          const inverter = design.acSources.find((s) => s.kind === 'inverter');
          if (inverter) expect(reachFrom(design, 'source', inverter.id).loads.has(l.id)).toBe(false);
        }
      },
    ),
    { numRuns: 80 },
  ));

const inverterRow = (rating: number): Design['loads'][number] => ({ ...blankLoad('inv-row', 12), name: 'Inverter', rating });
