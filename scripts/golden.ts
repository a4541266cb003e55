/** Writes the demo boats' figures that src/server/demo/golden.test.ts compares with. Run it only for a change that is meant to move them. */
import { writeFileSync } from 'node:fs';
import { figuresOf } from '../src/server/demo/figures';
import { halcyon } from '../src/server/demo/halcyon';
import { marram } from '../src/server/demo/marram';
import { turnstone } from '../src/server/demo/turnstone';

const golden = { marram: figuresOf(marram()), halcyon: figuresOf(halcyon()), turnstone: figuresOf(turnstone()) };
writeFileSync('src/server/demo/golden.json', `${JSON.stringify(golden)}\n`);
