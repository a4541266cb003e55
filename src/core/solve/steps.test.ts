/** Long work in steps: the same answer at once and in turns, with rests between. */
import { atOnce, inTurns, type Steps } from './steps';

function* sum(to: number): Steps<number> {
  let total = 0;
  for (let i = 1; i <= to; i++) {
    total += i;
    yield;
  }
  return total;
}

test('at once and in turns: 1 + 2 + … + 10 = 55', async () => {
  expect(atOnce(sum(10))).toBe(55);
  await expect(inTurns(sum(10), 0, () => Promise.resolve())).resolves.toBe(55);
});

test('who waits is served between the steps, not after the last', async () => {
  const served: string[] = [];
  const rest = () => new Promise<void>((on) => setTimeout(on));
  const work = inTurns(sum(5), 0, rest).then((x) => served.push(`done ${x}`));
  setTimeout(() => served.push('served'));
  await work;
  expect(served).toEqual(['served', 'done 15']);
});

test('a step that fails is the failure of the whole', async () => {
  function* broken(): Steps<number> {
    yield;
    throw new Error('no solution');
  }
  await expect(inTurns(broken(), 0, () => Promise.resolve())).rejects.toThrow('no solution');
});
