/** Sections of a circuit's working: current, length, conductor, drop, surge, protection, fault. */
import { type CircuitTrial, type CircuitResult, makerAreaMm2 } from '../circuit';
import { AWG_SOURCE, CHEMISTRY_SOURCE, DERATING_SOURCE, deviceOhm, METRIC_SOURCE, SEGMENT_JOINTS_OHM, findConductor } from '../rules';
import { isCharging } from '../demand';
import { COPPER_PER_C, thumbCmilMm2, thumbMetricMm2 } from '../conductor';
import { choiceName, type Kind, type Mark, round3, show, sizeName, type Units, unitOf } from '../quantity';
import type { WorkingLine, WorkingSection } from './types';

interface Extra {
  readonly formula?: string;
  readonly mark?: Mark | undefined;
  readonly source?: string;
  readonly breaks?: boolean;
}

/** A line maker bound to the vessel's units. */
const writer =
  (units: Units) =>
  (label: string, value: number, kind: Kind, extra: Extra = {}): WorkingLine => {
    const { mark, ...rest } = extra;
    return { label, value, kind, text: show(value, kind, units), ...rest, ...(mark ? { mark } : {}) };
  };

const n = round3;

export function benchSections(b: CircuitTrial, result: CircuitResult, units: Units): WorkingSection[] {
  return [
    currentSection(b, units),
    lengthSection(b, units),
    conductorSection(b, result, units),
    dropSection(b, result, units),
    surgeSection(b, result, units),
    protectionSection(b, units),
    faultSection(b, result, units),
  ].filter((s) => s.lines.length > 0);
}

function currentSection(b: CircuitTrial, units: Units): WorkingSection {
  const line = writer(units);
  const { input } = b;
  const { lowV, chargingV } = input.volts;
  const lines = input.taps.flatMap((tap): WorkingLine[] => {
    const { load, current } = tap;
    if (!load || !current) return [];
    const each = `${load.quantity > 1 ? `${load.quantity} × ` : ''}${n(load.rating)} ${load.ratingBy}`;
    const how =
      load.behaviour === 'power'
        ? `${n(current.nominalW)} W ÷ ${n(lowV)} V, lowest bank volts`
        : load.behaviour === 'resistance'
          ? `${n(current.nominalA)} A × ${n(chargingV)} ÷ ${n(load.nominalV)} V, while charging`
          : `${each} at ${n(load.nominalV)} V, as given`;
    return [
      line(tap.name, current.workingA, 'A', {
        formula: how,
        mark: load.mark,
        source: isCharging(load)
          ? 'a source: its largest output'
          : load.behaviour === 'current'
            ? 'motor, current as given'
            : `${each}, ${load.behaviour}`,
      }),
    ];
  });
  const { demand } = input;
  if (demand) {
    lines.push(
      input.school === 'awg'
        ? line('feeder demand', demand.loadsA, 'A', {
            formula: `${n(demand.togetherA)} + max(10 % × ${n(demand.otherA)}, ${n(demand.largestOtherA)})`,
            source: 'awg school: together + the larger of 10 % of the rest and its largest',
          })
        : line('feeder demand', demand.loadsA, 'A', {
            formula: `max(${n(demand.everythingA)} × ${n(input.house.diversity)}, largest item)`,
            source: 'metric school: sum × diversity, house rule',
          }),
      line('sum of everything', demand.everythingA, 'A'),
      ...(demand.chargingA > 0
        ? [
            line('charging through it, the other way', demand.chargingA, 'A', {
              formula: `the feeder carries the larger of ${n(demand.loadsA)} and ${n(demand.chargingA)} A`,
            }),
          ]
        : []),
    );
  } else if (input.taps.length > 1)
    lines.push(line('working current of the circuit', input.workingA, 'A', { formula: input.taps.map((t) => n(t.ownA)).join(' + ') }));
  return { title: 'Current', lines };
}

function lengthSection(b: CircuitTrial, units: Units): WorkingSection {
  const line = writer(units);
  const { input } = b;
  const asFound = input.circuit.found?.lengthM ?? null;
  const lines = input.taps.map((tap) =>
    line(`run to ${tap.name}`, tap.lengthM, 'm', {
      mark: tap.tap.tapedM === null && asFound === null ? 'estimated' : 'measured',
      source:
        tap.tap.tapedM === null && asFound !== null
          ? `its share of the ${show(asFound, 'm', units)} found aboard; the estimate was ${show(tap.estimatedM, 'm', units)}`
          : tap.tap.tapedM === null
            ? 'fore-and-aft + athwart + up-and-down + slack at both ends'
            : `taped; the estimate was ${show(tap.estimatedM, 'm', units)}`,
    }),
  );
  lines.push(line('out and back', 2 * input.lengthM, 'm', { formula: `2 × ${show(input.lengthM, 'm', units)}` }));
  return { title: 'Length', lines };
}

function conductorSection(b: CircuitTrial, result: CircuitResult, units: Units): WorkingSection {
  const line = writer(units);
  const { input } = b;
  const { ladder, state } = result.own;
  const { derating } = state.heat;
  const celsius = unitOf('C', units);
  const { conductor } = state;
  const source = ladder.school === 'awg' ? AWG_SOURCE : METRIC_SOURCE;
  const place = input.places[state.heat.placeIndex]?.name ?? 'no place given';
  const column = conductor.ampacityA[derating.ratingC] ?? 0;
  const lines = [
    line(`ampacity of ${choiceName(ladder.chosen)} at ${derating.ratingC} °C`, state.heat.izA, 'A', {
      formula: `${ladder.chosen.legs > 1 ? `${ladder.chosen.legs} × ` : ''}${n(column)} × ${n(derating.fAmbient)} × ${n(derating.fBundle)} × ${n(derating.fEnclosure)}`,
      source: `${source.ampacity}. Heat, bundle, enclosure: ${DERATING_SOURCE}. Ruled by ${place}, ${show(derating.ambientC, 'C', units)}`,
      breaks: state.heat.izA < state.heat.dutyA,
    }),
  ];
  if (input.circuit.together)
    lines.push(
      line(
        'size chosen together with other shared parts',
        findConductor(input.circuit.together.school, input.circuit.together.size)?.areaMm2 ?? 0,
        'mm2',
        {
          formula: sizeName(input.circuit.together.school, input.circuit.together.size),
          source: 'least copper with which every whole path behind it holds; chosen anew by “size shared parts”',
        },
      ),
    );
  if (input.duty)
    lines.push(
      line('as heat, the duty equals', state.heat.dutyA, 'A', {
        formula: `${input.duty.onS} s on, ${input.duty.restS} s rest, ${input.duty.repeats} times; time constant ${n(state.heat.tauS)} s`,
        mark: 'assumed',
        source: `continuous it would be ${show(b.designA, 'A', units)}`,
      }),
    );
  lines.push(
    line('conductor temperature', state.heat.tempC, 'C', {
      formula: `${n(celsius.to(derating.ambientC))} + (${n(celsius.to(derating.ratingC))} − ${n(celsius.to(derating.ambientC))}) × (${n(state.heat.dutyA)} ÷ ${n(state.heat.izA)})², in ${celsius.name}`,
    }),
  );
  const maker = makerAreaMm2(input);
  if (maker)
    lines.push(
      line(`the maker of ${maker.tapName} asks for`, maker.areaMm2, 'mm2', {
        formula: `${sizeName(maker.rule.school, maker.rule.size)}${maker.rule.upToM === null ? '' : ` up to ${show(maker.rule.upToM, 'm', units)}`}`,
        mark: maker.beyond ? 'estimated' : "maker's",
        source: maker.beyond
          ? 'maker silent at this length; equal drop, worked out by us'
          : 'compared by copper area: sizes of the two schools are no equivalents',
        breaks: state.areaMm2 < maker.areaMm2 - 1e-9,
      }),
    );
  return { title: 'Conductor', lines };
}

/** " (worst: at anchor, by night; everything for safety on)". */
function hourText({ atHour, hours }: CircuitTrial['input']): string {
  if (!atHour) return '';
  const name = hours[atHour.hour]?.name ?? '';
  const said = [...(name ? [`worst: ${name}`] : []), ...(atHour.safetyOn ? ['everything for safety on'] : [])];
  return said.length > 0 ? ` (${said.join('; ')})` : '';
}

function dropSection(b: CircuitTrial, result: CircuitResult, units: Units): WorkingSection {
  const line = writer(units);
  const { input } = b;
  const { state, ladder } = result.own;
  const { worst } = state.drop;
  const { conductor } = state;
  if (!worst) return { title: 'Drop at working current', lines: [] };
  const tap = input.taps[worst.tapIndex];
  const lines: WorkingLine[] = [
    line('copper out and back, hot', worst.segmentOhm - SEGMENT_JOINTS_OHM, 'ohm', {
      formula: `2 × ${show(tap?.lengthM ?? 0, 'm', units)} × ${show(conductor.r20OhmPerKm, 'ohmPerKm', units)} × (1 + ${COPPER_PER_C} × (T − 20))${input.copperFactor > 1 ? ` × ${input.copperFactor} worst-case copper` : ''}${ladder.chosen.legs > 1 ? ` ÷ ${ladder.chosen.legs} legs` : ''}`,
      source:
        (ladder.school === 'awg' ? AWG_SOURCE : METRIC_SOURCE).resistance +
        (input.taps.length > 1 ? `; last segment, to ${tap?.name ?? ''}` : ''),
    }),
    line('its joints', SEGMENT_JOINTS_OHM, 'ohm', { formula: '4 × 0.03 mΩ', mark: 'typical' }),
    line(`${b.protection.familyName} and devices in line`, b.headOhm, 'ohm', {
      mark: 'typical',
      source: input.circuit.devices.map((d) => `${d.kind} ${n(deviceOhm(d) * 1000)} mΩ`).join(', ') || 'protection only',
    }),
  ];
  const segments =
    input.taps.length > 1 ? state.drop.taps.map((t) => `${input.taps[t.tapIndex]?.name ?? ''} ${n(t.loadV)} V`).join(', ') : '';
  if (!tap?.panel)
    lines.push(
      line('lost before this way', input.upstreamDropV, 'V', {
        source: `from the bank posts; in shared parts the other loads at what usually flows${hourText(input)}: 95 times of 100 no more, by their hours or what is typical of their kind; this load in full`,
      }),
    );
  const powered = input.taps.some((t) => t.powerW > 0);
  lines.push(
    line(`lost on the ${tap?.panel ? 'feeder' : 'whole path'} to ${tap?.name ?? ''}`, worst.dropV, 'V', {
      formula: `${n(input.volts.lowV - (tap?.panel ? input.upstreamDropV : 0))} V − ${n(worst.loadV)} V${powered ? '; constant power solved: V = (Vs + √(Vs² − 4PR)) ÷ 2, upper root' : ''}`,
      ...(segments ? { source: segments } : {}),
    }),
    ...(tap?.panel ? [] : [line('of that in its own devices', state.drop.headV, 'V'), line('of that in its own run', worst.runV, 'V')]),
    line('own run, of nominal', worst.runPct, 'pct', {
      formula: tap?.panel
        ? `limit ${n(worst.allowedPct)} %`
        : `limit ${n(tap?.dropPct ?? 0)} %, and of the path's ${n(worst.limitPct)} % what the rest leaves, at least half: ${n(worst.allowedPct)} %`,
      breaks: worst.runPct > worst.allowedPct + 1e-9,
    }),
    line('of nominal', worst.pct, 'pct', {
      formula: `${n(worst.dropV)} ÷ ${input.systemV} V, limit ${n(worst.limitPct)} %`,
      breaks: tap?.panel ? worst.runPct > worst.allowedPct + 1e-9 : !state.drop.wholePasses,
    }),
  );
  const { legOpen } = state;
  if (legOpen)
    lines.push(
      line('with one leg open', legOpen.pct, 'pct', {
        formula: `the other ${ladder.chosen.legs - 1} at ${n(legOpen.legA)} A, good for ${n(legOpen.legIzA)} A each`,
        breaks: !legOpen.passes,
      }),
    );
  if (input.workingA > 0) {
    const loopM = 2 * input.lengthM;
    const lostV = (input.systemV * worst.allowedPct) / 100;
    const thumb = ladder.school === 'awg' ? thumbCmilMm2(input.workingA, loopM, lostV) : thumbMetricMm2(input.workingA, loopM, lostV);
    lines.push(
      line('rule of thumb would ask for', thumb, 'mm2', {
        formula: ladder.school === 'awg' ? 'CM = 10.75 I L ÷ E, in feet' : 'S = 0.0164 I L ÷ E; copper at 8 °C, optimistic',
        source: 'for comparison only, never used to choose',
      }),
    );
  }
  return { title: 'Drop at working current', lines };
}

function surgeSection(b: CircuitTrial, result: CircuitResult, units: Units): WorkingSection {
  const line = writer(units);
  const { surge } = result.own.state;
  if (!surge) return { title: 'Start surge', lines: [] };
  const start = b.input.surges[surge.surgeIndex];
  if (!start) return { title: 'Start surge', lines: [] };
  const { upstream, house } = b.input;
  return {
    title: `As ${start.name} starts`,
    lines: [
      line('circuit current', start.circuitA, 'A', {
        formula: `${n(start.circuitA - start.addsA)} + ${n(start.addsA)} for ${n(start.seconds)} s`,
      }),
      line('bank posts, sagged', surge.sagV, 'V', {
        formula: `rest volts at ${n(house.studySoc * 100)} % − (${n(upstream.bankDemandA)} + ${n(start.addsA)}) A × ${n((upstream.bank?.ohm ?? 0) * 1000)} mΩ`,
        mark: 'typical',
        source: CHEMISTRY_SOURCE,
      }),
      line('lost before this way', surge.upstreamV, 'V'),
      line('lost in the run', surge.ownV, 'V'),
      line(`at ${start.name}`, surge.loadV, 'V', {
        formula: `${n(surge.sagV)} − ${n(surge.upstreamV)} − ${n(surge.ownV)}; asks for ${n(surge.minV)} V`,
        breaks: !surge.wholePasses,
      }),
    ],
  };
}

function protectionSection(b: CircuitTrial, units: Units): WorkingSection {
  const line = writer(units);
  const { protection: p, family } = b;
  return {
    title: 'Protection',
    lines: [
      ...p.lower.map((bound) => line('at least', bound.amps, 'A', { formula: bound.by })),
      ...(p.upper ? [line('at most', p.upper.amps, 'A', { formula: p.upper.by, mark: "maker's" as const })] : []),
      ...(p.legs > 1
        ? [line('devices', p.count, 'none', { formula: `${p.legs} legs, one at both ends of each: a fault in one leg is fed from both` })]
        : []),
      line(`${p.familyName}${p.pinnedRating ? ', pinned' : ', next rating that carries load and surge'}`, p.ratingA, 'A', {
        source: `${family.source}; typical figures, the part's own sheet rules`,
        breaks: p.conflict !== null,
      }),
      line('interrupts', p.interruptsA, 'A', {
        formula: `at ${n(p.restV)} V at rest; a short here is ${n(p.faultA)} A${p.floorA > 0 ? `; the bank's cranking amps ask for ${n(p.floorA)} A` : ''}`,
        breaks: p.interruptsA < Math.max(p.faultA, p.floorA),
      }),
      ...p.refused.map((r) => ({ label: `refused: ${r.family}`, value: 0, kind: 'none' as const, text: '', source: r.reason })),
    ],
  };
}

function faultSection(b: CircuitTrial, result: CircuitResult, units: Units): WorkingSection {
  const line = writer(units);
  const { fault } = result.own.state;
  const { bank } = b.input.upstream;
  if (!fault || !bank) return { title: 'Dead short', lines: [] };
  const opens = (s: number) => (Number.isFinite(s) ? s : Infinity);
  return {
    title: 'Dead short',
    lines: [
      line('largest, at the way', fault.sendingA, 'A', {
        formula: `${n(bank.fullV)} V ÷ (${n((bank.fullV / bank.postsFaultA) * 1000)} + ${n(b.input.upstream.coldOhm * 1000)} mΩ)`,
        mark: bank.faultIsMakers ? "maker's" : 'typical',
        source: `${bank.faultIsMakers ? "the battery maker's short-circuit current" : `0.6 × typical bank resistance, copper at ${show(20, 'C', units)}, joints and devices left out`}${bank.postsFaultBy ? `; with ${bank.postsFaultBy}` : ''}`,
      }),
      line('smallest, at the far end', fault.farA, 'A', {
        formula: `${n(bank.smallestV)} V ÷ ${n((bank.smallestV / fault.farA) * 1000)} mΩ`,
        mark: 'typical',
        source: 'one string, half charged, 2 × typical resistance, copper at its rating',
      }),
      line('opens there, at the slowest', opens(fault.farClearsS), 's', {
        formula: `${n(fault.farA / b.protection.ratingA)} × rating; slower than 5 s is said, and what harms the conductor is not let stand`,
        breaks: fault.farClearsS > 60,
      }),
      line('conductor bears it', fault.farBearsS, 's', {
        formula: Number.isFinite(fault.farBearsS)
          ? `(${n(fault.k)} × ${n(result.own.state.areaMm2 / result.own.ladder.chosen.legs)} mm²)² ÷ ${n(fault.farA)}² in the first 5 s, then as it warms; half of it is used`
          : 'warm for ever it stays below what its insulation withstands',
        breaks: !fault.passes,
      }),
      line('at the way it opens in', opens(fault.sendingClearsS), 's', {
        formula: `conductor bears ${show(fault.sendingBearsS, 's', units)}`,
      }),
    ],
  };
}
