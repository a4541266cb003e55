/** Places ranked for a thing, a few at a time, off the pointer's thread. */
import { expose } from 'comlink';
import { createMemory, type Memory } from '@/core/analysis';
import type { Design, MountKind } from '@/core/design';
import { mountedOf } from '@/core/mounting';
import { type Candidate, candidatesOf, rankPlaces } from '@/core/placing';

let memory: Memory = createMemory();

const api = {
  /** How many places and faces there are to try; forgets what was kept of another design. */
  size(design: Design, kind: MountKind, id: string): number {
    memory = createMemory();
    const thing = mountedOf(design).find((t) => t.kind === kind && t.id === id);
    return thing ? candidatesOf(design, thing).length : 0;
  },
  some: (design: Design, kind: MountKind, id: string, from: number, most: number): readonly Candidate[] =>
    rankPlaces(design, kind, id, from, most, memory),
};

export type PlacingApi = typeof api;
expose(api);
