/** npm run soak [-- minutes]: the production server under kills, locks, damage and rubbish, for ten minutes; prints tried, failed, lost. */
import { held, killedWhileMigrating, killedWhileTakingIn, killedWhileWriting, line, rubbish, struck, type Told } from '../e2e/soak';

const minutes = Number(process.argv[2] ?? 10);
const end = Date.now() + minutes * 60_000;
const sums = new Map<string, Told>();
const add = (told: Told): void => {
  console.log(line(told));
  const had = sums.get(told.what);
  sums.set(
    told.what,
    had ? { ...told, tried: had.tried + told.tried, failed: had.failed + told.failed, lost: had.lost + told.lost, note: '' } : told,
  );
};
const scale = Math.max(0.05, minutes / 10);
for (let round = 1; Date.now() < end; round++) {
  add(await killedWhileWriting(round, Math.ceil(20 * scale)));
  add(await killedWhileTakingIn(round, Math.ceil(20 * scale)));
  add(await killedWhileMigrating(round, Math.ceil(10 * scale), 300));
  add(await held(10_000 * Math.min(1, scale)));
  add(await struck(round, Math.ceil(30 * scale)));
  add(await rubbish(round, Math.ceil(10_000 * scale), Math.ceil(2_000 * scale)));
}
console.log('\nIn all:');
for (const told of sums.values()) console.log(line(told));
const bad = [...sums.values()].reduce((sum, t) => sum + t.failed + t.lost, 0);
process.exit(bad === 0 ? 0 : 1);
