/** What of a design is mounted somewhere, with its body: its maker's where it is entered, else typical of its kind and size. */
import {
  type AcPanel,
  type AcSource,
  type Bank,
  type Body,
  type Design,
  type Face,
  type Gauge,
  type Mount,
  type MountKind,
  type Panel,
  rowOf,
  type Source,
} from '../design';
import {
  BLOCK_DEPTH_MM,
  BLOCK_END_MM,
  BLOCK_HEIGHT_MM,
  BODIES,
  type BodyRow,
  GAUGE_DEPTH_MM,
  GAUGE_MM,
  PANEL_COLUMN_MM,
  PANEL_DEPTH_MM,
  PANEL_FRAME_MM,
  TRAY_MM,
  WAY_KG,
} from '../rules';
import { bankMass, chemistryOf } from '../bank';
import { blocksOn } from './blocks';

export interface Mounted {
  readonly kind: MountKind;
  readonly id: string;
  readonly name: string;
  /** What kind of equipment it is, in words. */
  readonly what: string;
  readonly placeId: string | null;
  readonly mount: Mount | null;
  readonly face: Face | null;
  readonly body: Body;
  /** Its body is only typical of its kind. */
  readonly typical: boolean;
  /** Its body goes into the face, as a panel or a gauge: what is deep lies behind. */
  readonly letIn: boolean;
  /** Electronics within: wet, vapour and heat are not for it. */
  readonly electronics: boolean;
  readonly ignitionProtected: boolean;
}

/** Lists a thing's row stands in. */
export const MOUNT_LISTS = {
  bank: 'banks',
  source: 'sources',
  'AC source': 'acSources',
  panel: 'panels',
  'AC panel': 'acPanels',
  gauge: 'gauges',
} as const satisfies Readonly<Record<MountKind, keyof Design>>;

const pick = (table: readonly (readonly [number, BodyRow])[], size: number): Body =>
  (table.find(([upTo]) => size <= upTo) ?? table[table.length - 1])?.[1] as Body;

function blockBody(bank: Bank): { body: Body; typical: boolean } {
  const { lengthMm, widthMm, heightMm } = bank.sheet;
  const known = lengthMm !== null && widthMm !== null && heightMm !== null;
  // A block of 12 V and 100 Ah as it is usually cased; others by their energy, the height kept.
  const grown = Math.sqrt((bank.blockV * bank.blockAh) / (chemistryOf(bank).leadAcid ? 1150 : 1500));
  const block = known
    ? { lengthMm, widthMm, heightMm }
    : { lengthMm: Math.round(330 * grown), widthMm: Math.round(173 * grown), heightMm: 230 };
  const [across, deep] = blocksOn(block, bank.series * bank.strings);
  return {
    typical: !known,
    body: {
      widthMm: across,
      heightMm: deep,
      depthMm: block.heightMm,
      massKg: bankMass(bank).kg,
      aboveMm: TRAY_MM,
      belowMm: TRAY_MM,
      sidesMm: TRAY_MM,
      frontMm: 0,
      wayUp: 'flat only',
    },
  };
}

const FLAT: Pick<Body, 'aboveMm' | 'belowMm' | 'sidesMm' | 'frontMm' | 'wayUp'> = {
  aboveMm: 0,
  belowMm: 0,
  sidesMm: 0,
  frontMm: 0,
  wayUp: 'any way',
};

const panelBody = (ways: number, pitchMm: number): Body => ({
  ...FLAT,
  widthMm: PANEL_FRAME_MM + PANEL_COLUMN_MM * (ways > 5 ? 2 : 1),
  heightMm: Math.round(PANEL_FRAME_MM + pitchMm * Math.ceil(ways / (ways > 5 ? 2 : 1))),
  depthMm: PANEL_DEPTH_MM,
  massKg: Math.round(10 * (1 + WAY_KG * ways)) / 10,
});

/** A bar or block: its ways in a row, cables below and above it. */
const blockOnFace = (ways: number, pitchMm: number): Body => ({
  ...FLAT,
  widthMm: Math.round(2 * BLOCK_END_MM + pitchMm * ways),
  heightMm: BLOCK_HEIGHT_MM,
  depthMm: BLOCK_DEPTH_MM,
  massKg: Math.round(10 * (0.2 + WAY_KG * ways)) / 10,
  aboveMm: 60,
  belowMm: 60,
  sidesMm: 30,
});

type Own = Pick<Mounted, 'what' | 'letIn' | 'electronics' | 'ignitionProtected'> & { readonly body: Body; readonly typical: boolean };

const ofSource = (s: Source): Own | null =>
  s.outputOf !== null || !['shore charger', 'DC–DC', 'solar'].includes(s.kind)
    ? null
    : {
        what: s.kind === 'solar' ? 'solar controller' : s.kind,
        body: pick(s.kind === 'shore charger' ? BODIES.charger : BODIES.converter, s.solar?.controllerA ?? s.ratedA),
        typical: true,
        letIn: false,
        electronics: true,
        ignitionProtected: s.ignitionProtected,
      };
const ofAcSource = (s: AcSource): Own | null =>
  s.inverter
    ? {
        what: s.inverter.chargerId === null ? 'inverter' : 'inverter-charger',
        body: pick(BODIES.inverter, s.inverter.va),
        typical: true,
        letIn: false,
        electronics: true,
        ignitionProtected: s.ignitionProtected,
      }
    : null;
const ofPanel = (p: Panel): Own | null =>
  p.partOfId !== null
    ? null
    : {
        what: p.kind === 'panel' ? 'panel' : 'fuse block or bar',
        body: p.kind === 'panel' ? panelBody(p.ways, p.pitchMm) : blockOnFace(p.ways, p.pitchMm),
        typical: true,
        letIn: p.kind === 'panel',
        electronics: true,
        ignitionProtected: false,
      };
const ofAcPanel = (p: AcPanel, runs: number): Own => ({
  what: 'AC panel',
  body: panelBody(p.ways ?? Math.max(4, runs), p.pitchMm),
  typical: true,
  letIn: true,
  electronics: true,
  ignitionProtected: false,
});
const ofGauge = (_: Gauge): Own => ({
  what: 'gauge',
  body: { ...FLAT, widthMm: GAUGE_MM, heightMm: GAUGE_MM, depthMm: GAUGE_DEPTH_MM, massKg: 0.2, sidesMm: 8, aboveMm: 8, belowMm: 8 },
  typical: true,
  letIn: true,
  electronics: true,
  ignitionProtected: false,
});
const ofBank = (b: Bank): Own => ({
  what: b.series * b.strings > 1 ? `${b.series * b.strings} batteries` : 'battery',
  ...blockBody(b),
  letIn: false,
  electronics: false,
  ignitionProtected: false,
});

type Facts = Pick<Design, 'banks' | 'sources' | 'acSources' | 'panels' | 'acPanels' | 'acCircuits' | 'gauges' | 'mounts' | 'places'>;

/** Everything mounted, in the order of the lists. A charger within an inverter's case is no body of its own; nor is a candidate. */
export function mountedOf(design: Facts): readonly Mounted[] {
  const within = new Set(design.acSources.flatMap((s) => s.inverter?.chargerId ?? []));
  const make = (kind: MountKind, row: { id: string; name: string; placeId: string | null }, own: Own | null): readonly Mounted[] => {
    if (!own) return [];
    const mount = design.mounts.find((m) => m.kind === kind && m.thingId === row.id) ?? null;
    const faces = rowOf(design.places, row.placeId)?.faces ?? [];
    return [
      {
        ...own,
        kind,
        id: row.id,
        name: row.name,
        placeId: row.placeId,
        mount,
        face: rowOf(faces, mount?.faceId) ?? null,
        body: mount?.body ?? own.body,
        typical: mount?.body ? false : own.typical,
      },
    ];
  };
  return [
    ...design.banks.flatMap((b) => make('bank', b, ofBank(b))),
    ...design.sources.filter((s) => s.insteadOfId === null && !within.has(s.id)).flatMap((s) => make('source', s, ofSource(s))),
    ...design.acSources.flatMap((s) => make('AC source', s, ofAcSource(s))),
    ...design.panels.flatMap((p) => make('panel', p, ofPanel(p))),
    ...design.acPanels.flatMap((p) =>
      make('AC panel', p, ofAcPanel(p, design.acCircuits.filter((c) => c.from.kind === 'panel' && c.from.id === p.id).length)),
    ),
    ...design.gauges.flatMap((g) => make('gauge', g, ofGauge(g))),
  ];
}
