/** The audit: every rule has its line, every line its rules or a reason. */
import { AUDIT, auditOf, ASKING } from './audit';
import { ruleRows } from './table';
import type { Finding } from '../design';
import { bareBoat } from '../design/testing';

const boat = bareBoat('metric');
const ids = new Set(ruleRows().map((r) => r.id));

test('every rule of the table stands in a line of the audit, and no line names one that is gone', () => {
  const named = new Set(AUDIT.flatMap((l) => l.rules));
  expect([...ids].filter((id) => !named.has(id))).toEqual([]);
  expect([...named].filter((id) => !ids.has(id))).toEqual([]);
});
test('a line without a rule says why', () => expect(AUDIT.filter((l) => l.rules.length === 0 && l.eyes === '')).toEqual([]));
test('no line stands twice', () => expect(new Set(AUDIT.map((l) => l.line)).size).toBe(AUDIT.length));
test('rules that ask are rules', () => expect([...ASKING].filter((id) => !ids.has(id))).toEqual([]));

const finding = (rule: string, severity: Finding['severity'], accepted?: Finding['accepted']): Finding => ({
  id: `${rule}:x`,
  rule,
  severity,
  about: { kind: 'bank', id: 'x' },
  title: rule,
  why: '',
  todo: '',
  ...(accepted ? { accepted } : {}),
});
const standing = (line: string, findings: readonly Finding[]) => auditOf(boat, findings).find((l) => l.line.startsWith(line))?.standing;

test('a line stands by the worst that is open; what only asks is told apart from what is wrong; silence is said as such', () => {
  const held = 'batteries are held';
  expect(standing(held, [])).toBe('nothing found');
  expect(standing(held, [finding('bank-mounting-unknown', 'note')])).toBe('asks');
  expect(standing(held, [finding('bank-mounting-unknown', 'note'), finding('bank-held', 'fix')])).toBe('fix');
  expect(standing(held, [finding('bank-held', 'fix', { by: 'a surveyor', why: 'a tray is ordered' })])).toBe('accepted');
  expect(standing('it works', [])).toBe('by eyes');
});

test('a line of what is not aboard is not called in order', () => {
  expect(standing('a generator starts', [])).toBe('not aboard');
  expect(standing('no pair turns', [])).toBe('not aboard');
  const [place] = boat.places;
  if (!place) throw new Error('none');
  const compass = { ...boat, places: [{ ...place, compass: true }] };
  expect(auditOf(compass, []).find((l) => l.line.startsWith('no pair turns'))?.standing).toBe('nothing found');
});
