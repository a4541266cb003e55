import fc from 'fast-check';
import type { AcPanel, AcSource, Design } from '../design';
import { bondsRight, statesOf } from './states';
import { acFindings, pluggedIn, withMachines } from './testing';

const boat = withMachines(pluggedIn());
const changed = (design: Design, sources: (s: AcSource) => AcSource, panels: (p: AcPanel) => AcPanel = (p) => p): Design => ({
  ...design,
  acSources: design.acSources.map(sources),
  acPanels: design.acPanels.map(panels),
});
const passing = (opensNeutral: boolean): Design => ({
  ...changed(boat, (s) => (s.inverter ? { ...s, inverter: { ...s.inverter, passA: 16, opensNeutral } } : s)),
  // Its input hangs on the main panel; its output alone feeds the small one.
  acCircuits: boat.acCircuits.map((c) => (c.id === 'to-small' ? { ...c, to: { kind: 'inverter', id: 'inv' } } : c)),
});
const titles = (design: Design) => acFindings(design).map((f) => f.id);

describe('by hand', () => {
  test('the lead in: the one ashore; the generator: one at its frame; the inverter: one of its own', () => {
    const of = (id: string) => statesOf(boat).flatMap((s) => s.origins.filter((o) => o.sourceId === id && o.panels.length > 0));
    expect(of('shore').every((o) => o.bonds.map((b) => b.at).join() === 'ashore, for Shore power')).toBe(true);
    expect(of('gen').every((o) => o.bonds.map((b) => b.at).join() === 'Generator, at the generator')).toBe(true);
    expect(of('inv').every((o) => o.bonds.map((b) => b.kind).join() === 'source')).toBe(true);
    expect(of('shore').length).toBeGreaterThan(0);
  });
  test('turned by hand a dead position leaves its panel dead', () => {
    const dead = statesOf(boat).find((s) => s.present.join() === 'shore' && s.positions.panel === 'gen-main');
    expect(dead?.origins.find((o) => o.sourceId === 'shore')?.panels).toEqual([]);
  });
  test('the relay takes the main panel where it is live, else the inverter', () => {
    const at = (s: ReturnType<typeof statesOf>[number]) => s.positions.small;
    for (const s of statesOf(boat)) {
      const live = s.origins.some((o) => o.sourceId !== 'inv' && o.panels.includes('panel'));
      // null: on its way.
      if (live) expect(['to-small', null]).toContain(at(s));
      if (s.present.length === 0) expect(['inv-small', null]).toContain(at(s));
    }
  });
  test('an isolation transformer brings a bond of its own and wants it', () => {
    const own = changed(boat, (s) => (s.shore ? { ...s, shore: { ...s.shore, isolation: 'isolation transformer' } } : s));
    const ashore = statesOf(own).flatMap((s) => s.origins.filter((o) => o.sourceId === 'shore'));
    expect(ashore.every((o) => o.bonds.map((b) => b.kind).join() === 'source' && bondsRight(o))).toBe(true);
  });
  test('an inverter-charger bonds only while it inverts, and lets go before it passes on', () => {
    const states = statesOf(passing(true));
    expect(states.flatMap((s) => s.origins).every(bondsRight)).toBe(true);
    const through = states.find((s) => s.present.join() === 'shore' && s.inverters.inv === 'passing');
    expect(through?.origins.map((o) => [o.sourceId, o.panels.includes('small')])).toEqual([['shore', true]]);
  });
});

describe('states that are easily forgotten', () => {
  const wrongIn = (design: Design) =>
    statesOf(design)
      .filter((s) => !s.origins.every(bondsRight))
      .map((s) => s.name);
  test('the lead in and the pedestal dead while the inverter runs: its own bond and, where its transfer keeps the neutral together, the one ashore', () => {
    const at = (design: Design) =>
      statesOf(design)
        .find((s) => s.present.length === 0 && s.dead.includes('shore') && s.positions.panel === 'main' && s.inverters.inv === 'inverting')
        ?.origins.map((o) => o.bonds.map((b) => b.kind).join());
    expect(at(passing(false))).toEqual(['ashore,source']);
    expect(at(passing(true))).toEqual(['source']);
    expect(titles(passing(false))).toContain('ac-bond-many:inv');
    // With the pedestal live it passes on; a stopped generator that the panel is turned to has its bond too.
    expect(wrongIn(passing(false)).every((name) => /pedestal dead|AC panel on Generator/.test(name))).toBe(true);
  });
  test('two inlets on one transfer that leaves the neutral: the two marinas’ neutrals are joined aboard', () => {
    const two = (switchesNeutral: boolean): Design => {
      const plain = pluggedIn();
      const second = { ...plain.acSources[0], id: 'shore2', name: 'Second inlet' } as AcSource;
      const main = plain.acCircuits[0];
      if (!main) throw new Error('no main');
      return {
        ...plain,
        acSources: [...plain.acSources, second],
        acPanels: plain.acPanels.map((p) => ({ ...p, transfer: 'by hand', switchesNeutral })),
        acCircuits: [...plain.acCircuits, { ...main, id: 'main2', from: { kind: 'source', id: 'shore2' } }],
      };
    };
    expect(wrongIn(two(true))).toEqual([]);
    expect(acFindings(two(false)).find((f) => f.id === 'ac-bond-many:shore')?.title).toMatch(
      /is joined by its neutral to another lead ashore$/,
    );
    expect(wrongIn(two(false))).toContain('Shore power in, Second inlet in, AC panel on Shore power');
    expect(wrongIn(two(false))).toContain('Shore power in, Second inlet in with the pedestal dead, AC panel on Shore power');
  });
  test('generator and shore at once, and a transfer midway, are gone through', () => {
    const states = statesOf(boat);
    expect(states.some((s) => s.present.join() === 'shore,gen' && s.positions.panel === 'gen-main')).toBe(true);
    expect(states.some((s) => s.positions.panel === null && s.present.length === 2)).toBe(true);
    expect(states.some((s) => s.positions.small === null && s.positions.panel === 'main')).toBe(true);
    expect(statesOf(passing(true)).some((s) => s.inverters.inv === 'between' && s.name.endsWith('Inverter between the two'))).toBe(true);
  });
});

describe('what is wrong is found, and is gone when mended', () => {
  test.each([
    [
      'a transfer that leaves the neutral',
      changed(
        boat,
        (s) => s,
        (p) => ({ ...p, switchesNeutral: false }),
      ),
      'ac-bond-many:shore',
    ],
    [
      'a link in the panel',
      changed(
        boat,
        (s) => s,
        (p) => ({ ...p, linked: true }),
      ),
      'ac-bond-many:shore',
    ],
    ['a generator without a bond', changed(boat, (s) => (s.kind === 'generator' ? { ...s, bonded: false } : s)), 'ac-bond-none:gen'],
    ['an inverter without one', changed(boat, (s) => (s.kind === 'inverter' ? { ...s, bonded: false } : s)), 'ac-bond-none:inv'],
    [
      'an inverter whose transfer keeps the neutral together, over a panel that has a link',
      { ...passing(false), acPanels: passing(false).acPanels.map((p) => ({ ...p, linked: true })) },
      'ac-bond-many:inv',
    ],
    [
      'two feeds and no transfer',
      changed(
        boat,
        (s) => s,
        (p) => ({ ...p, transfer: 'none' }),
      ),
      'ac-parallel:shore',
    ],
  ] as const)('%s', (_, design, id) => {
    expect(titles(design)).toContain(id);
    expect(titles(boat).filter((t) => /^ac-(bond|parallel)/.test(t))).toEqual([]);
  });
});

test('any accepted design has the right number of bonds in every state: whatever is set, wrong states and findings go together', () =>
  fc.assert(
    fc.property(
      fc.record({
        transfer: fc.constantFrom('none' as const, 'by hand' as const, 'relay' as const),
        small: fc.constantFrom('none' as const, 'by hand' as const, 'relay' as const),
        switchesNeutral: fc.boolean(),
        linked: fc.boolean(),
        genBonded: fc.boolean(),
        invBonded: fc.boolean(),
        isolation: fc.constantFrom('none' as const, 'galvanic isolator' as const, 'isolation transformer' as const),
        passes: fc.boolean(),
        opensNeutral: fc.boolean(),
      }),
      (a) => {
        const base = a.passes ? passing(a.opensNeutral) : boat;
        const design = changed(
          base,
          (s) => ({
            ...s,
            bonded: s.kind === 'generator' ? a.genBonded : s.kind === 'inverter' ? a.invBonded : s.bonded,
            shore: s.shore && { ...s.shore, isolation: a.isolation },
          }),
          (p) => ({
            ...p,
            transfer: p.id === 'panel' ? a.transfer : a.small,
            switchesNeutral: a.switchesNeutral,
            linked: p.id === 'panel' && a.linked,
          }),
        );
        const wrong = statesOf(design).some((s) => s.origins.some((o) => !bondsRight(o)));
        expect(titles(design).some((t) => /^ac-(bond|parallel)/.test(t))).toBe(wrong);
      },
    ),
    { numRuns: 120 },
  ));

test('a design without AC has no states', () => {
  expect(statesOf({ ...boat, acSources: [], acPanels: [], acCircuits: [] })).toEqual([]);
});
