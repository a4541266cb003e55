/** The window's line to its worker, with workers that answer, throw, hang and die. */
import { expose } from 'comlink';
import { analyse, createMemory, type Analysis } from '@/core';
import { analysisDelta, type AnalysisDelta } from '@/core/analysis';
import { type Delta, type Design, withDelta } from '@/core/design';
import { bareBoat, withLoad } from '@/core/design/testing';
import { Analyser, type Waiting } from './analyser';

const boat = (rating: number): Design => withLoad(bareBoat('metric'), { rating }, 4);
const first = boat(60);

/** What a worker does with an update: answers it, or something else. */
type Conduct = 'answers' | 'throws' | 'hangs' | 'dies' | 'does not load';

class Office {
  /** The conduct of each worker employed, in turn; the last for all after it. */
  constructor(private readonly conducts: readonly Conduct[]) {}
  employed = 0;
  updates = 0;
  questions = 0;
  private readonly ports: MessagePort[] = [];

  readonly make = (): Worker => {
    const conduct = this.conducts[Math.min(this.employed, this.conducts.length - 1)];
    this.employed++;
    const { port1, port2 } = new MessageChannel();
    this.ports.push(port1, port2);
    const worker = Object.assign(port1, { terminate: () => port1.close() }) as unknown as Worker;
    const die = (message: string) => worker.dispatchEvent(Object.assign(new Event('error', { cancelable: true }), { message }));
    const memory = createMemory();
    let design: Design | null = null;
    let analysis: Analysis | null = null;
    const api = {
      update: (delta: Delta): AnalysisDelta | Promise<never> => {
        this.updates++;
        if (conduct === 'throws') throw new RangeError('memory refused');
        if (conduct === 'hangs') return new Promise<never>(() => undefined);
        if (conduct === 'dies') {
          die('it died');
          return new Promise<never>(() => undefined);
        }
        design = withDelta(design, delta);
        const before = analysis;
        analysis = analyse(design, memory);
        return analysisDelta(before, analysis);
      },
      grow: () => {
        this.questions++;
        return [`asked ${this.questions}`];
      },
      lists: () => {
        throw new Error('lists are broken');
      },
    };
    if (conduct === 'does not load') setTimeout(() => die(''), 1);
    else expose(api, port2 as never);
    return worker;
  };

  close(): void {
    for (const port of this.ports) port.close();
  }
}

let office: Office;
let stop: () => void;
afterEach(() => {
  stop();
  office.close();
});

/** Long enough for a worker that answers on a busy machine; one that hangs is waited for as long. */
const PATIENCE_MS = 800;

function open(conducts: readonly Conduct[], waiting: Waiting = {}): Analyser {
  office = new Office(conducts);
  const analyser = new Analyser(
    { analysis: analyse(first), design: first, revision: 7 },
    { make: office.make, updatePatienceMs: PATIENCE_MS, ...waiting },
  );
  stop = analyser.start();
  analyser.analyse(first, 7);
  return analyser;
}

const until = async (done: () => boolean) => {
  for (let i = 0; i < 2000 && !done(); i++) await new Promise((r) => setTimeout(r, 5));
};
const wattsOf = (a: Analyser) => a.figures().analysis.loads[0]?.current.nominalW;

test('the newest design wins; the same one asks nothing', async () => {
  const analyser = open(['answers']);
  await until(() => analyser.ready());
  const next = boat(70);
  for (const rating of [61, 62, 63]) analyser.analyse(boat(rating), 8);
  analyser.analyse(next, 9);
  analyser.analyse(next, 9);
  await until(() => analyser.figures().of === next);
  expect(wattsOf(analyser)).toBe(70);
  expect(analyser.figures()).toMatchObject({ revision: 9, trouble: null, behindSince: null });
  expect(office.updates).toBeLessThanOrEqual(3);
  expect(office.employed).toBe(1);
});

test.each<Conduct>(['throws', 'hangs', 'dies', 'does not load'])(
  'a worker that %s is replaced, and the whole design told again',
  async (conduct) => {
    const analyser = open([conduct, 'answers']);
    const next = boat(70);
    analyser.analyse(next, 8);
    await until(() => analyser.figures().of === next);
    expect(wattsOf(analyser)).toBe(70);
    expect(analyser.figures().trouble).toBeNull();
    expect(office.employed).toBe(2);
  },
);

test.each<[Conduct, string]>([
  ['throws', 'memory refused'],
  ['hangs', 'no answer'],
  ['dies', 'it died'],
  ['does not load', 'did not load'],
])('one that %s twice is told of, with the figures of before; trying again mends it', async (conduct, words) => {
  const analyser = open([conduct, conduct, 'answers']);
  const next = boat(70);
  analyser.analyse(next, 8);
  await until(() => analyser.figures().trouble !== null);
  expect(analyser.figures().trouble).toContain(words);
  expect(analyser.figures().of).toBe(first);
  expect(analyser.figures().behindSince).not.toBeNull();
  analyser.retry();
  await until(() => analyser.figures().trouble === null);
  expect(wattsOf(analyser)).toBe(70);
  expect(analyser.figures().behindSince).toBeNull();
});

test('after trouble the next edit tries again by itself', async () => {
  const analyser = open(['throws', 'throws', 'answers']);
  await until(() => analyser.figures().trouble !== null);
  const next = boat(75);
  analyser.analyse(next, 8);
  await until(() => analyser.figures().of === next);
  expect(analyser.figures()).toMatchObject({ trouble: null, behindSince: null });
});

describe('questions', () => {
  const grow = (r: { grow: (g: never) => Promise<unknown> }) => r.grow({} as never);
  test('are asked once a design, however many watch, and again after the next', async () => {
    const analyser = open(['answers']);
    const told = { a: 0, b: 0 };
    const stops = (['a', 'b'] as const).map((who) => analyser.answers.watch('grow', grow as never, {}, () => void told[who]++));
    await until(() => told.a === 1 && told.b === 1);
    expect(office.questions).toBe(1);
    expect(analyser.answers.answer('grow')).toMatchObject({ value: ['asked 1'], of: analyser.figures().analysis, revision: 7 });
    analyser.analyse(boat(80), 8);
    await until(() => told.a === 2);
    expect(office.questions).toBe(2);
    expect(analyser.answers.answer('grow')).toMatchObject({ value: ['asked 2'], revision: 8 });
    for (const s of stops) s();
    analyser.analyse(boat(81), 9);
    await until(() => analyser.figures().revision === 9);
    expect(office.questions).toBe(2);
  });
  test('an answer is old while the next is awaited', async () => {
    const analyser = open(['answers']);
    analyser.answers.watch('grow', grow as never, { restMs: 40 }, () => undefined);
    await until(() => analyser.answers.answer('grow').of !== null);
    expect(analyser.answers.standing().behindSince).toBeNull();
    analyser.analyse(boat(80), 8);
    await until(() => analyser.figures().revision === 8);
    expect(analyser.answers.standing().behindSince).not.toBeNull();
    await until(() => office.questions === 2);
    await until(() => analyser.answers.standing().behindSince === null);
  });
  test('one that fails in a second worker too is told of, and stops nothing else', async () => {
    const analyser = open(['answers']);
    const lists = (r: { lists: () => Promise<unknown> }) => r.lists();
    analyser.answers.watch('lists', lists as never, {}, () => undefined);
    await until(() => analyser.answers.standing().trouble !== null);
    expect(analyser.answers.standing().trouble).toContain('lists are broken');
    expect(office.employed).toBeGreaterThan(1);
    const next = boat(80);
    analyser.analyse(next, 8);
    await until(() => analyser.figures().of === next);
    expect(analyser.figures().trouble).toBeNull();
  });
});
