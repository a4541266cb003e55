/** Five minutes at a shore inlet: main near it, all poles, leakage trip, isolation, cord, earth, a live case. */
import { acCircuits } from '../ac';
import { analyse } from '../analysis';
import { breakerWithinM } from '../check';
import { type AcCircuit, blankAcLoad, blankDesign, type Design } from '../design';
import { propose } from '../propose';
import { show, sizeName } from '../quantity';
import { findConductor, type School } from '../rules';
import { num, pick, type QuickAnswer, type QuickCheck, type QuickLine, seen, type Typed, word, yes } from './question';
import { sizeTyped } from './size';

const SERVICES = ['230 V', '120 V', '120/240 V'] as const;
const ISOLATION = ['not known', 'none', 'galvanic isolator', 'isolation transformer'] as const;
const TRIPS = ['not known', 'none', '30 mA', '10 mA', '5 mA'] as const;
const USUAL_M = { cord: 15, main: 4 } as const;

function boatWith(school: School, t: Typed, there: boolean): Design {
  let n = 0;
  const fresh = (prefix: string) => `${prefix}${++n}`;
  const blank = blankDesign('Five minutes', school, 10, 3, 12);
  const acRegion = pick(t, 'service', SERVICES, school === 'awg' ? '120 V' : '230 V');
  const appliance = { ...blankAcLoad('kettle'), name: 'Kettle', watts: acRegion === '230 V' ? 2000 : 1500, placeId: 'galley' };
  const { design } = propose({ ...blank, boat: { ...blank.boat, acRegion }, acLoads: [appliance] }, ['ac'], fresh);
  const inletA = num(t, 'inletA');
  const isolation = pick(t, 'isolation', ISOLATION, 'not known');
  const leakage = pick(t, 'trip', TRIPS, 'not known');
  return {
    ...design,
    acSources: design.acSources.map((s) =>
      s.shore
        ? {
            ...s,
            ratedA: inletA ?? s.ratedA,
            shore: {
              ...s.shore,
              cordM: num(t, 'cordM') ?? USUAL_M.cord,
              ...(there
                ? {
                    breakerAtM: num(t, 'mainAtM') ?? s.shore.breakerAtM,
                    sheathed: yes(t, 'sheathed') ?? s.shore.sheathed,
                    isolation: isolation === 'not known' ? s.shore.isolation : isolation,
                    pedestalV: num(t, 'pedestalV'),
                    cordSize: sizeTyped(blank.boat, word(t, 'cordSize')) ?? s.shore.cordSize,
                  }
                : {}),
            },
          }
        : s,
    ),
    acPanels: design.acPanels.map((p) =>
      there && yes(t, 'polarity') !== null ? { ...p, polarityIndicator: yes(t, 'polarity') === true } : p,
    ),
    acCircuits: design.acCircuits.map((c): AcCircuit => {
      if (c.from.kind !== 'source') return there && yes(t, 'wet') === false ? { ...c, outletsWet: true, leakageMa: null } : c;
      return {
        ...c,
        lengthM: num(t, 'mainM') ?? USUAL_M.main,
        ...(there
          ? {
              ratingA: num(t, 'mainA'),
              size: sizeTyped(blank.boat, word(t, 'mainSize')),
              poles: yes(t, 'poles') === false ? 1 : c.poles,
              leakageMa: leakage === 'not known' ? c.leakageMa : leakage === 'none' ? null : (Number.parseInt(leakage, 10) as 5 | 10 | 30),
              cable: yes(t, 'cable') === false ? 'household' : c.cable,
            }
          : {}),
      };
    }),
  };
}

const ASKED =
  /^ac-(breaker-far|no-isolation|cord-thin|cord-long|no-leakage|main-poles|thin|behind-breaker|earth-thin|drop|drop-total|slight|interrupts|fault|wet-outlets|poles|cable|polarity|small-breaker)$/;

function answer(school: School, t: Typed): QuickAnswer {
  const [asked, there] = [boatWith(school, t, false), boatWith(school, t, true)];
  const units = asked.boat;
  const mainOf = (d: Design) => {
    const row = d.acCircuits.find((c) => c.from.kind === 'source');
    return acCircuits(d).find((r) => r.id === row?.id);
  };
  const [want, has] = [mainOf(asked), mainOf(there)];
  const findings = analyse(there).findings.filter((f) => ASKED.test(f.rule));
  const fires = (...rules: readonly string[]) => findings.some((f) => rules.includes(f.rule));
  const inlet = asked.acSources.find((s) => s.shore);
  const line = (what: string, wanted: string, is: string, bad: boolean, why: string): QuickLine => ({
    what,
    asked: wanted,
    there: is,
    ok: is === '' ? null : !bad,
    why,
  });
  const size = sizeTyped(units, word(t, 'mainSize'));
  const cord = sizeTyped(units, word(t, 'cordSize'));
  const mainA = num(t, 'mainA');
  const isolation = pick(t, 'isolation', ISOLATION, 'not known');
  const trip = pick(t, 'trip', TRIPS, 'not known');
  const inletA = inlet?.ratedA ?? 0;
  const far = num(t, 'mainAtM');
  const volts = num(t, 'pedestalV');
  return {
    lines: [
      line(
        'main breaker',
        `${inletA} A at most`,
        mainA === null ? '' : `${mainA} A`,
        mainA !== null && (mainA > inletA || fires('ac-thin', 'ac-small-breaker')),
        'no more than inlet and cord are made for',
      ),
      line(
        'from inlet to main, along the conductors',
        inlet ? `${show(breakerWithinM(there, there.acSources.find((s) => s.shore) ?? inlet), 'm', units)} at most` : '–',
        far === null ? '' : show(far, 'm', units),
        fires('ac-breaker-far'),
        'up to it the pedestal alone protects',
      ),
      seen('the main opens live and neutral', yes(t, 'poles'), 'on a pedestal with its poles crossed the neutral is live'),
      line(
        'leakage trip',
        school === 'awg' ? 'in the main, 30 mA' : '30 mA',
        trip === 'not known' ? '' : trip,
        trip === 'none',
        'it finds what leaks into the water before a swimmer does',
      ),
      line(
        'earth from ashore',
        'isolator, tested, or transformer',
        isolation === 'not known' ? '' : isolation,
        isolation === 'none',
        'else every boat on the pontoon is one battery with this one',
      ),
      line(
        'cable of the main',
        want ? sizeName(want.conductor.school, want.conductor.size) : '–',
        size ? sizeName(size.school, size.size) : '',
        fires('ac-thin', 'ac-behind-breaker', 'ac-slight'),
        `${show(want?.lengthM ?? NaN, 'm', units)}, behind ${want?.ratingA ?? inletA} A`,
      ),
      line(
        'shore cord',
        inlet?.shore ? sizeName(inlet.shore.cordSize.school, inlet.shore.cordSize.size) : '–',
        cord ? sizeName(cord.school, cord.size) : '',
        fires('ac-cord-thin', 'ac-cord-long') || (cord !== null && (findConductor(cord.school, cord.size)?.areaMm2 ?? 0) <= 0),
        `for ${inletA} A over ${show(num(t, 'cordM') ?? USUAL_M.cord, 'm', units)}`,
      ),
      line(
        'a live case, aboard',
        'cut in time',
        has && (size ?? cord) ? `${show(has.faults[0]?.amps ?? NaN, 'A', units)} flow` : '',
        fires('ac-fault'),
        'pedestal, cord, cable out and earth back, hot; 0.5 Ω ashore where nobody measured',
      ),
      seen('three-core stranded boat cable', yes(t, 'cable'), 'solid and household cable breaks and soaks'),
      seen('outlets in galley, heads and on deck have personal protection', yes(t, 'wet'), 'wet hands'),
      seen('crossed polarity is shown', yes(t, 'polarity'), 'a single-pole branch then leaves the appliance live'),
      line(
        'volts at the pedestal',
        'within a tenth of nominal',
        volts === null ? '' : show(volts, 'V', units),
        volts !== null && Math.abs(volts / (pick(t, 'service', SERVICES, '230 V') === '230 V' ? 230 : 120) - 1) > 0.1,
        'low volts burn motors, high ones electronics',
      ),
    ],
    findings: findings.filter((f) => f.severity !== 'note'),
    assumed: [
      num(t, 'inletA') === null ? `an inlet of ${inletA} A, as is usual` : '',
      num(t, 'mainM') === null ? `${show(USUAL_M.main, 'm', units)} from main to panel` : '',
      'a kettle on the outlets of the galley',
    ].filter(Boolean),
    caution:
      'Shock, and drowning near a dock: lead out, breaker ashore off, proved dead before a cover comes off. A leakage trip that has not been tested is none. Local code and licensed practice come first.',
  };
}

export const SHORE_CHECK: QuickCheck = {
  id: 'shore',
  name: 'shore power',
  about: 'Main, poles, leakage, isolation, cord, a live case: what is usually missing.',
  questions: (school) => [
    { key: 'service', ask: 'service', kind: 'choice', options: school === 'awg' ? ['120 V', '120/240 V', '230 V'] : SERVICES },
    { key: 'inletA', ask: 'inlet is rated', kind: 'number', unit: 'A', usual: school === 'awg' ? 30 : 16, low: 5, high: 125 },
    { key: 'mainA', ask: 'main breaker', kind: 'number', unit: 'A', usual: null, low: 5, high: 125 },
    { key: 'mainAtM', ask: 'inlet to main', kind: 'number', unit: 'm', usual: null, low: 0, high: 30 },
    { key: 'sheathed', ask: 'sheathed all that way', kind: 'yes' },
    { key: 'poles', ask: 'main opens live and neutral', kind: 'yes' },
    { key: 'trip', ask: 'leakage trip', kind: 'choice', options: TRIPS },
    { key: 'isolation', ask: 'earth from ashore through', kind: 'choice', options: ISOLATION },
    { key: 'mainM', ask: 'main to panel', kind: 'number', unit: 'm', usual: USUAL_M.main, low: 0.1, high: 60 },
    { key: 'mainSize', ask: 'its size', kind: 'size' },
    { key: 'cordM', ask: 'shore cord', kind: 'number', unit: 'm', usual: USUAL_M.cord, low: 1, high: 100 },
    { key: 'cordSize', ask: 'its size', kind: 'size' },
    { key: 'cable', ask: 'stranded three-core boat cable', kind: 'yes' },
    { key: 'wet', ask: 'wet outlets protected', kind: 'yes' },
    { key: 'polarity', ask: 'polarity indicator', kind: 'yes' },
    { key: 'pedestalV', ask: 'volts at the pedestal', kind: 'number', unit: 'V', usual: null, low: 50, high: 300 },
  ],
  answer,
};
