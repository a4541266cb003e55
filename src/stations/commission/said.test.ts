/** Figures of a test, typed and shown. */
import { bandOf, type TestLine } from '@/core/commission';
import { typed } from '@/ui/path/figures';
import { expectedOf, figure } from './said';

const line = (more: Partial<TestLine>): TestLine => ({
  id: 'x',
  stage: 0,
  what: '',
  state: '',
  probes: '',
  unit: 'mV',
  band: null,
  limit: { least: null, most: null },
  working: '',
  hazard: '',
  outside: '',
  drop: null,
  at: null,
  ...more,
});

test('typed with point or comma; anything else is no figure', () => {
  expect([typed('12.5'), typed(' 12,5 '), typed('-3'), typed('0')]).toEqual([12.5, 12.5, -3, 0]);
  expect([typed(''), typed('12.5.1'), typed('5 A'), typed('1e3')]).toEqual([null, null, null, null]);
});
test('volts as a meter shows them, the rest to three figures', () => {
  expect(figure(12.6144, 'V')).toBe('12.61');
  expect(figure(62.512, 'A')).toBe('62.5');
  expect(figure(1455.3, 'mV')).toBe('1460');
});
test('what is expected, with its band and its limits', () => {
  expect(expectedOf(line({ band: bandOf(100, []), limit: { least: null, most: 240 } }), null)).toBe('100 (100 to 100) mV; at most 240 mV');
  expect(expectedOf(line({ unit: 'MΩ', limit: { least: 1, most: null } }), null)).toBe('at least 1 MΩ');
  expect(expectedOf(line({ unit: 'seen' }), null)).toBe('');
});
