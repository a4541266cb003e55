/** What the makers of a circuit's loads ask for beyond wire and amps. */
import { servingOf } from '../../topology';
import { runToTapM } from '../../circuit';
import { type Load, setOp, rowOf } from '../../design';
import { isCharging } from '../../demand';
import { show } from '../../quantity';
import { findFamily } from '../../rules';
import { SOURCES, type Told, when } from '../rule';
import type { StillFacts, StillRule } from './circuitFacts';

const EXTEND = {
  'ask the maker': 'Ask the maker, or move the load.',
  'not allowed': 'The maker does not allow it to be extended: move the load or its source.',
  'at equal drop': 'The maker allows extension at equal drop: size it so.',
} as const;

/** A rule asked of every load on the circuit. */
const eachLoad =
  (told: (f: StillFacts, load: Load, tap: number) => Omit<Told, 'id' | 'about' | 'suffix'> | null): StillRule['find'] =>
  (f) =>
    f.b.input.taps.flatMap((tap, i): readonly Told[] => {
      const said = tap.load && told(f, tap.load, i);
      return when(said != null, () => ({
        ...(said ?? { title: '' }),
        id: f.b.input.circuit.id,
        suffix: `-${tap.load?.id ?? ''}`,
        about: { kind: 'load', id: tap.load?.id ?? '' },
      }));
    });

const pageOf = (load: Load): string => (load.page ? ` (${load.page})` : '');

export const MAKER_RULES: readonly StillRule[] = [
  {
    id: 'source',
    about: 'load',
    severity: 'note',
    reads: ['loads.group', 'circuits.from'],
    when: 'a source of 30 A or more is on a circuit away from the bank',
    why: 'The device at the bank end protects it against the bank; its own end is limited by itself only while it runs.',
    todo: 'Follow its maker for a device at its own end, and label both.',
    hazard: 'fire',
    confirm: 'nothing',
    source: SOURCES.maker,
    find: eachLoad((f, load, i) =>
      isCharging(load) && !f.b.input.upstream.atBank && (f.b.input.taps[i]?.ownA ?? 0) >= 30
        ? { title: 'is a source: this run is live from both ends' }
        : null,
    ),
  },
  {
    id: 'lead',
    about: 'load',
    severity: 'fix',
    reads: ['loads.maxLeadM', 'loads.extending', 'circuits.taps'],
    when: 'the run is longer than the maker allows the lead to be',
    why: 'More loses volts, and with them the warranty.',
    todo: 'Ask the maker, or move the load.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.maker,
    find: eachLoad((f, load, i) => {
      const runM = runToTapM(f.b.input, i);
      if (load.maxLeadM === null || runM <= load.maxLeadM + 1e-9) return null;
      return {
        severity: load.extending === 'at equal drop' ? 'note' : 'fix',
        title: `its lead may be ${show(load.maxLeadM, 'm', f.units)}, and the run is ${show(runM, 'm', f.units)}`,
        why: `By its maker${pageOf(load)}. More loses volts, and with them the warranty.`,
        todo: EXTEND[load.extending],
      };
    }),
  },
  {
    id: 'fuse-kind',
    about: 'load',
    severity: 'fix',
    reads: ['loads.makerFuseFamily', 'circuits.pin'],
    when: 'the maker asks for another kind of device',
    why: "The maker's sheet rules.",
    todo: 'Pin the family on its circuit, or record why not.',
    hazard: 'fire',
    confirm: 'nothing',
    source: SOURCES.maker,
    find: eachLoad((f, load) =>
      load.makerFuseFamily !== null && load.makerFuseFamily !== f.b.family.id
        ? {
            title: `its maker asks for ${findFamily(load.makerFuseFamily)?.name ?? load.makerFuseFamily}`,
            why: `The way has ${f.b.family.name}${pageOf(load)}.`,
          }
        : null,
    ),
    cure: (design, { about }) => {
      const family = rowOf(design.loads, about.id)?.makerFuseFamily;
      const circuit = servingOf(design.circuits).loads.get(about.id);
      return family && circuit ? [setOp(design, ['circuits', circuit.id, 'pin'], { ...circuit.pin, family })] : null;
    },
  },
  {
    id: 'bank',
    about: 'load',
    severity: 'fix',
    reads: ['loads.minBankAh', 'banks'],
    when: 'the maker asks for a larger bank',
    why: 'The bank is smaller than its maker asks for.',
    todo: 'A larger bank, or another appliance.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.maker,
    find: eachLoad((f, load) => {
      const { bank } = f.b.input.upstream;
      return load.minBankAh !== null && bank !== null && bank.capacityAh < load.minBankAh
        ? {
            title: `asks for a bank of ${show(load.minBankAh, 'Ah', f.units)}`,
            why: `This one has ${show(bank.capacityAh, 'Ah', f.units)}${pageOf(load)}.`,
          }
        : null;
    }),
  },
  {
    id: 'range',
    about: 'load',
    severity: 'note',
    reads: ['loads.range'],
    when: 'the equipment is not chosen yet',
    why: 'Its run suits every candidate; the device is for the heaviest.',
    todo: 'Choose it, and let the device follow: it protects the cable now, perhaps not a lighter appliance.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.data,
    find: eachLoad((_, load) =>
      load.range
        ? {
            title: 'is not chosen yet',
            why: `Its run suits up to ${load.range.toRating} ${load.ratingBy} in any of its places; the device is for the heaviest candidate.`,
          }
        : null,
    ),
  },
];
