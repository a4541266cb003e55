/** What the application proposes of each part of a boat, as rows to add: one way in for stations, tests and programs. */
import { proposeAc } from './ac';
import { rowCount, sourcesAboard, withRows, type Design, type Rows } from '../design';
import { proposeEarthJoint, proposeMainSide } from './mainSide';
import { proposeSmallLeads } from './smallLeads';
import { proposeCircuits } from './circuits';
import { proposeStudies } from './studies';

/** In the order they build on each other. */
export const PROPOSALS = ['circuits', 'mainSide', 'smallLeads', 'ac', 'studies'] as const;
export type ProposalKind = (typeof PROPOSALS)[number];

const PROPOSERS: Readonly<Record<ProposalKind, (design: Design, freshId: (prefix: string) => string) => Rows>> = {
  circuits: (design, freshId) => ({ ...proposeCircuits(design, freshId) }),
  mainSide: (design, freshId) => ({ ...proposeMainSide(design, freshId) }),
  smallLeads: (design, freshId) => ({ ...proposeSmallLeads(design, freshId) }),
  ac: (design, freshId) => {
    const rows = { ...proposeAc(design, freshId) };
    return { ...rows, ...proposeEarthJoint(withRows(design, rows), freshId) };
  },
  studies: (design, freshId) => ({ studies: proposeStudies(design, freshId) }),
};

/** Rows that are missing of one part; empty where nothing is. @param freshId makes ids no row has. */
export const proposedRows = (design: Design, kind: ProposalKind, freshId: (prefix: string) => string): Rows =>
  PROPOSERS[kind]({ ...design, sources: sourcesAboard(design.sources) }, freshId);

/** A row that was added. */
export interface ProposedChange {
  readonly list: string;
  readonly id: string;
  readonly name: string;
}

/** The design with everything proposed, part by part in their order, and what was added. */
export function propose(
  design: Design,
  kinds: readonly ProposalKind[],
  freshId: (prefix: string) => string,
): { readonly design: Design; readonly changes: readonly ProposedChange[] } {
  let grown = design;
  const changes: ProposedChange[] = [];
  for (const kind of PROPOSALS) {
    if (!kinds.includes(kind)) continue;
    const rows = proposedRows(grown, kind, freshId);
    if (rowCount(rows) === 0) continue;
    for (const [list, added] of Object.entries(rows))
      for (const row of added) changes.push({ list, id: row.id, name: 'name' in row && row.name ? row.name : row.id });
    grown = withRows(grown, rows);
  }
  return { design: grown, changes };
}
