/** The guide and the tables are searched: titles first, all words, with an address that exists on its page. */
import { anchorOf, findEntries, PAGES, pageText } from './reference';

test('torque finds the figures of studs and the rule that speaks of it', () => {
  const found = findEntries('torque', 10);
  expect(found[0]).toMatchObject({
    kind: 'figures',
    title: 'Torque of studs and screws',
    href: '/guide/figures#torque-of-studs-and-screws',
  });
  expect(found.map((e) => [e.kind, e.title])).toContainEqual(['rule', 'bad-joints']);
});
test('a term is found by its name, a guide section by what stands in it', () => {
  expect(findEntries('ampacity', 10)).toContainEqual(expect.objectContaining({ kind: 'term', title: 'ampacity' }));
  expect(findEntries('Wiring', 10).map((e) => e.href)).toContain('/guide/guide#wiring');
});
test('every word must be there; nothing is found for nothing', () => {
  expect(findEntries('torque zebra', 10)).toEqual([]);
  expect(findEntries('  ', 10)).toEqual([]);
  expect(findEntries('bank', 3)).toHaveLength(3);
});
test('what is shown is a piece of what stands there, about the word', () => {
  for (const e of findEntries('galvanic', 10)) expect(e.text.replace(/^…|…$/g, '').length).toBeLessThanOrEqual(140);
});
test('every page is there, and no heading of one has the address of another', () => {
  for (const page of PAGES) {
    const heads = pageText(page)
      .split('\n')
      .filter((l) => /^##+ /.test(l))
      .map((l) => anchorOf(l));
    expect([page, heads.length]).toEqual([page, new Set(heads).size]);
    expect(
      heads.length +
        pageText(page)
          .split('\n')
          .filter((l) => l.startsWith('|')).length,
    ).toBeGreaterThan(3);
  }
});
