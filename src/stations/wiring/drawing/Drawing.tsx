'use client';
import { select as d3select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior } from 'd3-zoom';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import { drawingOf, foldAtFirst, type About } from '@/core/drawing/graph';
import type { Layout } from '@/core/drawing/layout';
import { useAnalysis, useAsked, useBoat, useSelected, useStore } from '@/ui/boat/context';
import { TableBeside } from '@/ui/chart/TableBeside';
import { fileName } from '@/ui/files';
import { savePdf, saveSvg } from './exports';
import { Figure, keyOf } from './Figure';
import { Sheet, SHEETS, type SheetName } from './Sheet';
import { ON_SCREEN } from './symbols';
import { nextThing } from './travel';
import { useLayout } from './useLayout';

/** The boat's line drawing: made from the design and made again with every edit. */
export function Drawing({ onGo }: { onGo: (about: About) => void }) {
  const { design, revision } = useBoat();
  const analysis = useAnalysis();
  const store = useStore();
  const [selected, select] = useSelected();
  const [rails, setRails] = useState<'both' | 'one line'>('one line');
  const [folded, setFolded] = useState<ReadonlySet<string>>(() => foldAtFirst(design));
  const [studyId, setStudyId] = useState('');
  const [sheet, setSheet] = useState<SheetName>('A3');
  const [chosen, setChosen] = useState<About | null>(
    selected?.kind === 'circuit' || selected?.kind === 'lead' ? { kind: selected.kind, id: selected.id } : null,
  );
  const study = useAsked(studyId ? `study:${studyId}` : null, (r) => r.study(studyId));
  const drawing = useMemo(() => drawingOf(design, analysis, { rails, folded, study }), [design, analysis, rails, folded, study]);
  const layout = useLayout(drawing);
  const canvas = useRef<SVGSVGElement>(null);
  const view = useView(canvas, layout);
  const paper = useRef<HTMLDivElement>(null);

  const choose = (about: About | null) => {
    setChosen(about);
    if (about?.kind === 'circuit' || about?.kind === 'load' || about?.kind === 'lead') select({ kind: about.kind, id: about.id });
  };
  const fold = (panelId: string) =>
    setFolded((was) => {
      const now = new Set(was);
      if (!now.delete(panelId)) now.add(panelId);
      return now;
    });
  const onKey = (e: KeyboardEvent) => {
    if (!layout) return;
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key] as [number, number] | undefined;
    if (step) {
      const next = nextThing(layout, chosen, step);
      if (next) {
        choose(next.about);
        view.reveal(next);
      }
    } else if (e.key === 'Enter' && chosen) onGo(chosen);
    else if (e.key === 'f' && chosen?.kind === 'panel') fold(chosen.id);
    else if (e.key === '+' || e.key === '=') view.by(1.3);
    else if (e.key === '-') view.by(1 / 1.3);
    else if (e.key === '0') view.fit();
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const aboutAt = (target: EventTarget): About | null => {
    const key = (target as Element).closest<SVGGElement>('[data-about]')?.dataset.about;
    const found = key === undefined ? undefined : [...drawing.things, ...drawing.lines].find((x) => keyOf(x.about) === key);
    return found?.about ?? null;
  };
  const foldable = design.panels.filter((p) => drawing.things.find((t) => t.id === `panel ${p.id}`)?.ways);
  const own = chosen && [...drawing.things, ...drawing.lines].find((x) => keyOf(x.about) === keyOf(chosen));
  const worst = own && analysis.findings.find((f) => f.about.kind === own.about.kind && f.about.id === own.about.id && !f.accepted);
  const svg = () => paper.current?.querySelector('svg') ?? null;
  const name = `${fileName(design.boat.name)}-line-drawing`;
  return (
    <div className="flex min-h-0 flex-1 flex-col print:block">
      <div className="screen-only flex flex-wrap items-baseline gap-x-3 gap-y-1 px-4 pb-2">
        <select className="box" aria-label="Rails" value={rails} onChange={(e) => setRails(e.target.value as typeof rails)}>
          <option value="one line">one line</option>
          <option value="both">positive, negative, earth</option>
        </select>
        <select className="box max-w-[220px]" aria-label="Study shown" value={studyId} onChange={(e) => setStudyId(e.target.value)}>
          <option value="">no study</option>
          {design.studies.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </select>
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
          <button type="button" className="act" disabled={!layout} onClick={() => svg() && saveSvg(svg() as SVGSVGElement, name)}>
            SVG
          </button>
          <button
            type="button"
            className="act"
            disabled={!layout}
            onClick={() => {
              const drawn = svg();
              if (drawn)
                void savePdf(drawn, sheet, name).catch(() => store.say('refused', 'The PDF could not be made: save the SVG, or print.'));
            }}
          >
            PDF
          </button>
          <button type="button" className="act" disabled={!layout} onClick={() => window.print()}>
            print
          </button>
        </span>
      </div>
      {design.banks.length + design.circuits.length === 0 ? (
        <p className="screen-only max-w-[520px] px-4 py-4">
          Nothing to draw yet: enter a bank on Survey and propose circuits here; the drawing makes itself from them.
        </p>
      ) : null}
      <svg
        ref={canvas}
        className="screen-only min-h-0 w-full flex-1 cursor-grab touch-none border-t border-line outline-offset-[-2px]"
        tabIndex={0}
        role="application"
        aria-label={`Line drawing: ${drawing.things.length} things, ${drawing.lines.length} lines. Arrows travel from thing to thing, Enter goes to the row, f folds a panel, plus, minus and 0 zoom.`}
        onKeyDown={onKey}
        onClick={(e) => choose(aboutAt(e.target))}
        onDoubleClick={(e) => {
          const about = aboutAt(e.target);
          if (about?.kind === 'panel') fold(about.id);
          else if (about) onGo(about);
        }}
        data-laid={layout ? 'yes' : undefined}
      >
        <g data-view>{layout ? <Figure layout={layout} inks={ON_SCREEN} chosen={chosen && keyOf(chosen)} font="inherit" /> : null}</g>
      </svg>
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
      {layout ? (
        <div ref={paper} className="hidden print:block" data-testid="sheet">
          <style media="print">{`@page { size: ${SHEETS[sheet][0]}mm ${SHEETS[sheet][1]}mm; margin: 0; }`}</style>
          <Sheet
            layout={layout}
            name={sheet}
            title={{
              vessel: design.boat.name,
              what: `Line drawing, ${rails === 'both' ? 'positive, negative and earth' : 'one line'}, ${design.boat.systemV} V DC`,
              rules: `Rule set: ${design.boat.ruleSet}${study ? `; study: ${design.studies.find((s) => s.id === studyId)?.name ?? ''}` : ''}`,
              revision,
              on: new Date().toISOString().slice(0, 10),
            }}
          />
        </div>
      ) : null}
    </div>
  );
}

interface View {
  readonly fit: () => void;
  readonly by: (factor: number) => void;
  readonly reveal: (at: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }) => void;
}

/** At first letters are shown no smaller than this, even where the whole does not fit. */
const READABLE = 0.95;

/** Pan and zoom; fitted once it is laid out, left where it is when it is laid out anew. */
function useView(ref: RefObject<SVGSVGElement | null>, layout: Layout | null): View {
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  const latest = useRef(layout);
  const fitted = useRef(false);
  useEffect(() => {
    latest.current = layout;
  }, [layout]);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const z = zoom<SVGSVGElement, unknown>()
      .scaleExtent([0.08, 6])
      .on('zoom', ({ transform }: { transform: { toString: () => string } }) => {
        element.querySelector('[data-view]')?.setAttribute('transform', transform.toString());
      });
    behaviour.current = z;
    d3select(element).call(z).on('dblclick.zoom', null);
  }, [ref]);
  const fit = (least = 0) => {
    const [element, drawn] = [ref.current, latest.current];
    if (!element || !drawn || !behaviour.current) return;
    const { clientWidth: w, clientHeight: h } = element;
    const k = Math.max(least, Math.min(1.6, (w - 20) / Math.max(1, drawn.width), (h - 20) / Math.max(1, drawn.height)));
    const spare = (room: number, size: number) => Math.max(0, (room - k * size) / 2);
    // What does not fit begins at the bank.
    const bank = drawn.things.find((t) => t.symbol === 'cell');
    const y =
      k * drawn.height <= h || !bank
        ? spare(h, drawn.height)
        : Math.min(0, Math.max(h - k * drawn.height, h / 2 - k * (bank.y + bank.height / 2)));
    behaviour.current.transform(d3select(element), zoomIdentity.translate(spare(w, drawn.width), y).scale(k));
  };
  useEffect(() => {
    if (!layout || fitted.current) return;
    fitted.current = true;
    fit(READABLE);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when there is something to fit
  }, [layout]);
  return {
    fit: () => fit(),
    by: (factor) => {
      if (ref.current) behaviour.current?.scaleBy(d3select(ref.current), factor);
    },
    reveal: ({ x, y, width, height }) => {
      if (ref.current) behaviour.current?.translateTo(d3select(ref.current), x + width / 2, y + height / 2);
    },
  };
}
