/** Where the thing of a finding is: findings are gone through place by place. */
import { type About, type Design, rowOf } from '../design';

/** The place's id; null: it is the boat's, or its thing has none. A run is where it starts. */
export function placeIdOf(design: Design, { kind, id }: About): string | null {
  const placed = (rows: readonly { readonly id: string; readonly placeId: string | null }[]): string | null =>
    rowOf(rows, id)?.placeId ?? null;
  switch (kind) {
    case 'circuit': {
      const from = rowOf(design.circuits, id)?.from;
      return from ? placeIdOf(design, from) : null;
    }
    case 'lead': {
      const from = rowOf(design.leads, id)?.from;
      return from?.kind === 'bank' || from?.kind === 'panel' || from?.kind === 'bar' || from?.kind === 'source'
        ? placeIdOf(design, { kind: from.kind, id: from.id })
        : null;
    }
    case 'place':
      return id;
    case 'load':
      return placed(design.loads);
    case 'panel':
      return placed(design.panels);
    case 'bank':
      return placed(design.banks);
    case 'source':
      return placed(design.sources);
    case 'gauge':
      return placed(design.gauges);
    case 'bar':
      return placed(design.bars);
    case 'AC source':
      return placed(design.acSources);
    case 'AC panel':
      return placed(design.acPanels);
    case 'AC load':
      return placed(design.acLoads);
    case 'AC circuit': {
      const from = rowOf(design.acCircuits, id)?.from;
      return from ? placeIdOf(design, { kind: from.kind === 'source' ? 'AC source' : 'AC panel', id: from.id }) : null;
    }
    default:
      return null;
  }
}
