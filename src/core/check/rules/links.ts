/** Rules on the links between the batteries of a bank: tested as any cable is, for what its main device lets pass and for a short behind it. */
import { bankSource, sharingOf, usualLink } from '../../bank';
import { ampacityA, derate } from '../../conductor';
import { type Bank, rowOf } from '../../design';
import { adiabaticK, finalTempC, slowestOpeningS, withstandS } from '../../protection';
import { round3, sizeName } from '../../quantity';
import { AMBIENT_C, CONDUCTORS, type Conductor, findConductor, findFamily, type Family } from '../../rules';
import { servingOf, startKey } from '../../topology';
import { type Rule, SOURCES, type Told } from '../rule';
import type { DesignFacts } from './design';

interface Main {
  readonly name: string;
  readonly ratingA: number;
  readonly family: Family;
}

/** The largest device at a bank's posts. */
function mainOf({ design, results }: Pick<DesignFacts, 'design' | 'results'>, bankId: string): Main | null {
  let main: Main | null = null;
  for (const c of servingOf(design.circuits).starting.get(startKey({ kind: 'bank', id: bankId }))?.circuits ?? []) {
    const r = results.get(c.id);
    const family = r && findFamily(r.own.protection.familyId);
    if (!r || !family || r.own.protection.missing) continue;
    const ratingA = r.own.protection.ratingA * r.own.protection.legs;
    if (ratingA > (main?.ratingA ?? 0)) main = { name: r.name, ratingA, family };
  }
  return main;
}

/** Of all that a bank gives, the part its hardest worked link carries; null where it has no links. */
export function linkPart(bank: Pick<Bank, 'strings' | 'series' | 'links'>, worstOverMean = 1): number | null {
  const { strings: n, series, links } = bank;
  if (n < 2) return series < 2 ? null : 1;
  const share = Math.min(1, worstOverMean / n);
  if (links.way === 'bus bars') return share;
  // Towards where it is taken off a rail gathers the strings before it: from one end all but one, from the middle the longer half.
  return Math.max(share, (links.way === 'middle' ? Math.ceil((n - 1) / 2) : n - 1) / n);
}

interface Judged {
  readonly amps: number;
  readonly izA: number;
  /** A short's amps in a link, how long it flows and how long the link bears it, s. */
  readonly shortA: number;
  readonly opensS: number;
  readonly bearsS: number;
}

function judged(facts: Pick<DesignFacts, 'design' | 'results'>, bank: Bank, main: Main, link: Conductor): Judged | null {
  const { design } = facts;
  const { house, boat } = design;
  const part = linkPart(bank, sharingOf(bank, boat.ruleSet, main.ratingA)?.worstOverMean);
  if (part === null) return null;
  const around = rowOf(design.places, bank.placeId) ?? { ambientC: AMBIENT_C, engineSpace: false, wet: false };
  const derating = derate(boat.ruleSet, { insulationC: house.insulationC, bundled: 2, enclosure: 'open' }, around);
  const { postsFaultA } = bankSource(bank);
  const shortA = part * postsFaultA;
  return {
    amps: part * main.ratingA,
    izA: ampacityA(link, derating),
    shortA,
    opensS: slowestOpeningS(main.family, main.ratingA, postsFaultA),
    bearsS: withstandS(adiabaticK(derating.ratingC, finalTempC(house.crossLinked)), link.areaMm2, shortA),
  };
}

/** Good for what passes, and whole in half the time it bears a short, as cables are judged. */
export const linkHolds = ({ amps, izA, opensS, bearsS }: Omit<Judged, 'shortA'>): boolean => izA >= amps - 1e-9 && opensS <= bearsS / 2;

const linkOf = (bank: Bank, school: 'awg' | 'metric'): Conductor | undefined =>
  findConductor(school, bank.links.size ?? '') ?? findConductor(school, usualLink(school));

export const LINK_RULES: readonly Rule<DesignFacts>[] = [
  {
    id: 'link-thin',
    about: 'bank',
    severity: 'fix',
    reads: ['banks.links', 'banks.strings', 'banks.series', 'circuits', 'house'],
    when: 'links between batteries are thinner than their main device asks for, or do not bear a short behind it',
    why: 'The main device does not protect them: they glow before it opens.',
    todo: 'Links of the size that is asked for, or bus bars with a cable from each battery.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.dc,
    find: (facts) =>
      facts.design.banks.flatMap((b): readonly Told[] => {
        const main = mainOf(facts, b.id);
        const link = linkOf(b, facts.design.boat.ruleSet);
        const j = main && link ? judged(facts, b, main, link) : null;
        if (!main || !link || !j || linkHolds(j)) return [];
        const wanted = CONDUCTORS[facts.design.boat.ruleSet].find((c) => {
          const x = judged(facts, b, main, c);
          return x !== null && linkHolds(x);
        });
        const said = `links of ${sizeName(link.school, link.size)}${b.links.size === null ? ', usual,' : ''}`;
        return [
          {
            id: b.id,
            title:
              j.izA < j.amps
                ? `its ${said} are good for ${round3(j.izA)} A; ${main.ratingA} A of ${main.name} lets ${round3(j.amps)} A pass one`
                : `its ${said} do not bear ${round3(j.shortA)} A until ${main.ratingA} A of ${main.name} opens`,
            ...(wanted
              ? {
                  todo: `Links of ${sizeName(wanted.school, wanted.size)}, or bus bars with a cable from each battery.`,
                  edits: [{ op: 'set' as const, path: ['banks', b.id, 'links', 'size'], from: b.links.size, to: wanted.size }],
                }
              : {}),
          },
        ];
      }),
    cure: (_, finding) => finding.edits ?? null,
  },
];
