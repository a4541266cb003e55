'use client';
import { rowOf } from '@/core/design';
import { useMemo, useRef, useState } from 'react';
import { type About, deadIn, type DrawingWish, foldAtFirst } from '@/core/drawing';
import { useAsked, useBoat, useFindings, useSelected, useStore } from '@/ui/boat/context';
import { TableBeside } from '@/ui/chart/TableBeside';
import { fileName } from '@/ui/files';
import { savePdf, saveSvg } from '@/ui/drawing/exports';
import { Canvas } from '@/ui/drawing/Canvas';
import { keyOf } from '@/ui/drawing/Figure';
import { Sheets, SHEETS, type SheetName } from '@/ui/drawing/Sheet';
import { useDrawing } from '@/ui/drawing/useDrawing';
import { useLayout } from '@/ui/drawing/useLayout';
import { usePaper } from '@/ui/drawing/usePaper';
import { titleOf } from '@/ui/drawing/title';
import type { DrawingAsk } from '@/workers/analysis.worker';
import { useView } from '@/ui/drawing/useView';
import { NextSteps } from '@/ui/next/NextSteps';

/** Instead of a study's id: each load at its worst. */
const WORST = 'worst';

/** The boat's line drawing: made from the design and made again with every edit. */
export function Drawing({ onGo }: { onGo: (about: About) => void }) {
  const { design, revision } = useBoat((s) => ({ design: s.design, revision: s.revision }));
  const findings = useFindings();
  const store = useStore();
  const [selected, select] = useSelected();
  const [rails, setRails] = useState<DrawingWish['rails']>('one line');
  const [folded, setFolded] = useState<ReadonlySet<string>>(() => foldAtFirst(design));
  const [studyId, setStudyId] = useState('');
  const [sheet, setSheet] = useState<SheetName>('A3');
  const [chosen, setChosen] = useState<About | null>(
    selected?.kind === 'circuit' || selected?.kind === 'lead' ? { kind: selected.kind, id: selected.id } : null,
  );
  const { acSources } = design;
  const everyState = useAsked(rails === 'AC' ? 'AC states' : null, (r) => r.acStates());
  const states = useMemo(() => (everyState ?? []).filter((s) => s.origins.some((o) => o.panels.length > 0)), [everyState]);
  const [stateId, setStateId] = useState('');
  const state = states.find((s) => s.id === stateId) ?? states.find((s) => s.present.length === 1) ?? states[0] ?? null;
  const wish: Omit<DrawingAsk, 'folded'> = {
    rails,
    shown: studyId === '' ? null : studyId === WORST ? 'the worst of all' : { study: studyId },
    acStateId: rails === 'AC' ? (state?.id ?? null) : null,
  };
  const { drawing, asked } = useDrawing({ ...wish, folded: [...folded] });
  // On paper every panel is open: what is folded to be read on the screen would be missing there.
  const whole = useDrawing({ ...wish, folded: [] });
  const dead = useMemo(() => (state ? deadIn(design, state) : null), [design, state]);
  const { layout, fresh: laidOut, trouble: screenTrouble, layOut } = useLayout(drawing);
  const fresh = laidOut && asked;
  // The sheets are made after the screen; until then there is nothing to print or save.
  const { sheets, trouble: paperTrouble } = usePaper(
    fresh && whole.asked ? whole.drawing : null,
    fresh && whole.drawing === drawing ? layout : null,
    sheet,
    layOut,
  );
  const trouble = screenTrouble ?? paperTrouble;
  const canvas = useRef<SVGSVGElement>(null);
  const view = useView(canvas, fresh ? layout : null, rails === 'AC' ? 'AC' : 'DC');
  const paper = useRef<HTMLDivElement>(null);

  const choose = (about: About | null) => {
    setChosen(about);
    if (
      about?.kind === 'circuit' ||
      about?.kind === 'load' ||
      about?.kind === 'lead' ||
      about?.kind === 'AC circuit' ||
      about?.kind === 'AC source'
    )
      select({ kind: about.kind, id: about.id });
  };
  const fold = (panelId: string) =>
    setFolded((was) => {
      const now = new Set(was);
      if (!now.delete(panelId)) now.add(panelId);
      return now;
    });
  const foldable = design.panels.filter((p) => drawing.things.find((t) => t.id === `panel ${p.id}`)?.ways);
  const own = chosen && [...drawing.things, ...drawing.lines].find((x) => keyOf(x.about) === keyOf(chosen));
  const worst = own && findings.find((f) => f.about.kind === own.about.kind && f.about.id === own.about.id && !f.accepted);
  const svgs = () => [...(paper.current?.querySelectorAll<SVGSVGElement>('svg[data-sheet]') ?? [])];
  const studied = studyId === WORST ? 'the worst of all' : (rowOf(design.studies, studyId)?.name ?? '');
  const shown = state ? state.name : studyId ? `study: ${studied}` : '';
  const name = `${fileName(design.boat.name)}-line-drawing`;
  return (
    <div className="flex min-h-0 flex-1 flex-col print:block" data-wide={selected ? undefined : true}>
      <div className="screen-only flex flex-wrap items-baseline gap-x-3 gap-y-1 px-4 pb-2">
        <select className="box" aria-label="Rails" value={rails} onChange={(e) => setRails(e.target.value as typeof rails)}>
          <option value="one line">one line</option>
          <option value="both">positive, negative, earth</option>
          <option value="earths">negatives and earths</option>
          {acSources.length > 0 ? <option value="AC">AC side</option> : null}
        </select>
        {rails === 'AC' && states.length > 0 ? (
          <select
            className="box max-w-[360px]"
            aria-label="State shown"
            value={state?.id ?? ''}
            onChange={(e) => setStateId(e.target.value)}
          >
            {states.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </select>
        ) : null}
        {rails === 'AC' ? null : (
          <select className="box max-w-[220px]" aria-label="Study shown" value={studyId} onChange={(e) => setStudyId(e.target.value)}>
            <option value="">no study</option>
            {design.studies.length > 1 ? <option value={WORST}>the worst of all studies</option> : null}
            {design.studies.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </select>
        )}
        {foldable.length > 0 ? (
          <button
            type="button"
            className="plain"
            onClick={() => setFolded(folded.size > 0 ? new Set() : new Set(foldable.filter((p) => p.kind === 'panel').map((p) => p.id)))}
          >
            {folded.size > 0 ? 'open all panels' : 'fold the panels'}
          </button>
        ) : null}
        <button type="button" className="plain" onClick={() => view.fit()}>
          fit
        </button>
        <span className="ml-auto flex items-baseline gap-2">
          <select className="box" aria-label="Sheet" value={sheet} onChange={(e) => setSheet(e.target.value as SheetName)}>
            {Object.keys(SHEETS).map((s) => (
              <option key={s}>{s}</option>
            ))}
          </select>
          <span className="text-quiet" aria-live="polite">
            {sheets === null ? 'laying out' : sheets.length === 1 ? 'one sheet' : `${sheets.length} sheets`}
            {sheets !== null && folded.size > 0 ? ', panels open' : ''}
          </span>
          <button
            type="button"
            className="act"
            disabled={!sheets}
            onClick={() =>
              void saveSvg(svgs(), name).catch(() => store.say('refused', 'The SVG could not be made: the fonts did not arrive.'))
            }
          >
            SVG
          </button>
          <button
            type="button"
            className="act"
            disabled={!sheets}
            onClick={() =>
              void savePdf(svgs(), sheet, name).catch(() => store.say('refused', 'The PDF could not be made: save the SVG, or print.'))
            }
          >
            PDF
          </button>
          <button type="button" className="act" disabled={!sheets} onClick={() => window.print()}>
            print
          </button>
        </span>
      </div>
      {design.banks.length + design.circuits.length === 0 ? (
        <div className="screen-only max-w-[520px] px-4 py-4">
          <p>Nothing to draw yet: enter a bank on Survey and propose circuits here; the drawing makes itself from them.</p>
          <NextSteps />
        </div>
      ) : null}
      {trouble === null ? null : (
        <p role="alert" className="caution mx-4 mb-2">
          The drawing could not be laid out ({trouble}){layout ? ': what is shown is an older one. Do not work from it.' : '.'}
        </p>
      )}
      <Canvas
        layout={layout}
        fresh={fresh}
        view={view}
        canvas={canvas}
        label={`Line drawing: ${drawing.things.length} things, ${drawing.lines.length} lines. Arrows travel from thing to thing, Enter goes to the row, f folds a panel, plus, minus and 0 zoom.`}
        chosen={chosen}
        dead={dead}
        onChoose={choose}
        onOpen={(about) => (about.kind === 'panel' ? fold(about.id) : onGo(about))}
        onEnter={onGo}
        onFold={fold}
      />
      <div className="screen-only flex min-h-[34px] flex-none items-baseline gap-4 border-t border-line px-4 py-[6px]" aria-live="polite">
        {own ? (
          <>
            <b className="font-semibold">{'label' in own ? own.label : own.over}</b>
            <span className="text-quiet">{'label' in own ? own.under : own.below}</span>
            {worst ? (
              <span className={worst.severity === 'note' ? '' : 'font-semibold text-lead'}>
                {worst.severity}: {worst.title}
              </span>
            ) : null}
            <span className="ml-auto flex gap-3">
              {own.about.kind === 'panel' ? (
                <button type="button" className="plain" onClick={() => fold(own.about.id)}>
                  {folded.has(own.about.id) ? 'open it' : 'fold it'}
                </button>
              ) : null}
              <button type="button" className="plain" onClick={() => onGo(own.about)}>
                to its row
              </button>
            </span>
          </>
        ) : (
          <span className="text-quiet">Drag to move, wheel to zoom; arrows travel from thing to thing, Enter goes to its row.</span>
        )}
        <TableBeside
          title="Line drawing"
          columns={['from', 'to', 'rail', 'cable', 'device, amps', 'worst finding']}
          rows={drawing.lines.map((l) => {
            const of = (id: string) => drawing.things.find((t) => t.id === id)?.label ?? id;
            return [of(l.from), of(l.to), l.rail, l.over, l.below, l.worst ?? ''];
          })}
        />
      </div>
      <div ref={paper} className="hidden print:block" data-testid="sheet">
        <style media="print">{`@page { size: ${SHEETS[sheet][0]}mm ${SHEETS[sheet][1]}mm; margin: 0; } [data-sheet] { display: block; } [data-sheet] + [data-sheet] { break-before: page; }`}</style>
        {sheets ? (
          <Sheets
            sheets={sheets}
            name={sheet}
            title={titleOf(design, { rails, shown, revision, on: new Date().toISOString().slice(0, 10) })}
          />
        ) : (
          <p className="p-8">The drawing is being laid out: print it again in a moment.</p>
        )}
      </div>
    </div>
  );
}
