/** What a surveyor goes through, line by line: the rules that answer each line, or why only somebody aboard can (docs/rules.md). */
import { type Design, type Finding, kindOf, type Severity } from '../design';

export const AREAS = [
  'the boat and her places',
  'as found',
  'loads',
  'banks',
  'charging',
  'AC',
  'cables',
  'protection',
  'earth and bonding',
  'clean power',
  'monitoring',
  'ends and making',
  'mounting',
  'the work',
] as const;
export type Area = (typeof AREAS)[number];

export interface AuditLine {
  readonly area: Area;
  readonly line: string;
  /** Rules of the table that answer it; empty: none can. */
  readonly rules: readonly string[];
  /** Why it is not answered by a rule, or what of it is left to eyes; '' where the rules answer all of it. */
  readonly eyes: string;
  /** What has to be aboard for it to be asked at all. */
  readonly of: Aboard | null;
}

/** What may be aboard or not. */
const ABOARD = {
  petrol: (d) => d.engine.fuel === 'petrol' || d.places.some((p) => p.vapour),
  'a metal hull': (d) => d.boat.hull === 'steel' || d.boat.hull === 'aluminium',
  'a hot exhaust or moving parts entered': (d) => d.places.some((p) => p.exhaust || p.moving),
  'wire found aboard': (d) => d.circuits.some((c) => c.found !== null),
  'a socket': (d) => d.loads.some((l) => l.socket !== null || kindOf(l) === 'socket'),
  'an iron phosphate bank': (d) => d.banks.some((b) => b.chemistry === 'lfp'),
  'banks that are joined': (d) => d.banks.length > 1,
  'an alternator': (d) => d.sources.some((s) => s.alternator !== null),
  'sun or wind': (d) => d.sources.some((s) => s.solar !== null || s.wind !== null),
  AC: (d) => d.acSources.length > 0 || d.acCircuits.length > 0 || d.acLoads.length > 0,
  'a shore inlet': (d) => d.acSources.some((s) => s.shore !== null),
  'an inverter': (d) => d.acSources.some((s) => s.inverter !== null),
  'a generator': (d) => d.acSources.some((s) => s.generator !== null),
  'a compass entered': (d) => d.places.some((p) => p.compass),
  'a gauge': (d) => d.gauges.length > 0,
  circuits: (d) => d.circuits.length > 0,
  banks: (d) => d.banks.length > 0,
} as const satisfies Readonly<Record<string, (design: Design) => boolean>>;
export type Aboard = keyof typeof ABOARD;

type Row = readonly [line: string, rules: string, eyes?: string, of?: Aboard];
const area = (name: Area, rows: readonly Row[]): readonly AuditLine[] =>
  rows.map(([line, rules, eyes = '', of]) => ({ area: name, line, rules: rules === '' ? [] : rules.split(' '), eyes, of: of ?? null }));

export const AUDIT: readonly AuditLine[] = [
  ...area('the boat and her places', [
    [
      'every bank, source, panel and load has its place',
      'no-place panel-no-place bank-no-place source-no-place ac-no-place device-no-place',
    ],
    [
      'machines, panels, bars, batteries and electronics stand dry, cool and out of vapour',
      'electronics-place source-place panel-place bar-place bank-wet ac-place ac-panel-place ac-no-air ac-drips',
    ],
    [
      'petrol: its space is entered as one, is blown out, and holds nothing that sparks',
      'petrol-space no-blower vapour vapour-source vapour-load vapour-bank spark',
      '',
      'petrol',
    ],
    [
      'runs keep clear of exhaust and of what moves',
      'way-hazard place-refuses',
      'whether they do is seen aboard: walk-round',
      'a hot exhaust or moving parts entered',
    ],
    ['the hull is no return, and a metal hull is watched', 'metal-hull hull-return'],
  ]),
  ...area('as found', [
    [
      'every wire found is known, measured and decided upon, with a reason',
      'unidentified undecided found-size no-reason',
      '',
      'wire found aboard',
    ],
    [
      'wire is stranded, tinned, sound and of a colour that says what it is',
      'found-kind found-colour fault bad-joints',
      'conditions are entered from what is seen: walk-round',
      'wire found aboard',
    ],
    ['what stays is protected', 'unprotected', '', 'wire found aboard'],
  ]),
  ...area('loads', [
    ['every load has a rating, a circuit and volts it is made for', 'no-rating no-circuit twice volts supply empty'],
    ['it is known what each heavy load and pump is', 'kind-unknown'],
    ['makers’ sheets are read and kept to', 'sheet-unread maker-silent fails-maker source lead fuse-kind bank range'],
    ['bilge pumps and alarms stay live when the boat is switched off', 'guard-live bypass'],
    [
      'sockets: polarity, live half, what may feed in',
      'socket-live socket-one-way socket-contacts socket-in socket-uncounted socket-unlike socket-unknown',
      '',
      'a socket',
    ],
    ['a motor that is held fast opens its device', 'stall'],
    ['days and cruises are entered soundly', 'span overlap cruise-long cruise-empty cruise-gone'],
  ]),
  ...area('banks', [
    ['there is a bank, of the boat’s volts, that lasts as long as is wanted', 'no-bank bank-volts runs-down'],
    ['batteries are held down, covered and aired', 'bank-held bank-covered bank-vented bank-mounting-unknown', '', 'banks'],
    ['they fit their box and stand neither hot nor frozen', 'box box-unknown bank-temp', '', 'banks'],
    ['strings share their current, and lithium ones are fused each', 'sharing link-thin string-fuses string-fuse-size', '', 'banks'],
    [
      'a BMS is known, warns, and opens over nothing that charges',
      'bms-unknown bms-warns bms-volts dump-bms set-BMS',
      '',
      'an iron phosphate bank',
    ],
    ['the engine is cranked in the cold, through a cable that does', 'cranking cca-unknown engine-volts starter-cable starter-bare'],
    [
      'banks are joined in a way that suits both',
      'join-ends relay-volts mixed join-volts join-rating both-drains emergency paralleled isolated-tied isolated-charged',
      '',
      'banks that are joined',
    ],
    ['a switch takes each bank off by hand', 'battery-switch disconnect', '', 'banks'],
  ]),
  ...area('charging', [
    [
      'every bank is charged, by a source with a cable, a bank and a place',
      'uncharged source-unwired no-sink no-input own-input dcdc-volts',
    ],
    ['machines are one thing wherever they are seen', 'machine-apart machine-figures ac-no-dc outputs-untold outputs-many output-apart'],
    [
      'an alternator fits its engine, its belt, and gives what it is rated for',
      'fit belt curve curve-rated',
      'tension and wear of the belt are seen aboard: walk-round',
      'an alternator',
    ],
    [
      'nothing opens the charge path with the engine running',
      'dump-selector dump-bms surge-trips surge-lug surge-part-unknown',
      '',
      'an alternator',
    ],
    [
      'the right bank is sensed, through leads that are fused',
      'sensed-other one-wire-splitter small-missing small-unfused small-fuse-large small-long sense-drop small-elsewhere',
    ],
    ['excitation cannot keep the engine running', 'excite-diode', '', 'an alternator'],
    [
      'setpoints are the battery maker’s, and can be set',
      'low-setpoint low-float external-fixed set-absorption set-time-and-tail set-float set-equalise set-slope set-sensor set-largest-current',
    ],
    [
      'arrays and wind are safe on the coldest and windiest day',
      'cold-volts string-fuse string-fuse-over solar-volts brake',
      '',
      'sun or wind',
    ],
    ['what charges loses little on its way', 'charge-path'],
  ]),
  ...area('AC', [
    [
      'sources, service and runs hang together',
      'ac-no-service ac-no-amps ac-other-service ac-unused ac-from-nothing ac-to-nothing ac-serves-nothing ac-panel-dead ac-panel-self ac-loose ac-leg ac-pf ac-no-watts ac-states-many',
      '',
      'AC',
    ],
    [
      'shore power: main near the inlet, all poles, leakage trip, cord, isolation',
      'ac-breaker-far ac-main-poles ac-no-leakage ac-cord-thin ac-cord-long ac-no-isolation pedestal-unknown ac-isolator-unknown ac-isolator-place ac-isolator-small ac-isolator-earth',
      '',
      'a shore inlet',
    ],
    ['two sources never meet', 'ac-parallel ac-no-transfer ac-loop', '', 'AC'],
    ['neutral and earth are joined once, in every state', 'ac-bond-none ac-bond-many ac-generator-loose ac-bars', '', 'AC'],
    ['a live case is cut in time', 'ac-fault ac-earth-thin ac-wet-outlets ac-poles', '', 'AC'],
    [
      'runs are stranded three-core cable of right colours, apart from DC',
      'ac-cable ac-colour ac-black ac-unmarked ac-beside-dc ac-polarity',
      '',
      'AC',
    ],
    [
      'runs and breakers carry, drop and interrupt what they must',
      'ac-thin ac-behind-breaker ac-slight ac-drop ac-drop-total ac-small-breaker ac-interrupts',
      '',
      'AC',
    ],
    [
      'what is wanted together runs, starts and starts again after a blackout',
      'ac-together ac-too-large ac-surge ac-start ac-dip ac-start-opens ac-blackout ac-surge-low',
      '',
      'AC',
    ],
    [
      'an inverter: fuse, disconnect, cable, case earth, volts, sleep',
      'ac-no-va ac-dc-unfused ac-dc-disconnect ac-dc-cable ac-dc-fuse ac-dc-margin ac-disconnect-far ac-precharge ac-units ac-case ac-case-thin ac-low-volts ac-sleeps',
      '',
      'an inverter',
    ],
    [
      'a generator starts, holds in and can be locked out',
      'ac-no-kva ac-generator-pf ac-remote-start ac-hold-in ac-starter-unknown ac-start-lockout',
      '',
      'a generator',
    ],
  ]),
  ...area('cables', [
    [
      'every conductor carries its current where it lies',
      'fails-ampacity terminal-heat fails-terminals lead leg-open thin-parallel',
      '',
      'circuits',
    ],
    [
      'critical loads lose 3 %, others 10 %; nothing collapses',
      'fails-drop path-drop fails-surge path-start collapse study-volts',
      '',
      'circuits',
    ],
    ['no conductor is too slight to last', 'fails-mechanical pin-school', '', 'circuits'],
    ['every panel is fed, within what it bears', 'no-feeder loop no-source panel-total panel-unrated ways part-of way-class'],
    ['cables of the main side end on something and go somewhere', 'dangling to-itself loose'],
    ['choices hold within the spread of what is known', 'unsure', '', 'circuits'],
    ['supports near enough together, chafe, glands, drip loops', '', 'nothing in a design says how a cable lies: walk-round'],
  ]),
  ...area('protection', [
    ['every source of current is fused at its end, near enough', 'unfused placement reduction', '', 'circuits'],
    [
      'the device suits load and cable',
      'fails-protection protection-conflict rounded-up over-load-gap lead-conflict not-made',
      '',
      'circuits',
    ],
    ['it interrupts what the bank can deliver, and its panel may stand there', 'panel-family sending-end bank-short', '', 'circuits'],
    ['a dead short at the far end opens it without harm', 'fails-fault far-end-slow', '', 'circuits'],
    ['what is in line bears its current', 'device device-unrated lead-device lead-device-unrated device-size', '', 'circuits'],
    ['labels say what each device is for', '', 'labels are made from the list, and seen aboard: walk-round'],
  ]),
  ...area('earth and bonding', [
    [
      'the AC earth is joined to the negative once, by the school chosen',
      'ac-earth ac-earth-joint ac-earth-transformer ac-earth-residual second-joint',
      '',
      'AC',
    ],
    ['a case that goes live opens its device', 'case-earth'],
    ['bonding straps and anodes are whole', '', 'corrosion and anodes are seen and measured: walk-round, Log'],
  ]),
  ...area('clean power', [
    ['electronics do not drop out when a motor starts, nor hum', 'start-sag ripple'],
    ['no pair turns the compass', 'compass', '', 'a compass entered'],
  ]),
  ...area('monitoring', [
    ['a shunt counts everything', 'no-shunt round-shunt'],
    [
      'a gauge is fused, awake, seen, near enough, and can call full',
      'gauge-asleep gauge-unfused gauge-data-long gauge-unseen gauge-never-full',
      '',
      'a gauge',
    ],
    ['alarms are heard where people sleep', '', 'volume and place are tried aboard: Commission'],
  ]),
  ...area('ends and making', [
    ['every end takes its conductor, four on a stud at the most', 'end-fit lead-end stud bus-stud bus-crowded', '', 'circuits'],
    ['bus bars carry what meets there', 'bus-amps bus-unrated'],
    ['crimps, sleeves and barrels are as they ought', '', 'made by the card, pulled, and seen: Build, walk-round'],
  ]),
  ...area('mounting', [
    ['equipment goes where it is planned, is held, aired and reached', 'mount-refused mount-crowded mount-unasked mount-unknown'],
  ]),
  ...area('the work', [
    ['settings, torques and drops are as calculated', '', 'measured at the boat: Commission'],
    ['it works', '', 'proves nothing: a system without its fuses works'],
  ]),
];

/** Rules that say only that a fact is missing. */
export const ASKING: ReadonlySet<string> = new Set([
  ...AUDIT.flatMap((l) => l.rules).filter((id) => /-(unknown|unrated|unread|unasked|unseen|unidentified)$/.test(id)),
  'sheet-unread',
  'unidentified',
  'undecided',
  'found-size',
  'no-place',
  'panel-no-place',
  'bank-no-place',
  'source-no-place',
  'ac-no-place',
  'device-no-place',
  'no-reason',
  'no-rating',
  'unsure',
  'bank-short',
]);

export type Standing = 'stop' | 'fix' | 'asks' | 'note' | 'accepted' | 'nothing found' | 'by eyes' | 'not aboard';

export interface Audited extends AuditLine {
  readonly standing: Standing;
  readonly open: readonly Finding[];
  readonly accepted: readonly Finding[];
}

const GRAVE: readonly Severity[] = ['stop', 'fix'];

/** Each line with how it stands: what is open against it, what was accepted, what asks, what nobody can say from here, what is not aboard. */
export function auditOf(design: Design, findings: readonly Finding[]): readonly Audited[] {
  const by = new Map<string, Finding[]>();
  for (const f of findings) by.set(f.rule, [...(by.get(f.rule) ?? []), f]);
  return AUDIT.map((line): Audited => {
    const all = line.rules.flatMap((id) => by.get(id) ?? []);
    const open = all.filter((f) => !f.accepted);
    const worst = GRAVE.find((s) => open.some((f) => f.severity === s && !ASKING.has(f.rule)));
    const standing: Standing =
      worst === 'stop' || worst === 'fix'
        ? worst
        : open.some((f) => ASKING.has(f.rule))
          ? 'asks'
          : open.length > 0
            ? 'note'
            : all.length > 0
              ? 'accepted'
              : line.of !== null && !ABOARD[line.of](design)
                ? 'not aboard'
                : line.rules.length === 0
                  ? 'by eyes'
                  : 'nothing found';
    return { ...line, standing, open, accepted: all.filter((f) => f.accepted) };
  });
}
