/** Ways of making and sealing an end on which practitioners differ, each with what it costs and what it risks. */

export const JOINTS = ['crimp', 'crimp, then solder', 'solder'] as const;
export type JointSchool = (typeof JOINTS)[number];
export const SEALS = ['adhesive shrink', 'tape', 'liquid coating'] as const;
export type SealSchool = (typeof SEALS)[number];
export const TERMINAL_STYLES = ['bare, sleeved', 'insulated'] as const;

export interface Way {
  /** Beside our own way, minutes an end; of a joint, and as much again for each 10 mm2. */
  readonly minutes: number;
  readonly per10Mm2: number;
  readonly consequence: string;
  /** What can hurt somebody while it is done; '': nothing beyond the usual. */
  readonly hazard: string;
}

export const jointSchool = (id: JointSchool): Way =>
  ({
    crimp: {
      minutes: 0,
      per10Mm2: 0,
      consequence: 'gas-tight where die and lug belong together; can be pull-tested at once',
      hazard: '',
    },
    'crimp, then solder': {
      minutes: 2,
      per10Mm2: 1,
      consequence: 'solder wicks under the jacket and stiffens the strands: they break where it ends unless the cable is clamped there',
      hazard: 'iron or flame: no vapour, no hydrogen near; fumes',
    },
    solder: {
      minutes: 3,
      per10Mm2: 2,
      consequence: 'lets go when it gets hot; no small-craft standard accepts it as the only hold',
      hazard: 'iron or flame: no vapour, no hydrogen near; fumes',
    },
  })[id];

export const sealSchool = (id: SealSchool): Way =>
  ({
    'adhesive shrink': {
      minutes: 0,
      per10Mm2: 0,
      consequence: 'holds barrel and jacket, keeps water out of the strands',
      hazard: 'hot air, never a flame; none where vapour or hydrogen can be',
    },
    tape: { minutes: -0.5, per10Mm2: 0, consequence: 'creeps and lets water in within a few seasons; no strain relief', hazard: '' },
    'liquid coating': {
      minutes: 1,
      per10Mm2: 0,
      consequence: 'hides the crimp, needs hours to dry, cracks where the cable bends',
      hazard: 'solvent: air the place, no spark near',
    },
  })[id];
