'use client';
import { useState } from 'react';
import {
  boardPages,
  LABEL_SHEETS,
  labelOutlines,
  labelPages,
  labelTexts,
  type PaperPage,
  PAPERS,
  type Shape,
  stripPages,
  wrapFor,
  wrapsOf,
} from '@/core/build';
import { toCsv } from '@/core/format';
import { small } from '@/core/quantity';
import { useCutList, useDesign, useLists } from '@/ui/boat/context';
import { fileName, saveBlob, saveCsv } from '@/ui/files';
import { trueSizePdf } from '@/ui/report/trueSizePdf';
import { Plain } from '@/ui/table/Plain';

const sheets = (n: number): string => `${n} ${n === 1 ? 'sheet' : 'sheets'}`;

/** Labels on sheets and as wraps, legend strips and boards: all at true size. */
export function LabelsView() {
  const design = useDesign();
  const list = useCutList();
  const lists = useLists();
  const { boat } = design;
  const paper = boat.ruleSet === 'awg' ? 'Letter' : 'A4';
  const [sheetId, setSheet] = useState(LABEL_SHEETS.find((s) => s.paper === paper)?.id ?? '');
  const [fromText, setFrom] = useState('1');
  const [shown, setShown] = useState(0);
  const [trouble, setTrouble] = useState('');
  if (!list || !lists) return <p className="text-quiet">Counting.</p>;
  const sheet = LABEL_SHEETS.find((s) => s.id === sheetId);
  if (!sheet) return null;
  const each = sheet.columns * sheet.rows;
  const from = /^\d+$/.test(fromText.trim()) ? Number(fromText) : NaN;
  const good = from >= 1 && from <= each;
  const texts = labelTexts(list);
  const labels = labelPages(texts, sheet, good ? from : 1);
  const strips = stripPages(design, lists, paper);
  const boards = boardPages(design, paper);
  const page = labels[Math.min(shown, labels.length - 1)];
  const save = (what: string, pages: readonly PaperPage[]) => {
    setTrouble('');
    trueSizePdf(pages).then(
      (pdf) => saveBlob(`${fileName(boat.name)}-${what}.pdf`, pdf.output('blob')),
      (error: unknown) => setTrouble(`The PDF was not made: ${error instanceof Error ? error.message : String(error)}`),
    );
  };
  return (
    <div className="max-w-[1100px]">
      {trouble ? (
        <p role="alert" className="font-semibold text-lead">
          {trouble}
        </p>
      ) : null}
      <h2 className="text-[15px] font-bold">Labels on sheets</h2>
      <p className="text-quiet">
        {texts.length} labels: one at each end of every piece, and where a cover comes off AC. {sheets(labels.length)}. Print at 100 %,
        never “fit to page”; try one on plain paper against the light first.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <label>
          sheet{' '}
          <select className="box" value={sheetId} onChange={(e) => setSheet(e.target.value)}>
            {LABEL_SHEETS.filter((s) => s.paper === paper).map((s) => (
              <option key={s.id} value={s.id}>
                {s.id}
              </option>
            ))}
          </select>
        </label>
        <label>
          first label still on it{' '}
          <input
            className="box reading w-[60px]"
            inputMode="numeric"
            value={fromText}
            aria-invalid={!good}
            onChange={(e) => setFrom(e.target.value)}
          />
        </label>
        {good ? null : (
          <span role="alert" className="text-lead">
            a number from 1 to {each}
          </span>
        )}
        <button type="button" className="act" onClick={() => save('labels', labels)} disabled={labels.length === 0}>
          labels as PDF
        </button>
        <button
          type="button"
          className="act"
          onClick={() =>
            saveCsv(
              `${fileName(boat.name)}-labels.csv`,
              toCsv([
                ['label', 'cable outside, mm', 'wrap, mm', 'from', 'to'],
                ...list.cuts.map((c) => [c.label, c.odMm.toFixed(1), String(wrapFor(c.odMm) ?? ''), c.from.name, c.to.name]),
              ]),
            )
          }
        >
          CSV for a label printer
        </button>
      </div>
      <div className="mt-3 grid grid-cols-2 gap-8 max-[1000px]:grid-cols-1">
        <div>
          {page ? (
            <>
              <Preview page={page} under={labelOutlines(sheet)} />
              {labels.length > 1 ? (
                <p className="mt-1 flex gap-3">
                  <button type="button" className="plain" disabled={shown === 0} onClick={() => setShown(Math.max(0, shown - 1))}>
                    sheet before
                  </button>
                  <span>
                    sheet {Math.min(shown, labels.length - 1) + 1} of {labels.length}
                  </span>
                  <button
                    type="button"
                    className="plain"
                    disabled={shown >= labels.length - 1}
                    onClick={() => setShown(Math.min(labels.length - 1, shown + 1))}
                  >
                    next sheet
                  </button>
                </p>
              ) : null}
            </>
          ) : null}
        </div>
        <div>
          <h2 className="text-[15px] font-bold">Wraps by the cable they go round</h2>
          <p className="text-quiet">Self-laminating: twice round, the clear tail over what is written.</p>
          <Plain
            label="Wraps"
            columns={[{ title: 'wrap' }, { title: 'labels', right: true }, { title: 'for cables, outside' }]}
            rows={wrapsOf(list).map((w) => ({
              id: String(w.lengthMm),
              cells: [
                w.lengthMm === null ? 'a flag or a tag' : small(w.lengthMm, boat),
                String(w.count),
                w.fromMm === w.toMm ? small(w.fromMm, boat) : `${small(w.fromMm, boat)} to ${small(w.toMm, boat)}`,
              ],
              opens: {
                of: w.lengthMm === null ? 'flags and tags' : `wraps of ${small(w.lengthMm, boat)}`,
                at: 1,
                lines: w.of.map((x) => `${x.count} for ${x.size}, ${small(x.odMm, boat)} outside: two for each piece`),
              },
            }))}
          />
          <h2 className="mt-5 text-[15px] font-bold">Legend strips and boards at true size</h2>
          <p className="text-quiet">
            {strips.length === 0 ? 'No panel has a circuit yet.' : `Strips of every panel with a circuit, on ${sheets(strips.length)}.`}{' '}
            {boards.length === 0
              ? 'Nothing is mounted on a face yet: Survey, mounting.'
              : `Templates of faces with what goes on them, on ${sheets(boards.length)}, taped together by their crosses.`}{' '}
            Each sheet has a bar of {small(100, boat)}: measure it before you cut or drill. Bodies marked typical are drilled by the thing
            itself.
          </p>
          <p className="mt-2 flex gap-3">
            <button type="button" className="act" disabled={strips.length === 0} onClick={() => save('legend-strips', strips)}>
              strips as PDF
            </button>
            <button type="button" className="act" disabled={boards.length === 0} onClick={() => save('boards', boards)}>
              boards as PDF
            </button>
          </p>
        </div>
      </div>
    </div>
  );
}

/** A sheet in small, with the outlines of its labels. */
function Preview({ page, under }: { readonly page: PaperPage; readonly under: readonly Shape[] }) {
  const [width, height] = PAPERS[page.paper];
  return (
    <svg role="img" aria-label={page.name} viewBox={`0 0 ${width} ${height}`} className="w-full max-w-[520px] border border-line bg-white">
      {under.map((s, i) => (
        <Drawn key={i} shape={s} ink="var(--color-line)" />
      ))}
      {page.shapes.map((s, i) => (
        <Drawn key={i} shape={s} ink="#1a1a1a" />
      ))}
    </svg>
  );
}

function Drawn({ shape: s, ink }: { readonly shape: Shape; readonly ink: string }) {
  switch (s.kind) {
    case 'box':
      return <rect x={s.x} y={s.y} width={s.w} height={s.h} fill="none" stroke={ink} strokeWidth={0.25} />;
    case 'line':
      return <line x1={s.x} y1={s.y} x2={s.toX} y2={s.toY} stroke={ink} strokeWidth={0.25} />;
    case 'text':
      return (
        <text x={s.x} y={s.y} fontSize={s.size} textAnchor="middle" fontWeight={s.bold ? 600 : 400} fill={ink}>
          {s.text}
        </text>
      );
  }
}
