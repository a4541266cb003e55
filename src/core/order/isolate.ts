/** What is opened before hands go in, in order, and closed again the other way round (docs/methods.md, "Isolation of a task"). */
import { isolationSteps } from '../ac';
import { asDecided, type Circuit, type Design, rowOf, type Source } from '../design';
import { servingOf } from '../topology';

export interface Step {
  readonly id: string;
  readonly do: string;
  readonly why: string;
}

export interface Isolation {
  readonly steps: readonly Step[];
  /** The way back, the last opened first. */
  readonly back: readonly Step[];
  /** Feeds for which nothing is there to open. */
  readonly cannot: readonly { readonly id: string; readonly name: string; readonly why: string }[];
}

/** Banks that can feed a circuit: its own by way of the panels, and any that is joined to it or charges it. */
export function banksBehind(design: Design, circuits: readonly Circuit[]): ReadonlySet<string> {
  const { panels } = servingOf(design.circuits);
  const banks = new Set<string>();
  for (const first of circuits) {
    const seen = new Set<string>();
    for (let at: Circuit | undefined = first; at && !seen.has(at.id);) {
      seen.add(at.id);
      if (at.from.kind === 'bank') banks.add(at.from.id);
      at = at.from.kind === 'panel' ? panels.get(at.from.id) : undefined;
    }
  }
  for (const id of banks)
    for (const j of design.joins)
      for (const [one, other] of [
        [j.firstId, j.secondId],
        [j.secondId, j.firstId],
      ] as const)
        if (one === id && other !== null) banks.add(other);
  return banks;
}

/** A device that opens stands in a source's way to its bank. */
function opens(design: Design, source: Source): boolean {
  const row = servingOf(design.circuits).loads.get(source.loadId ?? '');
  if (row && (row.from.kind === 'panel' || row.devices.some((d) => OPENS.has(d.kind)))) return true;
  return design.leads.some(
    (l) =>
      [l.from, l.to].some((e) => e.kind === 'source' && e.id === source.id) &&
      l.rail === 'positive' &&
      (l.through.some((d) => OPENS.has(d.kind)) || l.fused),
  );
}
const OPENS: ReadonlySet<string> = new Set(['isolator', 'battery switch', 'switch', 'plug', 'lit switch']);

const step = (id: string, what: string, why: string): Step => ({ id, do: what, why });

/**
 * For work on these circuits and AC runs.
 * @param circuitIds of the design; of battery cables, links and machines: of the banks they hang on. Empty: everything aboard.
 */
export function isolationOf(whole: Design, circuitIds: readonly string[]): Isolation {
  const design = asDecided(whole);
  const asked = new Set(circuitIds);
  const own = design.circuits.filter((c) => circuitIds.length === 0 || asked.has(c.id));
  const hasAc = design.acSources.length > 0 && (circuitIds.length === 0 || design.acCircuits.some((c) => asked.has(c.id)));
  const heavy = design.leads.some((l) => asked.has(l.id)) || design.banks.some((b) => asked.has(b.id));
  const banks = circuitIds.length === 0 || heavy ? new Set(design.banks.map((b) => b.id)) : banksBehind(design, own);
  const charging = design.sources.filter((s) => banks.has(s.bankId ?? ''));
  const inverters = design.acSources.filter((s) => {
    const row = servingOf(design.circuits).loads.get(s.inverter?.loadId ?? '');
    return s.kind === 'inverter' && (row ? [...banksBehind(design, [row])].some((b) => banks.has(b)) : banks.size > 0);
  });
  const steps: Step[] = [
    step(
      'hands',
      'Rings, watch and chain off; gloves and eyes for battery posts. Tell everybody aboard.',
      'Burns, and somebody who switches on.',
    ),
  ];
  const cannot: Isolation['cannot'][number][] = [];

  for (const s of charging.filter((x) => x.kind === 'solar')) {
    if (!opens(design, s))
      cannot.push({
        id: s.id,
        name: s.name,
        why: 'nothing between it and its bank opens: panels covered with what no light passes, their plugs parted',
      });
    steps.push(
      step(
        `array ${s.id}`,
        `${s.name}: array apart first, its disconnect open or the panels covered and their plugs parted; then its battery side.`,
        'A controller without its battery passes the whole volts of the array.',
      ),
    );
  }
  for (const s of charging.filter((x) => x.kind === 'wind'))
    steps.push(
      step(
        `wind ${s.id}`,
        `${s.name}: braked and tied, its brake switch tagged.`,
        'It makes current whenever it turns, and overspeeds unloaded.',
      ),
    );
  for (const s of charging.filter((x) => x.kind === 'alternator'))
    steps.push(
      step(`engine ${s.id}`, `Engine of ${s.name}: stopped, its key in your pocket.`, 'Opening its cable while it turns destroys it.'),
    );
  const ac = charging.some((x) => x.kind === 'shore charger') || hasAc || inverters.length > 0 ? isolationSteps(design) : [];
  // Of the AC side all but what has been said already, and its proof where AC is worked on.
  steps.push(
    ...ac
      .filter((x) => x.id !== 'hands' && x.id !== 'back' && (hasAc || x.id !== 'prove'))
      .map((x) => (x.id === 'prove' ? { ...x, id: 'prove-ac' } : x)),
  );
  for (const s of charging.filter((x) => x.kind === 'shore charger' || x.kind === 'portable'))
    steps.push(
      step(
        `charger ${s.id}`,
        `${s.name}: off at its own switch or breaker, unplugged.`,
        'It feeds the battery cables while you work on them.',
      ),
    );
  for (const s of charging.filter((x) => x.kind === 'DC–DC')) {
    const from = rowOf(design.banks, s.fromBankId);
    steps.push(
      step(
        `converter ${s.id}`,
        `${s.name}: fuse${from ? ` at ${from.name}` : ''} out, kept in your pocket.`,
        'The other battery feeds through it.',
      ),
    );
  }
  for (const j of design.joins.filter((x) => banks.has(x.firstId ?? '') || banks.has(x.secondId ?? '')))
    steps.push(
      j.kind === 'selector'
        ? step(`tie ${j.id}`, `${j.name}: at off, tagged.`, 'The other battery feeds through it.')
        : step(
            `tie ${j.id}`,
            `${j.name}: its fuses out on both sides, or one of its leads off and capped.`,
            'It closes by itself when the other battery is charged.',
          ),
    );
  if (
    design.joins.some((x) => x.kind === 'splitter' && (banks.has(x.firstId ?? '') || banks.has(x.secondId ?? ''))) &&
    charging.length === 0
  )
    cannot.push({ id: 'splitter', name: 'splitter', why: 'what charges through it is not in the design' });
  for (const id of banks) {
    const b = rowOf(design.banks, id);
    if (!b) continue;
    steps.push(
      step(`switch ${id}`, `${b.name}: its switch open, everything on it off.`, 'Nothing is drawn when the post is opened: no spark.'),
      step(
        `negative ${id}`,
        `${b.name}: negative off first, at the post, turned away and capped.`,
        'A spanner from positive to earth makes no short once the negative is off.',
      ),
      ...(heavy || circuitIds.length === 0
        ? [step(`positive ${id}`, `${b.name}: positive off, capped.`, 'Its cable is to be worked on.')]
        : []),
      ...(b.strings > 1 && (heavy || circuitIds.length === 0)
        ? [
            step(
              `strings ${id}`,
              `${b.name}: links of its ${b.strings} strings parted, each post capped.`,
              'Batteries in parallel feed each other.',
            ),
          ]
        : []),
    );
  }
  steps.push(
    step(
      'prove',
      'Meter proved on a live battery, then each conductor against negative, hull and AC earth: dead, then the meter proved again.',
      'A meter that is broken shows dead too.',
    ),
    step('tag', 'Tags with name and date on everything that was opened.', 'Nobody closes what they find open.'),
  );
  return {
    steps,
    back: wayBack(
      design,
      steps,
      banks,
      inverters.map((s) => s.name),
    ),
    cannot,
  };
}

/** Opened last, closed first; the negative last of a battery, and capacitors filled through a resistor before a large disconnect. */
function wayBack(design: Design, steps: readonly Step[], banks: ReadonlySet<string>, inverters: readonly string[]): Step[] {
  const said = (s: Step): Step | null => {
    const [kind = '', id = ''] = s.id.split(' ');
    const name = rowOf(design.banks, id)?.name ?? '';
    switch (kind) {
      case 'hands':
      case 'prove':
      case 'tag':
      case 'capacitors':
        return null;
      case 'negative':
        return step(s.id, `${name}: negative on, torqued, last of all at this battery.`, 'Everything else is landed and covered by now.');
      case 'positive':
        return step(s.id, `${name}: positive on, torqued, its cover on.`, 'With the negative off no spanner makes a short.');
      case 'strings':
        return step(
          s.id,
          `${name}: strings within 0.1 V of each other, then their links on.`,
          'Unlike batteries drive a large current into each other.',
        );
      case 'switch':
        return step(s.id, `${name}: switch closed, circuits on one by one.`, 'What is wrong shows at the circuit it is wrong in.');
      case 'array':
        return step(
          s.id,
          `${s.do.split(':')[0] ?? ''}: battery side closed first, then the array.`,
          'A controller starts from its battery.',
        );
      case 'prove-ac':
      case 'off':
        return null;
      case 'lead':
        return step(
          s.id,
          `${s.do.split(':')[0] ?? ''}: covers on, polarity and earth tested, leakage trip pressed; lead into the inlet, then the pedestal; its breaker, then the one aboard.`,
          'What was off for safety is on for somebody else.',
        );
      default:
        return step(s.id, `${s.do.split(':')[0] ?? ''}: back, tag off.`, 'In the opposite order.');
    }
  };
  const back = [...steps].reverse().flatMap((s) => said(s) ?? []);
  // At each battery: strings, positive, negative, switch; then what charges it.
  const rank = ['strings', 'positive', 'negative', 'switch'];
  const ofBanks = back.filter((s) => rank.includes(s.id.split(' ')[0] ?? ''));
  const others = back.filter((s) => !ofBanks.includes(s));
  const ordered = [...banks].flatMap((id) => rank.flatMap((kind) => ofBanks.filter((s) => s.id === `${kind} ${id}`)));
  return [
    step(
      'look',
      'Every end landed, torqued and covered; no tool, no offcut, no strand left. Ohms from positive to negative: not a short.',
      'The first closing is the dangerous one.',
    ),
    ...ordered.filter((s) => !s.id.startsWith('switch')),
    ...inverters.map((name) =>
      step(
        `precharge ${name}`,
        `${name}: capacitors filled through a resistor, then its DC disconnect closed.`,
        'They draw thousands of amps for a moment and burn the contact.',
      ),
    ),
    ...ordered.filter((s) => s.id.startsWith('switch')),
    ...others,
  ];
}
