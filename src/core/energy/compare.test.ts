/** Options side by side, the AC side too. */
import { pluggedIn } from '../ac/testing';
import { bareBoat } from '../design/testing';
import { compareDesigns } from './compare';

test('options differ in their AC side: sources, runs, what fits together, states with a wrong bond', () => {
  const one = { ...pluggedIn(), acRules: { ...pluggedIn().acRules, wanted: ['kettle'] } };
  const other = {
    ...one,
    acSources: one.acSources.map((s) => ({ ...s, ratedA: 6 })),
    acPanels: one.acPanels.map((p) => ({ ...p, linked: true })),
  };
  const lines = compareDesigns(one, other).filter((l) => l.what.startsWith('AC'));
  // The kettle's branch has 10 A x 230 V less its 1840 VA; at 6 A it does not fit.
  expect(lines.find((l) => l.what === 'AC, wanted together on Shore power, 16 A')).toMatchObject({ a: 'fits, 460 VA left', b: '–' });
  expect(lines.find((l) => l.what === 'AC, wanted together on Shore power, 16 A')?.of).toEqual([
    '1 wanted together, against every breaker on their way: AC, what can run together',
    'not there',
  ]);
  expect(lines.find((l) => l.what === 'AC, wanted together on Shore power, 6 A')?.b).toBe('1 to switch off or turn down');
  expect(lines.find((l) => l.what === 'AC states with a wrong bond')).toMatchObject({ a: '0', b: '1', differs: true });
  expect(compareDesigns({ ...one, acSources: [] }, one).some((l) => l.what === 'AC runs' && l.a === '–')).toBe(true);
});

test('each figure tells what it is made of: blocks, what was weighed, the cruise it was run through', () => {
  const boat = bareBoat('metric');
  const lines = new Map(compareDesigns(boat, boat).map((l) => [l.what, l]));
  expect(lines.get('house bank, C20')?.of[0]).toBe('2 blocks of 12 V 100 Ah, 2 in parallel');
  expect(lines.get('mass')?.of[0]).toContain('House bank');
  for (const l of lines.values()) for (const of of l.of) expect(of).not.toBe('');
});
