import type { About } from './finding';
import type { Design } from './schema';

/** The thing a finding is about, by its name aboard. */
export const nameOf = (design: Design, about: About): string => {
  const lists = {
    place: design.places,
    circuit: design.circuits,
    load: design.loads,
    panel: design.panels,
    bank: design.banks,
    source: design.sources,
    gauge: design.gauges,
    join: design.joins,
    lead: design.leads,
    bar: design.bars,
    study: design.studies,
    living: design.living,
    cruise: design.cruises,
    'AC source': design.acSources,
    'AC panel': design.acPanels,
    'AC load': design.acLoads,
    'AC circuit': design.acCircuits,
  } as const;
  return about.kind === 'boat' ? design.boat.name : (lists[about.kind].find((r) => r.id === about.id)?.name ?? about.id);
};
