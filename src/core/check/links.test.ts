/** Links of a bank, tested as cables: what the hardest worked one carries, and what it bears. */
import { analyse } from '../analysis';
import { applyEdit, type Bank, type Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { linkHolds, linkPart } from './rules/links';

const links = (way: Bank['links']['way'], size = '6'): Bank['links'] => ({ way, size, lengthM: 0.3, measured: true });
const withBank = (change: Partial<Bank>): Design => {
  const d = withLoad(bareBoat('metric'), { ratingBy: 'A', rating: 100, behaviour: 'current' }, 4);
  return { ...d, banks: d.banks.map((b) => ({ ...b, ...change })) };
};
const thin = (d: Design) => analyse(d).findings.find((f) => f.rule === 'link-thin');

test('by hand: of four strings from one end three quarters, from the middle two, on bars one; in series all of it; of one battery nothing', () => {
  const bank = (strings: number, series: number, way: Bank['links']['way']) => ({ strings, series, links: links(way) });
  expect(linkPart(bank(4, 1, 'one end'))).toBe(0.75);
  expect(linkPart(bank(4, 1, 'diagonal'))).toBe(0.75);
  expect(linkPart(bank(4, 1, 'middle'))).toBe(0.5);
  expect(linkPart(bank(4, 1, 'bus bars'))).toBe(0.25);
  // One that gives 1.4 times its part: 35 % of all.
  expect(linkPart(bank(4, 1, 'bus bars'), 1.4)).toBeCloseTo(0.35, 9);
  expect(linkPart(bank(1, 2, 'diagonal'))).toBe(1);
  expect(linkPart(bank(1, 1, 'diagonal'))).toBeNull();
});
test('thin links are told with what passes them, and the size that is asked for settles it', () => {
  const d = withBank({ strings: 3, links: links('one end') });
  const rating = analyse(d).circuits.find((c) => c.id === 'c-main')?.own.protection.ratingA ?? NaN;
  const finding = thin(d);
  expect(finding?.title).toMatch(/^its links of 6 mm² are good for [\d.]+ A; /);
  // Two of three strings pass the link beside the one it is taken off at.
  expect(finding?.title).toContain(`lets ${Number(((2 / 3) * rating).toPrecision(3))} A pass one`);
  const cured = applyEdit(d, { ops: [...(finding?.edits ?? [])] });
  if (!cured.ok) throw new Error('refused');
  expect(thin(cured.design)).toBeUndefined();
});
test('usual links behind a usual main draw no word, nor does a single battery', () => {
  expect(thin(withBank({ strings: 3, links: { ...links('diagonal'), size: null } }))).toBeUndefined();
  expect(thin(withBank({ strings: 1, links: links('one end', '1') }))).toBeUndefined();
});
test('a short behind the main is borne too: in half the time it would take to spoil the link', () => {
  const easy = { amps: 100, izA: 150 };
  expect(linkHolds({ ...easy, opensS: 0.1, bearsS: 0.3 })).toBe(true);
  expect(linkHolds({ ...easy, opensS: 0.2, bearsS: 0.3 })).toBe(false);
  expect(linkHolds({ amps: 160, izA: 150, opensS: 0.1, bearsS: 0.3 })).toBe(false);
});
