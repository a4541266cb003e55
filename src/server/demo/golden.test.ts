/** The demo boats' figures, as they were last agreed upon: a change of layout or words moves none of them. `npm run golden` writes them anew. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { figuresOf } from './figures';
import { halcyon } from './halcyon';
import { marram } from './marram';
import { turnstone } from './turnstone';

const golden = JSON.parse(readFileSync(join(__dirname, 'golden.json'), 'utf8')) as Record<string, unknown>;

/** Paths at which two values differ: numbers by more than 1e-9 of themselves. */
function differences(was: unknown, now: unknown, at: string): string[] {
  if (typeof was === 'number' && typeof now === 'number')
    return Math.abs(was - now) <= 1e-9 * Math.max(1, Math.abs(was)) ? [] : [`${at}: ${was} is now ${now}`];
  if (was === null || now === null || typeof was !== 'object' || typeof now !== 'object')
    return Object.is(was, now) ? [] : [`${at}: ${String(was)} is now ${String(now)}`];
  const [a, b] = [was as Record<string, unknown>, now as Record<string, unknown>];
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((k) => differences(a[k], b[k], `${at}/${k}`));
}

/** Findings are compared as a set, so that one that is new is named and not all after it. */
const asSet = (figures: unknown) => {
  const { findings, ...rest } = figures as { findings: string[] };
  return { ...rest, findings: Object.fromEntries(findings.map((f) => [f, true])) };
};

test.each([
  ['marram', marram],
  ['halcyon', halcyon],
  ['turnstone', turnstone],
])('%s: every figure is what it was', (name, boat) => {
  const now = JSON.parse(JSON.stringify(figuresOf(boat()))) as unknown;
  expect(differences(asSet(golden[name]), asSet(now), name)).toEqual([]);
});
