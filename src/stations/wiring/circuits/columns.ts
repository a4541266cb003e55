/** The circuit sheet's columns: the application's choice in ink, what a person pinned in copper, what breaks a limit in red lead. */
import type { CircuitResult } from '@/core';
import { type Circuit, type Design, parseSize } from '@/core/design';
import { findConductor } from '@/core/rules';
import { bare, choiceName, parseChoice, parseNumber, parseOptional, round3, show, sizeName, unitOf } from '@/core/quantity';
import type { Column } from '@/ui/sheet';
import { CRITERION_WORDS } from './words';

export interface CircuitRow extends Circuit {
  readonly result: CircuitResult | undefined;
  readonly fromName: string;
  /** The ring of panels it would close, fed from there, in words; null: none. */
  readonly ringFrom: (from: Circuit['from']) => string | null;
}

export function circuitColumns(design: Pick<Design, 'boat' | 'banks' | 'panels'>): Column<CircuitRow>[] {
  const units = design.boat;
  const sources = [
    ...design.banks.map((b) => ({ kind: 'bank' as const, id: b.id, name: b.name })),
    ...design.panels.map((p) => ({ kind: 'panel' as const, id: p.id, name: p.name })),
  ];
  const { name: length } = unitOf('m', units);
  return [
    {
      key: 'no',
      title: 'no',
      width: 34,
      mono: true,
      text: (r) => r.no,
      sort: (r) => r.no,
      write: (_, text) =>
        text.trim().length <= 12 ? { ok: true, value: { no: text.trim() } } : { ok: false, message: 'at most 12 letters' },
    },
    {
      key: 'name',
      title: 'circuit',
      width: 150,
      text: (r) => r.name,
      show: (r) => (r.taps.length > 1 ? `${r.name} (${r.taps.length})` : r.name),
      write: (_, text) =>
        text.trim() === '' ? { ok: false, message: 'a name is needed' } : { ok: true, value: { name: text.trim().slice(0, 120) } },
    },
    {
      key: 'from',
      title: 'from',
      width: 110,
      options: (r) => sources.filter((s) => s.kind === 'bank' || !r.ringFrom({ kind: s.kind, id: s.id })).map((s) => s.name),
      text: (r) => r.fromName,
      tone: () => 'quiet',
      write: (r, text) => {
        const chosen = parseChoice(
          text,
          sources.map((s) => s.name),
        );
        if (!chosen.ok) return chosen;
        const source = sources.find((s) => s.name === chosen.value);
        if (!source) return { ok: false, message: 'no such source' };
        const from = { kind: source.kind, id: source.id };
        const ring = r.ringFrom(from);
        return ring ? { ok: false, message: `it would feed itself: ${ring}` } : { ok: true, value: { from } };
      },
    },
    {
      key: 'length',
      title: 'run',
      unit: length,
      hint: 'One way. Typing a length here is a taped one; empty goes back to the estimate. Circuits with several taps are taped below, tap by tap.',
      width: 50,
      align: 'right',
      mono: true,
      text: (r) => (r.taps.length === 1 ? bare(r.taps[0]?.tapedM ?? null, 'm', units) : ''),
      show: (r) => (r.result ? show(r.result.lengthM, 'm', units).replace(/ .*/, '') : '–'),
      tone: (r) => (r.result?.taps.every((t) => t.taped) ? 'measured' : 'estimated'),
      sort: (r) => r.result?.lengthM ?? 0,
      write: (r, text) => {
        if (r.taps.length !== 1) return { ok: false, message: 'several taps: type each length in the list below' };
        const parsed = parseOptional(text, 'm', units, 0.05, 120);
        return parsed.ok ? { ok: true, value: { taps: r.taps.map((t) => ({ ...t, tapedM: parsed.value })) } } : parsed;
      },
    },
    {
      key: 'amps',
      title: 'A',
      hint: 'Working current; feeders: demand',
      width: 60,
      align: 'right',
      mono: true,
      text: (r) => (r.result ? round3(r.result.workingA) : '–'),
      sort: (r) => r.result?.workingA ?? 0,
    },
    {
      key: 'surge',
      title: 'surge',
      hint: 'Largest current while something starts',
      width: 46,
      align: 'right',
      mono: true,
      text: (r) => (r.result?.surgeA != null ? round3(r.result.surgeA) : '–'),
      sort: (r) => r.result?.surgeA ?? 0,
    },
    {
      key: 'cable',
      title: 'cable',
      hint: 'The choice; type a size to pin it, 2x50 for parallel legs, empty to unpin',
      width: 82,
      mono: true,
      text: (r) => (r.pin.size ? `${r.pin.legs > 1 ? `${r.pin.legs}x` : ''}${sizeName(r.pin.size.school, r.pin.size.size)}` : ''),
      show: (r) => (r.result ? choiceName(r.result.own.ladder.chosen) : '–'),
      tone: (r) => (r.result?.own.ladder.pinned || r.result?.own.ladder.kept ? 'pinned' : undefined),
      sort: (r) => r.result?.own.state.areaMm2 ?? 0,
      write: (r, text) => {
        if (text.trim() === '') return { ok: true, value: { pin: { ...r.pin, size: null, legs: 1, ownDevices: false } } };
        const [, legs, rest] = /^(?:([1-4]) ?[x×] ?)?(.*)$/i.exec(text.trim()) ?? [];
        const parsed = parseSize(rest ?? '', units);
        if (!parsed.ok) return parsed;
        const count = Number(legs ?? 1);
        const area = findConductor(parsed.value.school, parsed.value.size)?.areaMm2 ?? 0;
        if (count > 1 && area < 50) return { ok: false, message: 'only 1/0 or 50 mm² and heavier may run in parallel' };
        return { ok: true, value: { pin: { ...r.pin, size: parsed.value, legs: count } } };
      },
    },
    {
      key: 'fuse',
      title: 'protection',
      hint: 'Type a rating to pin it, empty to unpin',
      width: 132,
      text: (r) => (r.pin.ratingA === null ? '' : bare(r.pin.ratingA, 'A', units)),
      show: (r) =>
        !r.result
          ? '–'
          : r.result.own.protection.missing && r.found === null
            ? 'none: a starter'
            : `${round3(r.result.own.protection.ratingA)} A ${r.result.own.protection.familyName.replace(/ fuse$/, '')}`,
      tone: (r) => (r.result?.own.protection.conflict ? 'breaks' : r.pin.ratingA !== null ? 'pinned' : undefined),
      sort: (r) => r.result?.own.protection.ratingA ?? 0,
      write: (r, text) => {
        const parsed = parseOptional(text, 'A', units, 0.5, 1000);
        return parsed.ok ? { ok: true, value: { pin: { ...r.pin, ratingA: parsed.value } } } : parsed;
      },
    },
    {
      key: 'drop',
      title: 'drop',
      unit: '%',
      hint: 'Of nominal volts, bank posts to the worst load and back; a feeder counts its own part',
      width: 50,
      align: 'right',
      mono: true,
      text: (r) => (r.result?.own.state.drop.worst ? round3(r.result.own.state.drop.worst.pct) : '–'),
      tone: (r) => (r.result?.own.state.drop.passes === false ? 'breaks' : undefined),
      sort: (r) => r.result?.own.state.drop.worst?.pct ?? 0,
    },
    {
      key: 'governs',
      title: 'governed by',
      width: 98,
      text: (r) =>
        r.result
          ? r.result.own.state.failing[0]
            ? `✗ ${CRITERION_WORDS[r.result.own.state.failing[0]].short}`
            : r.result.own.ladder.together
              ? 'chosen together'
              : CRITERION_WORDS[r.result.own.ladder.governs].short
          : '–',
      tone: (r) => ((r.result?.own.state.failing.length ?? 0) > 0 ? 'breaks' : 'quiet'),
    },
    {
      key: 'way',
      title: 'way',
      hint: 'Its place in the panel; empty: the first that is free',
      width: 42,
      align: 'right',
      mono: true,
      text: (r) => (r.way === null ? '' : String(r.way)),
      show: (r) => (r.way === null ? '·' : String(r.way)),
      sort: (r) => r.way ?? 0,
      write: (_, text) => {
        const parsed = parseOptional(text, 'none', units, 1, 60);
        return parsed.ok ? { ok: true, value: { way: parsed.value === null ? null : Math.round(parsed.value) } } : parsed;
      },
    },
    {
      key: 'bundled',
      title: 'bundle',
      hint: 'Loaded conductors lying together, this pair included',
      width: 54,
      align: 'right',
      mono: true,
      text: (r) => String(r.bundled),
      sort: (r) => r.bundled,
      write: (_, text) => {
        const parsed = parseNumber(text, 'none', units, 2, 200);
        return parsed.ok ? { ok: true, value: { bundled: Math.round(parsed.value) } } : parsed;
      },
    },
  ];
}
