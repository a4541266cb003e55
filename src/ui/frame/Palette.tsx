'use client';
import { Command } from 'cmdk';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useAsked, useBoat, useFreshId, useSelected, useStore } from '@/ui/boat/context';
import type { ScratchResult } from '@/core/scratch';
import { ScratchCard } from '@/ui/scratch/ScratchCard';
import type { Station } from './station';
import { useFound } from './useFound';

type Row = { readonly id: string; readonly name: string };
type Aboard = readonly [heading: string, station: string, rows: readonly Row[], kind: 'lead' | 'AC source' | null];

/** Saves what an address answers, as a link would. */
function saveFile(href: string): void {
  const link = document.createElement('a');
  link.href = href;
  link.download = '';
  link.click();
}

/** Find anything aboard, or do anything, by typing a bit of its name. */
export default function Palette({
  boatId,
  stations,
  first = '',
  onClose,
  onShortcuts,
  onNight,
}: {
  boatId: string;
  stations: readonly Station[];
  /** What stands in it when it opens. */
  first?: string;
  onClose: () => void;
  onShortcuts: () => void;
  onNight: () => void;
}) {
  const { design, undo, redo } = useBoat((s) => ({ design: s.design, undo: s.undo, redo: s.redo }));
  const store = useStore();
  const freshId = useFreshId();
  const [, select] = useSelected();
  const router = useRouter();
  const [typed, setTyped] = useState(first);
  const found = useFound(typed);
  const line = /\d\s*(?:k?w|m?a|watts?|amps?)\b/i.test(typed) ? typed.trim() : null;
  const answer = useAsked<ScratchResult>(line && `scratch:${line}`, (r) => r.scratch(line ?? '') as Promise<ScratchResult | null>);
  const attach = async () => {
    if (!answer?.ok) return;
    const { attachOps } = await import('@/core/scratch');
    const { ops, circuitId } = attachOps(
      store.snapshot().design,
      answer.answer.load,
      { lengthM: answer.answer.lengthM, placeId: answer.answer.reading.placeId },
      freshId,
    );
    store.edit(`attach ${answer.answer.load.name}`, ops);
    if (circuitId) select({ kind: 'circuit', id: circuitId });
    else store.say('said', 'On the load list; it gets a circuit once there is a bank.');
    go(circuitId ? 'wiring' : 'loads');
  };
  const keepLine = async () => {
    const item = { id: `s${crypto.randomUUID().slice(0, 12)}`, name: line, school: design.boat.ruleSet };
    const put = await fetch('/api/shelf/line', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ item, seen: null }),
    }).catch(() => null);
    if (put?.ok) store.say('said', `Kept with the scratch lines, beside the boats: ${line ?? ''}`);
    else store.say('refused', 'The line was not kept: the server does not answer.');
  };
  const run = (act: () => void) => () => {
    onClose();
    act();
  };
  const aboard: readonly Aboard[] = [
    ['Banks', 'bank', design.banks, null],
    ['Sources', 'charging', design.sources, null],
    ['Panels', 'wiring', design.panels, null],
    ['Battery cables', 'wiring', design.leads, 'lead'],
    ['AC sources', 'ac', design.acSources, 'AC source'],
    ['AC appliances', 'ac', design.acLoads, null],
    ['Studies', 'wiring', design.studies, null],
    ['Places', 'survey', design.places, null],
  ];
  const go = (station: string) => router.push(`/boats/${boatId}/${station}`);
  return (
    <Command.Dialog
      open
      onOpenChange={(open) => (open ? undefined : onClose())}
      label="Find anything"
      overlayClassName="fixed inset-0 z-40 bg-ink/25"
      contentClassName="fixed top-[12vh] left-1/2 z-50 w-[540px] max-w-[94vw] -translate-x-1/2 border border-ink bg-sheet"
    >
      <Command.Input
        autoFocus
        value={typed}
        onValueChange={setTyped}
        placeholder="a load, a place, a boat, a rule, a word, an act; or work out: 140 W pump 7 m"
        className="w-full border-b border-ink bg-transparent px-4 py-3 text-[15px] outline-none placeholder:text-faint"
      />
      {line && answer ? <ScratchCard result={answer} units={design.boat} /> : null}
      <Command.List className="max-h-[52vh] overflow-y-auto py-2 [&_[cmdk-group-heading]]:px-4 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-[11.5px] [&_[cmdk-group-heading]]:text-faint [&_[cmdk-item]]:flex [&_[cmdk-item]]:cursor-pointer [&_[cmdk-item]]:justify-between [&_[cmdk-item]]:px-4 [&_[cmdk-item]]:py-[5px] [&_[cmdk-item][data-selected=true]]:bg-wash">
        {line || found.boats.length + found.entries.length > 0 ? null : (
          <Command.Empty className="px-4 py-3 text-quiet">Nothing aboard, no boat, rule or word goes by that name.</Command.Empty>
        )}
        {line && answer?.ok ? (
          <Command.Group heading="With this line" forceMount>
            <Command.Item forceMount value="attach the scratch line" onSelect={run(() => void attach())}>
              Attach to {design.boat.name}: the load, on a circuit of that length
            </Command.Item>
            <Command.Item forceMount value="keep the scratch line" onSelect={run(() => void keepLine())}>
              Keep the line
            </Command.Item>
          </Command.Group>
        ) : null}
        <Command.Group heading="Acts">
          {undo ? <Command.Item onSelect={run(() => void store.step('undo'))}>Take back: {undo}</Command.Item> : null}
          {redo ? <Command.Item onSelect={run(() => void store.step('redo'))}>Put back: {redo}</Command.Item> : null}
          <Command.Item onSelect={run(onNight)}>Night or day scheme</Command.Item>
          <Command.Item onSelect={run(onShortcuts)}>List of keys</Command.Item>
          <Command.Item onSelect={run(() => router.push(`/boats/${boatId}/survey?run=1`))}>Guided run through this boat</Command.Item>
          <Command.Item onSelect={run(() => saveFile(`/api/boats/${boatId}/export`))}>Export the design as a file</Command.Item>
          <Command.Item onSelect={run(() => saveFile(`/api/boats/${boatId}/export?as=zip`))}>
            Export the design with its pictures
          </Command.Item>
          <Command.Item onSelect={run(() => router.push('/'))}>All boats, import a file</Command.Item>
        </Command.Group>
        <Command.Group heading="Stations">
          {stations.map((s) => (
            <Command.Item key={s.id} onSelect={run(() => go(s.id))}>
              {s.name}
              <kbd>G {s.key.toUpperCase()}</kbd>
            </Command.Item>
          ))}
        </Command.Group>
        <Command.Group heading="Circuits">
          {design.circuits.map((c) => (
            <Command.Item
              key={c.id}
              value={`circuit ${c.no} ${c.name} ${c.id}`}
              onSelect={run(() => {
                select({ kind: 'circuit', id: c.id });
                go('wiring');
              })}
            >
              {c.no} {c.name}
            </Command.Item>
          ))}
        </Command.Group>
        <Command.Group heading="Loads">
          {design.loads.map((l) => (
            <Command.Item
              key={l.id}
              value={`load ${l.name} ${l.id}`}
              onSelect={run(() => {
                select({ kind: 'load', id: l.id });
                go('loads');
              })}
            >
              {l.name}
            </Command.Item>
          ))}
        </Command.Group>
        {design.acCircuits.length > 0 ? (
          <Command.Group heading="AC runs">
            {design.acCircuits.map((c) => (
              <Command.Item
                key={c.id}
                value={`AC run ${c.no} ${c.name} ${c.id}`}
                onSelect={run(() => {
                  select({ kind: 'AC circuit', id: c.id });
                  go('ac');
                })}
              >
                {c.no} {c.name}
              </Command.Item>
            ))}
          </Command.Group>
        ) : null}
        {aboard.map(([heading, station, rows, kind]) =>
          rows.length === 0 ? null : (
            <Command.Group key={heading} heading={heading}>
              {rows.map((r) => (
                <Command.Item
                  key={r.id}
                  value={`${heading} ${r.name} ${r.id}`}
                  onSelect={run(() => {
                    if (kind) select({ kind, id: r.id });
                    go(station);
                  })}
                >
                  {r.name}
                </Command.Item>
              ))}
            </Command.Group>
          ),
        )}
        {found.boats.length > 0 ? (
          <Command.Group heading="Boats" forceMount>
            {found.boats.map((b) => (
              <Command.Item key={b.id} forceMount value={`boat ${b.id}`} onSelect={run(() => router.push(`/boats/${b.id}/survey`))}>
                {b.name}
              </Command.Item>
            ))}
          </Command.Group>
        ) : null}
        {found.entries.length > 0 ? (
          <Command.Group heading="Rules, terms, figures, guide" forceMount>
            {found.entries.map((e) => (
              <Command.Item
                key={e.href}
                forceMount
                value={`page ${e.href}`}
                onSelect={run(() => window.open(e.href, '_blank', 'noopener'))}
              >
                <span className="min-w-0">
                  {e.title} <span className="text-faint">{e.kind}</span>
                  <span className="block truncate text-[11.5px] text-quiet">{e.text}</span>
                </span>
              </Command.Item>
            ))}
          </Command.Group>
        ) : null}
      </Command.List>
    </Command.Dialog>
  );
}
