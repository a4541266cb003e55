/** What banks, sources, joins and the days aboard give cause to say. */
import { pulleyRatio } from '../charge/alternator';
import { settingsMatrix } from '../charge/settings';
import { arrayFigures } from '../charge/solar';
import { fitLines } from '../charge/swap';
import { BOUNDS } from '../design/bounds';
import type { Design, Living, Source } from '../design/schema';
import { bankRestV, bankSource } from '../network/bankSource';
import { bankFindings, joinFindings } from './bankFindings';
import type { AddAbout, Finding, Severity } from './findings';

export function chargingFindings(design: Design): Finding[] {
  const out: Finding[] = [];
  const add: AddAbout = (rule, severity, kind, id, title, why, todo) =>
    out.push({ id: `${rule}:${id}`, severity, about: { kind, id }, title, why, todo });
  for (const living of design.living) dayFindings(living, add);
  for (const cruise of design.cruises) {
    const days = cruise.repeat * cruise.legs.reduce((sum, l) => sum + l.days, 0);
    if (days > BOUNDS.cruiseDays)
      add(
        'cruise-long',
        'note',
        'cruise',
        cruise.id,
        `has ${days} days`,
        `The first ${BOUNDS.cruiseDays} are reckoned.`,
        'Shorten its legs or repeats.',
      );
    if (days === 0)
      add(
        'cruise-empty',
        'note',
        'cruise',
        cruise.id,
        'has no days',
        'There is nothing to reckon.',
        'Give its legs days in a way of living.',
      );
    if (cruise.legs.some((l) => !design.living.some((w) => w.id === l.livingId)))
      add(
        'cruise-gone',
        'fix',
        'cruise',
        cruise.id,
        'has days in a way of living that is gone',
        'They are left out.',
        'Choose another way of living for them.',
      );
  }
  for (const source of design.sources) sourceFindings(design, source, add);
  for (const join of design.joins) joinFindings(design, join, add);
  for (const row of settingsMatrix(design))
    for (const s of row.settings)
      if (s.verdict === 'stop' || s.verdict === 'fix')
        add(
          `set-${s.name.replaceAll(' ', '-')}`,
          s.verdict,
          'source',
          row.source.id,
          `${s.name}: ${s.now}, ${row.bank.name} wants ${s.wanted}`,
          'One source set wrong spoils the bank.',
          `${s.change}.`,
        );
  bankFindings(design, add);
  return out;
}

function dayFindings(living: Living, add: AddAbout): void {
  for (const span of living.day)
    if (span.toH <= span.fromH)
      add(
        `span-${span.id}`,
        'fix',
        'living',
        living.id,
        `${span.what} lasts no time, or ends before it begins`,
        'It counts for nothing.',
        'Set its end after its beginning; over midnight, enter two.',
      );
  for (const what of new Set(living.day.map((s) => s.what))) {
    const spans = living.day.filter((s) => s.what === what && s.toH > s.fromH).sort((a, b) => a.fromH - b.fromH);
    if (spans.some((s, i) => i > 0 && s.fromH < (spans[i - 1]?.toH ?? 0) - 1e-9))
      add(
        `overlap-${what}`,
        'note',
        'living',
        living.id,
        `${what} overlaps itself`,
        'Where two stretches overlap the larger counts.',
        'Draw them apart.',
      );
  }
}

function sourceFindings(design: Design, source: Source, add: AddAbout): void {
  const say = (rule: string, severity: Severity, title: string, why: string, todo: string) =>
    add(rule, severity, 'source', source.id, title, why, todo);
  const bank = design.banks.find((b) => b.id === source.bankId);
  if (!bank && source.joinId === null)
    say('no-sink', 'fix', 'charges no bank', 'It makes nothing.', 'Say under Charging which bank it charges.');
  if (bank) {
    const b = bankSource(bank);
    const { absorptionV, floatV } = source.regulator;
    const rest = bankRestV(b, 1);
    if (absorptionV <= rest)
      say(
        'low-setpoint',
        'stop',
        `absorption ${absorptionV} V is below the full bank's ${rest.toFixed(2)} V at rest`,
        'It never charges the bank.',
        `Set it to ${b.chargingV.toFixed(1)} V, or as the battery's maker says.`,
      );
    else if (source.regulator.staged && b.chemistry.leadAcid && floatV <= rest)
      say(
        'low-float',
        'fix',
        `float ${floatV} V is below the full bank's ${rest.toFixed(2)} V at rest`,
        'The bank runs down while it floats.',
        'Raise float as the battery’s maker says.',
      );
    if (bank.bms && source.kind === 'alternator' && !source.alternator?.suppressor)
      say(
        'dump-bms',
        'stop',
        'nothing catches it when the BMS opens',
        'Load dump: the alternator destroys its diodes and whatever hangs on it.',
        'A suppressor at the alternator itself, the regulator set below the BMS, and a BMS that warns first.',
      );
  }
  if (source.kind === 'DC–DC') {
    if (!design.banks.some((b) => b.id === source.fromBankId))
      say('no-input', 'fix', 'draws from no bank', 'It gives nothing.', 'Say which bank it draws from.');
    else if (source.fromBankId === source.bankId)
      say('own-input', 'fix', 'draws from the bank it charges', 'It gives nothing and warms itself.', 'Choose two different banks.');
    if (source.dcdc && source.dcdc.stopV >= source.dcdc.startV)
      say('dcdc-volts', 'fix', 'stops at higher volts than it starts at', 'It hunts on and off.', 'Set the stop below the start.');
  }
  const a = source.alternator;
  if (source.kind === 'alternator' && a) {
    if (a.curve.length < 3)
      say(
        'curve',
        a.curve.length === 0 ? 'fix' : 'note',
        `its curve has ${a.curve.length} point${a.curve.length === 1 ? '' : 's'}`,
        a.curve.length === 0 ? 'Nothing is known of what it gives.' : 'Between so few points the output is a guess.',
        'Enter at least three from its maker: rpm and amps.',
      );
    const top = design.engine.maxRpm * pulleyRatio(a);
    for (const line of fitLines(design, source))
      if (line.verdict === 'does not fit')
        say(
          `fit-${line.what.replaceAll(/[^a-z]+/g, '-')}`,
          line.what === 'petrol engine space' ? 'stop' : 'fix',
          `${line.what}: ${line.engine} on the engine, ${line.alternator} on the alternator`,
          line.what.startsWith('highest') ? `It would turn ${Math.round(top)} rpm.` : 'If it does not match, the job stops on the day.',
          'Choose another, or the parts that make it fit.',
        );
    const selector = design.joins.find((j) => j.id === source.joinId && j.kind === 'selector');
    if (selector && !selector.fieldDisconnect && !a.suppressor)
      say(
        'dump-selector',
        'fix',
        `${selector.name} can open its circuit with the engine running`,
        'Through OFF the alternator loses its load: diodes and electronics are destroyed.',
        'A field disconnect on the switch, a suppressor at the alternator, and the caution on the switch.',
      );
    if (a.excitation === 'external' && !source.regulator.staged)
      say(
        'external-fixed',
        'note',
        'externally regulated with one fixed voltage',
        'Its regulator could do stages.',
        'Enter its stages as programmed.',
      );
  }
  const { solar } = source;
  if (solar) {
    const f = arrayFigures(solar, (14 * design.boat.systemV) / 12);
    if (f.coldVocV >= solar.controllerV)
      say(
        'cold-volts',
        'stop',
        `${f.coldVocV.toFixed(1)} V on a morning of ${solar.coldC} °C, the controller takes ${solar.controllerV} V`,
        'It is destroyed at sunrise.',
        'Fewer in series, or a controller for more volts.',
      );
    if (f.stringFuseA !== null && solar.seriesFuseA === null)
      say(
        'string-fuse',
        'fix',
        `${solar.parallel} strings in parallel without a fuse each`,
        'The others feed a faulty one: fire.',
        `A fuse of ${Math.ceil(f.stringFuseA)} A or the panel maker's in each string.`,
      );
    if (f.vmpV <= bankMinV(design, source))
      say(
        'solar-volts',
        'fix',
        `works at ${f.vmpV.toFixed(1)} V, too little to charge`,
        'The controller needs some volts above the bank.',
        'More panels in series.',
      );
  }
  if (source.wind && !source.wind.brake)
    say(
      'brake',
      'fix',
      'has no brake',
      'It cannot be stopped in a gale, nor worked on.',
      'Fit a brake switch that shorts it only as its maker allows.',
    );
}

const bankMinV = (design: Design, source: Source): number => {
  const bank = design.banks.find((b) => b.id === source.bankId);
  return bank ? bankSource(bank).chargingV : design.boat.systemV;
};
