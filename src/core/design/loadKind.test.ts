import { kindOf } from './loadKind';

const named = (name: string, group = 'other') => kindOf({ kind: null, name, group });

test.each([
  ['Bilge pump, automatic', 'bilge pump'],
  ['Lenzpumpe vorn', 'bilge pump'],
  ['Pompe de cale', 'bilge pump'],
  ['High-water alarm', 'high-water alarm'],
  ['Gas detector', 'gas alarm'],
  ['Rauchmelder Salon', 'smoke alarm'],
  ['Engine space blower', 'blower'],
  ['Anlasser', 'starter'],
  ['Starter battery charger', 'other'],
  ['Masthead tricolour, LED', 'navigation light'],
  ['Inverter, large', 'inverter'],
  ['Stereo', 'other'],
])('%s suggests %s', (name, kind) => expect(named(name)).toBe(kind));
test('a name says nothing against what is entered', () =>
  expect(kindOf({ kind: 'other', name: 'Bilge pump cover light', group: 'lights' })).toBe('other'));
test('a name in a language nobody knows leaves its group', () => {
  expect(named('Sentinapumppu', 'pump')).toBe('pump');
  expect(named('Tuuletin', 'blower')).toBe('blower');
});
