import { analyse } from '../analysis';
import { blankBank, blankTie, blankSource, type Design, type BankTie } from '../design';
import { blankBatteryCable } from '../propose';
import { bareBoat } from '../design/testing';

const boat = (kind: BankTie['kind'] | null, more: Partial<Design> = {}): Design => {
  const bare = bareBoat('metric');
  return {
    ...bare,
    banks: [
      { ...bare.banks[0], shortCircuitA: 2000 } as Design['banks'][number],
      { ...blankBank('start', 12, 'saloon'), name: 'Start', strings: 1, shortCircuitA: 800 },
    ],
    joins: kind ? [{ ...blankTie('j', kind, 12), firstId: 'house', secondId: 'start' }] : [],
    ...more,
  };
};
const posts = (design: Design) => analyse(design).banks.map((b) => Math.round(b.postsFaultA));

test('alone each bank gives its own; joined, both give to either; through a splitter neither helps the other', () => {
  expect(posts(boat(null))).toEqual([2000, 800]);
  // Equal rest volts and no cable between: the sum.
  expect(posts(boat('selector'))).toEqual([2800, 2800]);
  expect(posts(boat('relay'))).toEqual([2800, 2800]);
  expect(posts(boat('splitter'))).toEqual([2000, 800]);
});

test('the cables of the join hold some of it back, by hand: volts over the other bank and both cold leads', () => {
  const design = boat('relay', {
    leads: (['first', 'second'] as const).map((side) => ({
      ...blankBatteryCable(
        side,
        side,
        'positive',
        { kind: 'bank', id: side === 'first' ? 'house' : 'start' },
        { kind: `join ${side}`, id: 'j' },
      ),
      lengthM: 3,
      size: { school: 'metric', size: '16' },
    })),
  });
  const { banks, leads } = analyse(design);
  const volts = banks[0]?.fullV ?? NaN;
  const cold = (6 * (leads[0]?.conductor.r20OhmPerKm ?? NaN)) / 1000;
  expect(banks[0]?.postsFaultA).toBeCloseTo(2000 + volts / (volts / 800 + cold), 0);
  expect(banks[1]?.postsFaultA).toBeCloseTo(800 + volts / (volts / 2000 + cold), 0);
});

test('what charges a bank adds its limit, and devices are held against all of it', () => {
  const design = boat('relay', { sources: [{ ...blankSource('alt', 'alternator', 12, 'house'), ratedA: 90 }] });
  const { banks, circuits } = analyse(design);
  expect(banks.map((b) => Math.round(b.postsFaultA))).toEqual([2890, 2800]);
  expect(banks[0]?.postsFaultBy).toBe('800 A from what can be paralleled with it and 90 A of what charges it');
  expect(circuits.find((c) => c.id === 'c-main')?.own.protection.faultA).toBeCloseTo(2890, 0);
});
