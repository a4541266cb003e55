/** A body against a face, and against the place the face is in (docs/methods.md, "Mounting"). */
import { type Design, type Face, type Place, rowOf, waterFigure } from '../design';
import { chemistryOf } from '../bank';
import { show, small } from '../quantity';
import { HEADROOM_MM, THIN_HOLDS_KG, TOP_UP_MM, TRAY_MM } from '../rules';
import { blocksThatStand } from './blocks';
import type { Mounted } from './things';
import { roomFor, turnedOn } from './turned';

export interface FitLine {
  readonly what: string;
  /** What it needs, and what is there, in words; mm carry their unit. */
  readonly needs: string;
  readonly has: string;
  /** null: not known, ask. */
  readonly ok: boolean | null;
  /** What its figures are made of, in words; none where they are entered as they stand. */
  readonly of?: readonly string[];
}

type Facts = Pick<Design, 'banks' | 'boat'>;
const inMm =
  ({ boat }: Pick<Facts, 'boat'>) =>
  (x: number): string =>
    small(x, boat);
const STANDS: Readonly<Record<Face['lies'], readonly Mounted['body']['wayUp'][]>> = {
  upright: ['bulkhead only', 'bulkhead or flat', 'any way'],
  flat: ['bulkhead or flat', 'flat only', 'any way'],
  overhead: ['any way'],
};

const madeBy = ({ typical }: Mounted): string => (typical ? '(typical of its kind)' : '(as entered)');

function bankOn(face: Face, thing: Mounted, design: Facts): FitLine[] {
  const mm = inMm(design);
  const bank = rowOf(design.banks, thing.id);
  if (!bank) return [];
  const n = bank.series * bank.strings;
  const { lengthMm, widthMm } = bank.sheet;
  const block = lengthMm !== null && widthMm !== null ? { lengthMm, widthMm } : null;
  const above = chemistryOf(bank).leadAcid && bank.chemistry === 'flooded' ? TOP_UP_MM : HEADROOM_MM;
  const { body } = thing;
  const tray = `${mm(TRAY_MM)} of tray on every side`;
  const there = `the face as entered: ${mm(face.widthMm)} × ${mm(face.heightMm)}`;
  const turned = body.widthMm > face.widthMm - 2 * TRAY_MM || body.heightMm > face.heightMm - 2 * TRAY_MM;
  const [w, h] = turned ? [body.heightMm, body.widthMm] : [body.widthMm, body.heightMm];
  return [
    block
      ? {
          what: 'batteries side by side, in a tray',
          needs: String(n),
          has: String(blocksThatStand(face, block, TRAY_MM)),
          ok: blocksThatStand(face, block, TRAY_MM) >= n,
          of: [`each ${mm(block.lengthMm)} × ${mm(block.widthMm)} by its sheet, in rows either way round, ${tray}`, there],
        }
      : {
          what: 'foot with its tray',
          needs: `${mm(w + 2 * TRAY_MM)} × ${mm(h + 2 * TRAY_MM)}, typical`,
          has: `${mm(face.widthMm)} × ${mm(face.heightMm)}`,
          ok: w + 2 * TRAY_MM <= face.widthMm && h + 2 * TRAY_MM <= face.heightMm,
          of: [`${n} of them, ${mm(w)} × ${mm(h)} together, typical of their Ah: the sheet’s length and width settle it`, tray, there],
        },
    {
      what: above === TOP_UP_MM ? 'headroom to top up' : 'headroom for cables',
      needs: mm(body.depthMm + above),
      has: mm(face.depthMm),
      ok: body.depthMm + above <= face.depthMm,
      of: [
        `${mm(body.depthMm)} high ${madeBy(thing)} + ${mm(above)} ${above === TOP_UP_MM ? 'to fill them' : 'for cables and covers'}`,
        `free before the face, as entered: ${mm(face.depthMm)}`,
      ],
    },
  ];
}

function bodyOn(face: Face, thing: Mounted, design: Facts): FitLine[] {
  const { body, letIn } = thing;
  const mm = inMm(design);
  const { upright, across } = roomFor(thing);
  const turns = turnedOn(face, thing);
  const [w, h] = turns ? across : upright;
  const sides = (own: number, air: string) => [
    `${mm(own)} ${madeBy(thing)}${air}`,
    ...(turns ? ['turned by a quarter: upright it does not go'] : []),
  ];
  const airBeside = body.sidesMm > 0 ? ` + ${mm(body.sidesMm)} of air on both sides` : '';
  const airAbove = body.aboveMm + body.belowMm > 0 ? ` + ${mm(body.aboveMm)} of air above and ${mm(body.belowMm)} below` : '';
  const deep: FitLine = letIn
    ? {
        what: 'depth behind the face',
        needs: mm(body.depthMm),
        has: face.behindMm === null ? 'not entered' : mm(face.behindMm),
        ok: face.behindMm === null ? null : body.depthMm <= face.behindMm,
        of: [`${mm(body.depthMm)} ${madeBy(thing)}`],
      }
    : {
        what: body.frontMm > 0 ? 'depth with air before it' : 'depth',
        needs: mm(body.depthMm + body.frontMm),
        has: mm(face.depthMm),
        ok: body.depthMm + body.frontMm <= face.depthMm,
        of: [`${mm(body.depthMm)} ${madeBy(thing)}${body.frontMm > 0 ? ` + ${mm(body.frontMm)} of air before it` : ''}`],
      };
  return [
    {
      what: body.sidesMm > 0 ? 'width with air' : 'width',
      needs: mm(w),
      has: mm(face.widthMm),
      ok: w <= face.widthMm,
      of: turns ? sides(body.heightMm, airBeside) : sides(body.widthMm, airBeside),
    },
    {
      what: body.aboveMm + body.belowMm > 0 ? 'height with air' : 'height',
      needs: mm(h),
      has: mm(face.heightMm),
      ok: h <= face.heightMm,
      of: turns ? sides(body.widthMm, airAbove) : sides(body.heightMm, airAbove),
    },
    deep,
  ];
}

const BEHIND_OK: Readonly<Record<Face['behind'], boolean | null>> = {
  unknown: null,
  'open space': true,
  'cored or hull skin': null,
  tank: false,
  'wiring or pipes': false,
};

/** Line by line: size, way up, what holds it, what its screws come out into, reach. */
export function fitOn(face: Face, thing: Mounted, design: Facts): readonly FitLine[] {
  const { body } = thing;
  const heavy = body.massKg > THIN_HOLDS_KG;
  return [
    { what: 'way up', needs: body.wayUp, has: face.lies, ok: STANDS[face.lies].includes(body.wayUp) },
    ...(thing.kind === 'bank' ? bankOn(face, thing, design) : bodyOn(face, thing, design)),
    {
      what: 'holds its mass',
      needs: `${show(body.massKg, 'kg', design.boat)}${heavy ? ': a solid ground' : ''}`,
      has: face.backing === 'unknown' ? 'backing not entered' : face.backing,
      of: [
        `${show(body.massKg, 'kg', design.boat)} ${madeBy(thing)}; from ${show(THIN_HOLDS_KG, 'kg', design.boat)} up a thin panel does not hold it`,
      ],
      ok: !heavy || face.backing === 'solid' ? true : face.backing === 'unknown' ? null : false,
    },
    { what: 'behind it, for screws', needs: 'nothing they could hit', has: face.behind, ok: BEHIND_OK[face.behind] },
    {
      what: 'reach',
      needs: 'both hands, to isolate and to tighten',
      has: face.reach === null ? 'nobody has tried' : face.reach ? 'yes' : 'no',
      ok: face.reach,
    },
  ];
}

/** From here on electronics give less or trip, degC. */
const WARM_C = 45;
const HOT_BANK_C = 40;

/** What the place does to it: water, vapour, heat. Its own code against water counts where it is entered. */
export function placeFor(place: Place, thing: Mounted, design: Pick<Design, 'banks' | 'boat'>): readonly FitLine[] {
  const water = waterFigure(thing.mount?.ip ?? '20');
  const line = (what: string, bad: boolean, needs: string, ok: boolean | null): readonly FitLine[] =>
    bad ? [{ what, needs, has: place.name, ok }] : [];
  const electronics = thing.electronics;
  const machine = thing.kind === 'source' || thing.kind === 'AC source';
  const leadAcid = design.banks.filter((b) => b.placeId === place.id && chemistryOf(b).leadAcid);
  return [
    ...line('wet', place.wet && electronics && water < 6, 'dry', false),
    ...line('wet', place.wet && !electronics, place.at.z < 0 ? 'above bilge water' : 'posts that stay dry', place.at.z < 0 ? false : null),
    ...line('drips from above', place.drips && electronics && water < 2, 'nothing that drips', false),
    ...line('petrol vapour', place.vapour && !thing.ignitionProtected, 'no vapour, or ignition protected', false),
    ...line(
      'battery gas',
      machine && leadAcid.length > 0,
      'away from what gases while it charges: it corrodes, and sparks set it off',
      leadAcid.some((b) => b.chemistry === 'flooded') ? false : null,
    ),
    ...line('engine space', place.engineSpace && electronics, 'cool: heat halves its life and what it gives', false),
    ...line('hot exhaust', place.exhaust, 'clear of it', false),
    ...line('belts and shafts', place.moving, 'clear of what moves', null),
    ...line(
      'warm',
      place.ambientC > (electronics ? WARM_C : HOT_BANK_C) && !place.engineSpace,
      `under ${show(electronics ? WARM_C : HOT_BANK_C, 'C', design.boat)}`,
      null,
    ),
    ...line('compass near', place.compass && thing.kind !== 'gauge', 'a metre from a compass', null),
  ];
}

export type Verdict = 'goes' | 'ask' | 'does not go';
export const verdictOf = (lines: readonly FitLine[]): Verdict =>
  lines.some((l) => l.ok === false) ? 'does not go' : lines.some((l) => l.ok === null) ? 'ask' : 'goes';
