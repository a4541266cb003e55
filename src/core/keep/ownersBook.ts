/** What the owner gets: this boat's own things in plain words; no line that does not follow from one of them (docs/methods.md, M19). */
import { placardLines } from '../ac';
import type { Analysis } from '../analysis';
import { bankSource, chemistryOf } from '../bank';
import { cutList, listsOf } from '../build';
import { asDecided, type BankTie, type Design, rowOf } from '../design';
import { dayAh } from '../energy';
import { alarmsOf } from '../monitoring';
import { serviceItems } from './service';

export interface BookLine {
  readonly text: string;
  /** What it follows from, by id; it goes with it. */
  readonly of: readonly string[];
}

export interface Chapter {
  readonly title: string;
  readonly lines: readonly BookLine[];
}

const line = (text: string, ...of: readonly string[]): BookLine => ({ text, of });
const some = (title: string, lines: readonly BookLine[]): Chapter[] => (lines.length > 0 ? [{ title, lines }] : []);

function selector(design: Design, j: BankTie): BookLine[] {
  const [first, second] = [rowOf(design.banks, j.firstId), rowOf(design.banks, j.secondId)];
  if (!first || !second) return [];
  const bms = [first, second].some((b) => b.bms !== null);
  if (j.kind === 'relay')
    return [
      line(
        `${j.name} joins ${first.name} and ${second.name} by itself above ${j.closeV.toFixed(1)} V, and parts them below ${j.openV.toFixed(1)} V: leave it alone.`,
        j.id,
      ),
    ];
  if (j.kind === 'splitter')
    return [line(`${j.name} charges ${first.name} and ${second.name} and keeps them apart: nothing is to be switched.`, j.id)];
  return [
    line(`${j.name}: first is ${first.name}, second ${second.name}. Under way at ${j.running}, stopped at ${j.stopped}.`, j.id),
    line(
      j.makeBeforeBreak && j.fieldDisconnect
        ? `It joins the next before it leaves the last, and shuts the field off first: it may be turned with the engine running, never through off.`
        : 'Never turn it with the engine running: the alternator dies the moment its cable is open.',
      j.id,
    ),
    ...(bms ? [line('One of its batteries has a BMS: do not leave it at both, they drive current into each other.', j.id)] : []),
  ];
}

/** Chapter by chapter; one without a line is left out. */
export function ownersBook(whole: Design, analysis: Analysis): readonly Chapter[] {
  const design = asDecided(whole);
  const lists = listsOf(design, analysis.circuits);
  const named = (ids: readonly string[]) =>
    ids.flatMap((id) => design.loads.find((l) => l.id === id && l.group !== 'charging')?.name ?? []).join('; ');
  const placeOf = (id: string | null) => rowOf(design.places, id)?.name ?? '';
  const shutFirst = design.loads.filter((l) => l.shutFirst);
  const fuses = cutList(design, analysis.circuits, analysis.leads).protection.filter((p) => /fuse|link|class/i.test(p.item));
  const start = design.banks.find((b) => b.job === 'start');
  const portable = design.sources.filter((s) => s.kind === 'portable');
  const gauged = design.banks.filter((b) => design.gauges.some((g) => g.bankId === b.id));
  return [
    ...some(
      'What may run together on AC',
      placardLines(design).flatMap((p) => [
        ...(p.all ? [line(`${p.setting}: everything at once.`, ...design.acSources.map((s) => s.id))] : []),
        ...(p.all ? [] : p.rules.map((r) => line(`${p.setting}: ${r.lead} ${r.text}`.trim(), ...design.acSources.map((s) => s.id)))),
        ...(p.never.length > 0 ? [line(`${p.setting}: never ${p.never.join(', ')}.`, ...design.acSources.map((s) => s.id))] : []),
      ]),
    ),
    ...some(
      'The switches',
      (design.circuits.length === 0 ? [] : lists.positions).map((p) =>
        line(
          `${p.name}: live ${named(p.live) || 'nothing'}; dead ${named(p.dead) || 'nothing'}.${p.days === null ? '' : ` Left so, a full bank lasts ${Math.floor(p.days)} days.`}`,
          ...design.circuits.map((c) => c.id),
        ),
      ),
    ),
    ...some('The batteries and what joins them', [
      ...design.banks.map((b) =>
        line(
          `${b.name}: ${chemistryOf(b).name}, ${Math.round(bankSource(b).capacityAh)} Ah, of which ${Math.round(bankSource(b).usableAh)} are to be used, ${bankSource(b).nominalV} V${placeOf(b.placeId) ? `, in ${placeOf(b.placeId)}` : ''}.${b.bms ? ' Its BMS opens without asking below its limit.' : ''}`,
          b.id,
        ),
      ),
      ...design.joins.flatMap((j) => selector(design, j)),
      ...shutFirst.map((l) => line(`${l.name}: shut down by its own button before its switch is opened.`, l.id)),
    ]),
    ...some(
      'Charging',
      design.sources
        .filter((s) => s.outputOf === null)
        .map((s) => {
          const bank = rowOf(design.banks, s.bankId)?.name ?? 'no bank';
          const how =
            s.kind === 'alternator'
              ? 'with the engine'
              : s.kind === 'shore charger'
                ? 'with shore power or a generator'
                : s.kind === 'solar'
                  ? 'in the sun'
                  : s.kind === 'wind'
                    ? 'in wind; brake it before it blows hard'
                    : s.kind === 'DC–DC'
                      ? `out of ${rowOf(design.banks, s.fromBankId)?.name ?? 'the other bank'} while that is charged`
                      : 'when it is plugged in';
          return line(`${s.name}: ${bank}, up to ${Math.round(s.ratedA)} A, ${how}.`, s.id);
        }),
    ),
    ...some(
      'Living by the numbers',
      design.living.map((way) =>
        line(
          `${way.name}: some ${Math.round(design.loads.reduce((n, l) => n + dayAh(l, way), 0))} Ah a day.`,
          way.id,
          ...design.loads.map((l) => l.id),
        ),
      ),
    ),
    ...some(
      'When an alarm calls',
      gauged.flatMap((bank) =>
        alarmsOf(design, bank)
          .lines.filter((a) => WHAT_TO_DO[a.id] !== undefined)
          .map((a) => line(`${bank.name}, ${a.what} (${a.value}): ${WHAT_TO_DO[a.id] ?? ''}`, bank.id)),
      ),
    ),
    ...some('When a battery is flat', [
      ...(start
        ? [
            line(
              `${start.name} starts the engine. If it is flat: everything off, ${design.joins.some((j) => j.kind === 'selector') ? `${design.joins.find((j) => j.kind === 'selector')?.name ?? ''} to the other battery, start, and back once it runs where it may be turned` : 'never by a cable from the house battery without a fuse in it'}.`,
              start.id,
            ),
          ]
        : []),
      ...portable.map((s) => line(`${s.name} charges it ashore or from a generator.`, s.id)),
      ...design.banks
        .filter((b) => b.bms !== null)
        .map((b) =>
          line(
            `${b.name} dead all at once: its BMS has opened. Loads off, a charger on, wait; it closes by itself or by its button.`,
            b.id,
          ),
        ),
    ]),
    ...some('Fire', [
      ...design.banks.map((b) =>
        line(
          `Off at ${b.name}: its switch${placeOf(b.placeId) ? `, by ${placeOf(b.placeId)}` : ''}. Then the extinguisher; never water on what is live.`,
          b.id,
        ),
      ),
      ...design.acSources.filter((s) => s.kind === 'shore').map((s) => line(`${s.name}: pull the lead at the pedestal.`, s.id)),
      ...design.acSources.filter((s) => s.kind === 'generator').map((s) => line(`${s.name}: stop it, and its fuel.`, s.id)),
      ...design.banks
        .filter((b) => b.chemistry === 'lfp')
        .map((b) => line(`${b.name} smokes: everybody off, call; its fire feeds itself.`, b.id)),
    ]),
    ...some(
      'What to carry',
      fuses.map((f) => line(`${f.item}: two.`, ...design.circuits.map((c) => c.id), ...design.leads.map((l) => l.id))),
    ),
    ...some(
      'Where everything is',
      design.places.flatMap((p) => {
        const here = [
          ...design.banks.filter((b) => b.placeId === p.id),
          ...design.panels.filter((x) => x.placeId === p.id),
          ...design.sources.filter((s) => s.placeId === p.id && s.outputOf === null),
          ...design.acSources.filter((s) => s.placeId === p.id),
          ...design.acPanels.filter((x) => x.placeId === p.id),
          ...design.gauges.filter((g) => g.placeId === p.id),
        ];
        return here.length > 0 ? [line(`${p.name}: ${here.map((x) => x.name).join(', ')}.`, p.id, ...here.map((x) => x.id))] : [];
      }),
    ),
    ...some(
      'Laying up',
      design.banks.map((b) =>
        line(
          b.chemistry === 'lfp'
            ? `${b.name}: to about half, everything off it, no charger left on; not below freezing while it is charged.`
            : `${b.name}: full, everything off it, charged again every ${b.chemistry === 'flooded' ? 'month' : 'two months'}; a flat one freezes.`,
          b.id,
        ),
      ),
    ),
    ...some(
      'Looked after',
      serviceItems(design)
        .filter((i) => i.everyMonths <= 2)
        .map((i) =>
          line(`${i.everyMonths === 1 ? 'Every month' : `Every ${i.everyMonths} months`}: ${i.what}.`, i.id.slice(i.id.indexOf('-') + 1)),
        ),
    ),
  ];
}

const WHAT_TO_DO: Readonly<Record<string, string>> = {
  'low charge': 'charge today: engine, shore or sun; the largest loads off.',
  'low volts': 'something large draws, or the bank is low: find it, switch it off, charge.',
  'fast volts': 'electronics are about to go: heavy loads off at once.',
  'high volts': 'a charger is wrong: switch them off one by one until it falls.',
  temperature: 'charging off, loads down, look and feel from a distance; open its locker only if nothing smells.',
};
