/** Whichever part of a design moves, what was kept is never told in place of what would be worked out afresh. */
import { analyse, createMemory } from '@/core/analysis';
import { type Design, equal } from '@/core/design';
import { halcyon } from '@/server/demo/halcyon';
import { marram } from '@/server/demo/marram';
import { turnstone } from '@/server/demo/turnstone';
import { randomBoat } from './randomBoat';

const boats: readonly Design[] = [marram(), halcyon(), turnstone(), randomBoat(14)];
const parts = Object.keys(boats[0] ?? {}) as (keyof Design)[];

test.each(parts)('%s of another boat', (part) => {
  boats.forEach((boat, i) => {
    const other = boats[(i + 1) % boats.length];
    if (!other) return;
    const memory = createMemory();
    analyse(boat, memory);
    const mixed: Design = { ...boat, [part]: other[part] };
    expect(equal(analyse(mixed, memory), analyse(mixed))).toBe(true);
  });
});
