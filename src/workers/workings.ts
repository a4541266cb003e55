/** Workings beyond those of circuits and days: fetched when the first is asked for, the first view does without. */
import type { Analysis, Working } from '@/core';
import { sharingOf } from '@/core/bank';
import { type Design, MOUNT_KINDS, rowOf } from '@/core/design';
import { type SettingName, SETTINGS } from '@/core/charging';
import { eachBank } from '@/core/energy';
import { runStudy, warmthOf } from '@/core/network';
import { designThere } from '@/core/placing';
import { analyse, createMemory, grownAsBuilt, type Growth, type Studied, workedPath } from '@/core/analysis';
import {
  acCircuitWorking,
  acSetWorking,
  acSourceWorking,
  bankDayWorking,
  batteryCableWorking,
  bankFiguresWorking,
  barWorking,
  circuitWorking,
  endWorking,
  fillWorking,
  linksWorking,
  settingWorking,
  studyWorking,
} from '@/core/working';

/** What they are of. Ids: setting source:name; study study:load; end study:its number, the hottest 0; links bank:amps; bank day way of living:bank;
 * AC set a setting:its appliances, with commas; bar panel or bar:its id; placed a run with a thing elsewhere, as kind|thing|place|run; grown a run once something has grown, as run|growth in JSON. */
export type Further =
  'AC circuit' | 'AC source' | 'AC set' | 'setting' | 'fill' | 'study' | 'end' | 'links' | 'bank' | 'bank day' | 'bar' | 'placed' | 'grown';

/** @param studied the studies of this analysis. @returns null where there is nothing of that name. */
export function furtherWorking(
  design: Design,
  analysis: Analysis,
  { kind, id }: { readonly kind: Further; readonly id: string },
  studied: () => Studied,
): Working | null {
  const units = design.boat;
  const [first = '', second = ''] = [id.slice(0, id.lastIndexOf(':')), id.slice(id.lastIndexOf(':') + 1)];
  switch (kind) {
    case 'AC circuit':
      return acCircuitWorking(design, id, units) ?? null;
    case 'AC source':
      return acSourceWorking(design, studied().power, id, units) ?? null;
    case 'AC set':
      return acSetWorking(design, first, second.split(','), units) ?? null;
    case 'setting': {
      const name = SETTINGS.find((s): s is SettingName => s === second);
      return (name && settingWorking(design, first, name, units)) ?? null;
    }
    case 'fill':
      return fillWorking(design, id, units) ?? null;
    case 'study':
    case 'end': {
      const study = rowOf(design.studies, first);
      if (!study) return null;
      const answer = runStudy(design, analysis, study);
      if (kind === 'study') return studyWorking(design, study, answer, second, units) ?? null;
      return endWorking(warmthOf(design, analysis, answer), Number(second), units) ?? null;
    }
    case 'links': {
      const bank = rowOf(design.banks, first);
      const shared = bank && sharingOf(bank, design.boat.ruleSet, Number(second));
      return bank && shared ? linksWorking(bank, shared, design.boat, units) : null;
    }
    case 'bank':
      return bankFiguresWorking(design, analysis.banks, id, units) ?? null;
    case 'bar': {
      const bar = studied().worst.bars.find((b) => b.about.kind === first && b.about.id === second);
      return bar ? barWorking(design, bar, units) : null;
    }
    case 'placed':
      return placedWorking(design, id);
    case 'grown': {
      const [run = '', growth = ''] = [id.slice(0, id.indexOf('|')), id.slice(id.indexOf('|') + 1)];
      return runWorking(grownAsBuilt(design, JSON.parse(growth) as Growth), run);
    }
    case 'bank day': {
      const day = rowOf(eachBank(design, first), second);
      return day ? bankDayWorking(day, design, units) : null;
    }
  }
}

/** A run's working with the boat as she is when a thing stands elsewhere. */
function placedWorking(design: Design, id: string): Working | null {
  const [kind, thingId = '', placeId = '', runId = ''] = id.split('|');
  const mounted = MOUNT_KINDS.find((k) => k === kind);
  if (!mounted) return null;
  return runWorking(designThere(design, mounted, thingId, placeId), runId);
}

/** A run's working in another design of this boat. */
function runWorking(there: Design, runId: string): Working | null {
  const memory = createMemory();
  const analysis = analyse(there, memory);
  return (
    circuitWorking(workedPath(memory, runId), there.boat) ??
    batteryCableWorking(there, analysis, runId, there.boat) ??
    acCircuitWorking(there, runId, there.boat) ??
    null
  );
}
