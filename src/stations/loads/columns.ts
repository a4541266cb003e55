/** The load sheet's columns: what each shows, takes and refuses. */
import { bare, type Kind, MARKS, parseChoice, parseNumber, parseOptional, parseYesNo, unitOf } from '@/core/quantity';
import {
  BEHAVIOURS,
  CONNECTIONS,
  type Design,
  EXTENDING,
  type Load,
  kindOf,
  LOAD_GROUPS,
  enclosureOf,
  IP_CODES,
  LOAD_KINDS,
  parseIp,
  parseSocket,
  showSocket,
  parseDuty,
  parseRange,
  parseWhen,
  parseWire,
  RESEARCH,
  showDuty,
  showRange,
  showWhen,
  showWire,
  SUPPLY_CLASSES,
  WHENS,
} from '@/core/design';
import { DC_FAMILIES } from '@/core/rules';
import type { Column } from '@/ui/sheet';
import { hoursColumns, map } from '@/ui/sheet/cells';

/** A typed figure is no longer the list's typical one; until its source is stated it counts as estimated. */
const typed = (row: Load): Pick<Load, 'mark'> => ({ mark: row.mark === 'typical' ? 'estimated' : row.mark });

type OptionalKey = 'stalledA' | 'surgeA' | 'surgeS' | 'minV' | 'makerFuseA' | 'standbyA' | 'maxLeadM' | 'minBankAh';

export function loadColumns(design: Pick<Design, 'boat' | 'living' | 'places'>): Column<Load>[] {
  const units = design.boat;
  const places = new Map(design.places.map((p) => [p.id, p.name]));
  const optional = (key: OptionalKey, title: string, kind: Kind, low: number, high: number, width: number, hint: string): Column<Load> => ({
    key,
    title,
    unit: unitOf(kind, units).name,
    hint,
    width,
    align: 'right',
    mono: true,
    text: (r) => bare(r[key], kind, units),
    tone: (r) => (r[key] === null ? undefined : r.mark),
    sort: (r) => r[key] ?? -1,
    write: (r, text) => map(parseOptional(text, kind, units, low, high), (value) => ({ [key]: value, ...typed(r) })),
  });
  const families = DC_FAMILIES.map((f) => f.name);
  const words = (key: 'page' | 'questions' | 'note', title: string, width: number, hint: string, most: number): Column<Load> => ({
    key,
    title,
    hint,
    width,
    text: (r) => r[key],
    write: (_, text) =>
      text.trim().length > most ? { ok: false, message: `at most ${most} letters` } : { ok: true, value: { [key]: text.trim() } },
  });
  const yesNo = (
    key: 'critical' | 'runsLong' | 'ownTrip' | 'shutFirst' | 'ignitionProtected',
    title: string,
    width: number,
    hint: string,
  ): Column<Load> => ({
    key,
    title,
    hint,
    width,
    yesNo: true,
    options: ['yes', 'no'],
    text: (r) => (r[key] ? 'yes' : 'no'),
    show: (r) => (r[key] ? 'yes' : '·'),
    write: (_, text) => map(parseYesNo(text), (value) => ({ [key]: value })),
  });
  const choice = <K extends 'group' | 'behaviour' | 'supply' | 'connection' | 'mark' | 'research' | 'extending'>(
    key: K,
    title: string,
    options: readonly Load[K][],
    width: number,
    hint: string,
  ): Column<Load> => ({
    key,
    title,
    hint,
    width,
    options,
    text: (r) => r[key],
    write: (_, text) => map(parseChoice(text, options as readonly string[]), (value) => ({ [key]: value })),
  });
  const rating = (by: 'W' | 'A'): Column<Load> => ({
    key: by,
    title: by,
    hint: by === 'W' ? 'Watts of one item; typing it sets amps' : 'Amps of one item at its nominal volts; typing it sets watts',
    width: 58,
    align: 'right',
    mono: true,
    text: (r) => {
      if (r.ratingBy === by) return bare(r.rating, by, units);
      return bare(by === 'W' ? r.rating * r.nominalV : r.rating / r.nominalV, by, units).replace(/(\.\d\d)\d+$/, '$1');
    },
    tone: (r) => (r.ratingBy === by ? r.mark : 'quiet'),
    sort: (r) => (r.ratingBy === by ? r.rating : by === 'W' ? r.rating * r.nominalV : r.rating / r.nominalV),
    write: (r, text) =>
      map(parseNumber(text, by, units, 0, by === 'W' ? 100000 : 5000), (value) => ({ ratingBy: by, rating: value, ...typed(r) })),
  });
  return [
    {
      key: 'name',
      title: 'load',
      width: 196,
      text: (r) => r.name,
      write: (_, text) =>
        text.trim() === ''
          ? { ok: false, message: 'a name is needed' }
          : text.trim().length > 120
            ? { ok: false, message: 'at most 120 letters' }
            : { ok: true, value: { name: text.trim() } },
    },
    {
      key: 'quantity',
      title: 'qty',
      width: 40,
      align: 'right',
      mono: true,
      text: (r) => String(r.quantity),
      sort: (r) => r.quantity,
      write: (_, text) => {
        const parsed = parseNumber(text, 'none', units, 1, 99);
        return parsed.ok && !Number.isInteger(parsed.value)
          ? { ok: false, message: 'a whole number is needed' }
          : map(parsed, (quantity) => ({ quantity }));
      },
    },
    rating('W'),
    rating('A'),
    {
      key: 'nominalV',
      title: 'V',
      hint: 'Nominal volts it is made for',
      width: 40,
      align: 'right',
      mono: true,
      text: (r) => bare(r.nominalV, 'V', units),
      sort: (r) => r.nominalV,
      write: (_, text) => map(parseNumber(text, 'V', units, 1, 60), (nominalV) => ({ nominalV })),
    },
    choice(
      'behaviour',
      'behaves as',
      BEHAVIOURS,
      82,
      'As volts fall: a resistance draws less, an electronic supply (power) more, a motor (current) about the same',
    ),
    {
      key: 'place',
      title: 'place',
      width: 108,
      options: [...places.values()],
      text: (r) => places.get(r.placeId ?? '') ?? '',
      write: (_, text) => {
        if (text.trim() === '') return { ok: true, value: { placeId: null } };
        return map(parseChoice(text, [...places.values()]), (name) => ({
          placeId: [...places].find(([, n]) => n === name)?.[0] ?? null,
          at: null,
        }));
      },
    },
    ...hoursColumns<Load>(design),
    {
      key: 'when',
      title: 'falls',
      hint: 'When in the day its hours fall: any time, by day, by night, engine running; or by way of living: at anchor: by night; motoring: any time',
      width: 92,
      options: WHENS,
      text: (r) => showWhen(r.when, design.living),
      show: (r) => showWhen(r.when, design.living).replace('any time', '·'),
      write: (_, text) => map(parseWhen(text, design.living), (when) => ({ when })),
    },
    yesNo('critical', 'critical', 58, 'Critical loads keep within the tighter drop limit'),
    yesNo('runsLong', 'long', 46, 'May run together with others for long: counts in full in feeder demand'),
    optional('surgeA', 'surge', 'A', 0, 20000, 66, 'Start current of one item'),
    optional('surgeS', 'for', 's', 0.001, 600, 54, 'How long the start surge lasts'),
    optional(
      'stalledA',
      'stalled',
      'A',
      0,
      20000,
      66,
      'What a motor draws held fast; empty: four times its working current, or its surge, typical',
    ),
    optional('minV', 'least', 'V', 0, 60, 58, 'Lowest volts it starts at; empty: the house rule'),
    optional('makerFuseA', 'fuse', 'A', 0.1, 1000, 56, "Maker's fuse; it wins over the house rule"),
    {
      key: 'makerWire',
      title: "maker's wire",
      hint: 'Smallest wire by the maker: 10 AWG, or 6 mm² to 3 m; 10 mm² to 5 m',
      width: 150,
      text: (r) => showWire(r.makerWire, units),
      tone: (r) => (r.makerWire.length > 0 ? "maker's" : undefined),
      write: (_, text) => map(parseWire(text, units), (makerWire) => ({ makerWire })),
    },
    {
      key: 'duty',
      title: 'duty',
      unit: 's',
      hint: 'Seconds on / rest × times, for what runs briefly; empty: continuous',
      width: 90,
      mono: true,
      text: (r) => showDuty(r.duty),
      write: (_, text) => map(parseDuty(text), (duty) => ({ duty })),
    },
    choice('supply', 'supplied', SUPPLY_CLASSES, 104, 'What has to be on for it to be live'),
    choice('connection', 'lands on', CONNECTIONS, 92, 'How its conductors end: screw clamp, blade, its own lead, or a stud'),
    yesNo('ownTrip', 'own trip', 62, 'Cannot overload, or has a trip of its own'),
    yesNo('shutFirst', 'shut first', 66, 'To be shut down, or to run down, before its supply is cut'),
    choice('group', 'group', LOAD_GROUPS, 88, 'What it is: decides colour and grouping'),
    optional('standbyA', 'standby', 'A', 0, 100, 80, 'Drawn while it is live and nobody uses it; of one item'),
    {
      key: 'range',
      title: 'not chosen yet',
      hint: 'The heaviest candidate and other places it may stand: to 60 W; Galley, Saloon. Empty once it is chosen',
      width: 150,
      text: (r) => showRange(r, (id) => places.get(id) ?? '?'),
      tone: (r) => (r.range ? 'estimated' : undefined),
      write: (r, text) => map(parseRange(text, r, design.places), (range) => ({ range })),
    },
    choice('research', 'maker’s sheet', RESEARCH, 88, 'unread, researched, or it comes with a lead of its own'),
    {
      key: 'makerFuseFamily',
      title: 'fuse kind',
      hint: 'Kind of fuse its maker asks for; empty: any',
      width: 104,
      options: families,
      text: (r) => DC_FAMILIES.find((f) => f.id === r.makerFuseFamily)?.name ?? '',
      write: (_, text) =>
        text.trim() === ''
          ? { ok: true, value: { makerFuseFamily: null } }
          : map(parseChoice(text, families), (name) => ({ makerFuseFamily: DC_FAMILIES.find((f) => f.name === name)?.id ?? null })),
    },
    optional('maxLeadM', 'lead to', 'm', 0.05, 100, 66, 'Longest lead its maker allows'),
    choice('extending', 'longer lead', EXTENDING, 100, 'What its maker says of extending the lead'),
    optional('minBankAh', 'bank from', 'Ah', 1, 20000, 80, 'Smallest bank its maker asks for'),
    {
      key: 'kind',
      title: 'kind',
      hint: 'What rules go by: a bilge pump must always live, a blower must not spark. With a question mark: as its name suggests, until it is chosen',
      width: 120,
      options: LOAD_KINDS,
      text: (r) => r.kind ?? `${kindOf(r)}?`,
      tone: (r) => (r.kind === null ? 'estimated' : undefined),
      write: (_, text) =>
        text.trim() === '' || text.trim().endsWith('?')
          ? { ok: true, value: { kind: null } }
          : map(parseChoice(text, LOAD_KINDS), (kind) => ({ kind })),
    },
    {
      key: 'ip',
      title: 'IP',
      hint: 'How well its body keeps water out, as its plate says: IP67. With a question mark: typical of its kind',
      width: 60,
      mono: true,
      options: IP_CODES,
      text: (r) => (r.ip === null ? `${enclosureOf(r).ip}?` : r.ip),
      tone: (r) => (r.ip === null ? 'estimated' : undefined),
      write: (_, text) => {
        if (text.trim() === '' || text.trim().endsWith('?')) return { ok: true, value: { ip: null } };
        const ip = parseIp(text);
        return ip ? { ok: true, value: { ip } } : { ok: false, message: `an IP code is meant: ${IP_CODES.join(', ')}` };
      },
    },
    {
      key: 'socket',
      title: 'socket',
      hint: 'Of a socket, as “in 20 A from panel 5 h by day; contacts 30 A; live socket; polarised”: what may feed in and for how long, what its contacts bear, which half is live',
      width: 130,
      text: (r) => (r.socket ? showSocket(r.socket) : ''),
      write: (_, text) => {
        if (text.trim() === '') return { ok: true, value: { socket: null } };
        const socket = parseSocket(text);
        return socket
          ? { ok: true, value: { socket } }
          : {
              ok: false,
              message: 'as “in 20 A from panel 5 h by day; contacts 30 A; live socket; polarised” is meant, each where it is known',
            };
      },
    },
    yesNo('ignitionProtected', 'no sparks', 74, 'Its maker sells it as ignition protected'),
    words('page', 'page', 100, 'Where it is in its sheet', 120),
    words('questions', 'open questions', 160, 'To be asked or looked up', 2000),
    words('note', 'note', 160, '', 2000),
    {
      key: 'at',
      title: 'own position',
      unit: units.lengthUnit,
      hint: 'From the transom; to port; above the waterline. Empty: where its place is',
      width: 120,
      mono: true,
      text: (r) => (r.at ? [r.at.x, r.at.y, r.at.z].map((m) => bare(m, 'm', units)).join('; ') : ''),
      write: (_, text) => {
        if (text.trim() === '') return { ok: true, value: { at: null } };
        const [x, y, z, more] = text.split(';').map((part) => parseNumber(part, 'm', units, -15, 80));
        if (!x || !y || !z || more)
          return { ok: false, message: 'three lengths are meant: from the transom; to port; above the waterline' };
        return !x.ok ? x : !y.ok ? y : !z.ok ? z : { ok: true, value: { at: { x: x.value, y: y.value, z: z.value } } };
      },
    },
    {
      key: 'cardId',
      title: 'card',
      hint: 'The equipment card its figures came from',
      width: 110,
      text: (r) => r.cardId ?? '',
      tone: () => 'quiet',
      write: (_, text) =>
        text.trim() === '' || /^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/.test(text.trim())
          ? { ok: true, value: { cardId: text.trim() || null } }
          : { ok: false, message: 'a card goes by letters, digits, - or _' },
    },
    // Last, since typing a figure before it says that the figure is estimated.
    choice('mark', 'figures', MARKS, 84, 'Where its figures come from'),
  ];
}
