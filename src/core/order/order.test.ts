/** The order of work of real boats: what leads to what, what is live each evening by the network, and how a task is isolated. */
import { analyse } from '../analysis';
import { cutList, madePieces } from '../build';
import { blankFound, type Circuit, type Design, designOfKind } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { postInventory } from '../mainSide';
import { usualBoat, withProposals } from '@/testing/usualBoat';
import { eveningDesign, troubleOf } from './evening';
import { isolationOf } from './isolate';
import { orderOf, usualEssentials } from './orderOf';
import { newFeed, oldFeed, tasksOf } from './tasks';

function made(design: Design) {
  const a = analyse(design);
  return {
    a,
    pieces: madePieces(design, cutList(design, a.circuits, a.leads).cuts, new Set(), postInventory(design, a.circuits, a.leads), new Map()),
  };
}
const order = (design: Design, done?: ReadonlySet<string>) => {
  const { a, pieces } = made(design);
  return orderOf(design, a, pieces, done);
};
const asFound = (design: Design, change: (c: Circuit) => Partial<NonNullable<Circuit['found']>>): Design => ({
  ...design,
  circuits: design.circuits.map((c) => ({
    ...c,
    found: {
      ...blankFound('metric'),
      sizeKnown: true,
      size: { school: 'metric', size: '6' },
      family: 'blade',
      ratingA: 10,
      decision: 'replace',
      ...change(c),
    },
  })),
});
const pump = (change: (c: Circuit) => Partial<NonNullable<Circuit['found']>> = () => ({})): Design => {
  const d = withLoad(bareBoat('metric'), { name: 'Bilge pump', rating: 40, group: 'pump', kind: 'bilge pump' }, 3);
  return asFound(d, change);
};

test('of a circuit: made up, pulled, landed, tested and energised in that order, behind what feeds it', () => {
  const { a, pieces } = made(withLoad(bareBoat('metric'), { rating: 24, connection: 'M6' }, 4));
  const tasks = tasksOf(withLoad(bareBoat('metric'), { rating: 24, connection: 'M6' }, 4), a, pieces);
  const needs = (id: string) => tasks.find((t) => t.id === id)?.needs.map((n) => n.id) ?? [];
  expect(needs('pull:c-x')).toContain('bench:c-x');
  expect(needs('land:c-x')).toContain('pull:c-x');
  expect(needs('test:c-x')).toEqual(['land:c-x']);
  expect(needs('energise:c-x')).toEqual(['test:c-x', 'energise:c-main']);
  expect(tasks.find((t) => t.id === 'energise:c-x')?.bringsUp).toEqual([newFeed('c-x')]);
  expect(tasks.every((t) => t.needs.every((n) => tasks.some((x) => x.id === n.id)))).toBe(true);
});

test('a boat being rewired: her old feeds are taken down as the new are landed, and every evening is proved', () => {
  const design = pump();
  const { schedule, essentials } = order(design);
  expect(essentials.map((e) => e.name)).toEqual(['Bilge pump']);
  expect(schedule.ok).toBe(true);
  const last = schedule.days.at(-1);
  expect(last?.live).toContain(newFeed('c-x'));
  expect(last?.live).not.toContain(oldFeed('c-x'));
  for (const day of schedule.days) {
    const evening = eveningDesign(design, new Set(day.live), []);
    if (!day.evening.some((e) => e.temporary)) expect(troubleOf(evening, ['x']).filter((t) => t.loadId !== null)).toEqual([]);
  }
});

test('an old feed that nothing protects is not relied on: a temporary one takes its place, sized and fused', () => {
  const design = pump(() => ({ ratingA: null, family: null }));
  const { schedule, notes, temporary } = order({ ...design, work: { ...design.work, hoursPerDay: 2 } });
  expect(schedule).toMatchObject({ ok: true });
  expect(notes.join()).toContain('nothing protects it');
  expect(temporary).toHaveLength(1);
  expect(temporary[0]?.what).toMatch(/^temporary feed of Bilge pump: [\d.]+ mm², .+ \d+ A at House bank$/);
  expect(schedule.days[0]?.evening[0]?.temporary).toBe(true);
});

test('where nobody lives aboard no evening is asked for', () => {
  const design = pump();
  const { essentials, schedule } = order({ ...design, work: { ...design.work, livedAboard: false } });
  expect(essentials).toEqual([]);
  expect(schedule.ok && schedule.days.every((d) => d.evening.length === 0)).toBe(true);
});

test('what is marked as done is left out, and its feeds stand as it left them', () => {
  const design = pump();
  const { a, pieces } = made(design);
  const all = tasksOf(design, a, pieces).map((t) => t.id);
  const some = new Set(all.filter((id) => /:(c-main|c-feed)$|^photograph/.test(id)));
  const rest = order(design, some);
  expect(rest.tasks.some((t) => some.has(t.id))).toBe(false);
  expect(rest.schedule.days[0]?.live).toContain(newFeed('c-main'));
  const finished = order(design, new Set(all));
  expect(finished.tasks).toEqual([]);
  expect(finished.schedule).toEqual({ ok: true, days: [] });
});

test('parts that come on the third day: what is made of them waits', () => {
  const d = pump();
  const design: Design = { ...d, work: { ...d.work, deliveries: [{ id: 'd', what: 'reel of 1 mm²', circuitIds: ['c-x'], day: 3 }] } };
  const { schedule } = order(design);
  const first = schedule.days.find((day) => day.tasks.some((t) => t.taskId === 'bench:c-x'));
  expect(first?.no).toBeGreaterThanOrEqual(3);
});

test.each([3, 5, 8, 11])('usual boat %i has an order of work, each evening of it proved', (seed) => {
  const design = usualBoat(seed);
  const { schedule, tasks } = order(design);
  expect(schedule.ok).toBe(true);
  const counted = schedule.days.flatMap((d) => d.tasks).filter((t) => t.done).length;
  expect(counted).toBe(tasks.length);
  expect(usualEssentials(design).length).toBeGreaterThan(0);
  for (const day of schedule.days) expect(day.evening.map((e) => e.essentialId)).toEqual(usualEssentials(design));
});

describe('isolation', () => {
  const ids = (design: Design, of: readonly string[] = []) => isolationOf(design, of).steps.map((s) => s.id.split(' ')[0]);
  let n = 0;
  const boat = withProposals(
    designOfKind('long-distance', { name: 'Far', school: 'metric', lengthM: 12, beamM: 3.9, systemV: 12 }),
    (prefix) => `${prefix}u${++n}`,
  );

  test('the array before the battery, the negative first of it, the proof last but the tags', () => {
    const steps = ids(boat);
    expect(steps[0]).toBe('hands');
    expect(steps.slice(-2)).toEqual(['prove', 'tag']);
    const [array, negative, positive] = ['array', 'negative', 'positive'].map((k) => steps.indexOf(k));
    if (array !== -1) expect(array).toBeLessThan(negative ?? 0);
    expect(negative).toBeLessThan(positive ?? 0);
  });
  test('the way back: positive, then negative, then switches', () => {
    const back = isolationOf(boat, []).back.map((s) => s.id.split(' ')[0]);
    expect(back[0]).toBe('look');
    expect(back.indexOf('positive')).toBeLessThan(back.indexOf('negative'));
    expect(back.indexOf('negative')).toBeLessThan(back.indexOf('switch'));
  });
  test('what the AC side says of its own way back stands there once, and never among what is opened', () => {
    const { steps, back } = isolationOf(boat, []);
    expect(steps.filter((s) => /reverse order|back in service/i.test(s.do))).toEqual([]);
    expect(new Set(back.map((s) => s.do)).size).toBe(back.length);
    const leads = back.filter((s) => s.id.startsWith('lead '));
    expect(leads.length).toBe(boat.acSources.filter((s) => s.kind === 'shore').length);
    for (const l of leads) expect(l.do).toContain('polarity and earth tested');
    expect(back.some((s) => s.id.startsWith('prove'))).toBe(false);
  });
  test('for one circuit only what can feed it is opened', () => {
    const own = isolationOf(boat, [boat.circuits.find((c) => c.from.kind === 'panel')?.id ?? '']);
    expect(own.steps.length).toBeLessThan(isolationOf(boat, []).steps.length);
    expect(own.steps.some((s) => s.id.startsWith('positive'))).toBe(false);
  });
  test('a bank that is joined to it feeds it too', () => {
    const d = pump();
    const house = d.banks[0];
    if (!house) throw new Error('no bank');
    const start = { ...house, id: 'start', name: 'Start battery', job: 'start' as const };
    const joined: Design = {
      ...d,
      banks: [house, start],
      joins: [
        {
          id: 'j',
          name: 'Relay',
          kind: 'relay',
          firstId: house.id,
          secondId: 'start',
          running: 'both',
          stopped: 'off',
          makeBeforeBreak: false,
          fieldDisconnect: false,
          dropV: 0,
          closeV: 13.3,
          openV: 12.8,
          delayS: 30,
          ratedA: 120,
          massKg: null,
          price: null,
        },
      ],
    };
    expect(isolationOf(joined, ['c-x']).steps.map((s) => s.id)).toEqual(expect.arrayContaining(['tie j', 'negative start']));
    expect(isolationOf(d, ['c-x']).steps.map((s) => s.id)).not.toContain('negative start');
  });
  test('an array that nothing opens is told', () => {
    const source = boat.sources.find((s) => s.kind === 'solar');
    if (!source) return;
    const bare: Design = {
      ...boat,
      circuits: boat.circuits.filter((c) => !c.taps.some((t) => t.serves.id === source.loadId)),
      leads: boat.leads.filter((l) => ![l.from, l.to].some((e) => e.kind === 'source' && e.id === source.id)),
    };
    expect(isolationOf(bare, []).cannot.map((c) => c.id)).toEqual([source.id]);
  });
});
