/** How much would be enough: the least number of times that does, checked against trying every number. */
import type { Design } from '../design';
import { enoughOf, MOST_TIMES, withMoreTimes } from './enough';
import { createLoop } from './loop';
import { type More, seasonBlock, seasonResult, seasonScene } from './season';
import { drawing, driven, quietBoat, sourceInto } from './testing';

/** Draws far more than its panel makes: nothing that is a little more helps. */
const hungry = (amps: number): Design => driven(drawing(quietBoat(), amps), [sourceInto('solar')], [['sun', 6, 18, 4]]);
const asked = { ...quietBoat().plan.season, runs: 40, seed: 3 };
const outOf = (design: Design): number => {
  const scene = seasonScene(design);
  return seasonResult([seasonBlock(scene, asked, 0, asked.runs, createLoop(scene.scene, true))], scene.windowLow).out.share;
};

test.each(['100 Wp more sun', 'one more battery'] as const)(
  '%s: the least that is enough is what trying one after another finds',
  (more: More) => {
    const boat = hungry(9);
    const found = enoughOf(boat, more, asked, 0.05);
    const tried = Array.from({ length: MOST_TIMES }, (_, i) => i + 1).find((n) => {
      const grown = withMoreTimes(boat, more, n);
      return grown !== null && outOf(grown) <= 0.05;
    });
    expect(found?.times).toBe(tried ?? null);
    if (found?.times) expect(outOf(withMoreTimes(boat, more, found.times) ?? boat)).toBe(found.out);
  },
);
test('what not even the most of it helps says so; what is not aboard is nothing', () => {
  expect(enoughOf(hungry(200), '100 Wp more sun', asked, 0.05)).toMatchObject({ times: null });
  expect(enoughOf(hungry(9), '30 A more alternator', asked, 0.05)).toBeNull();
});
