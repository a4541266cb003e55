'use client';
import { useEffect, useState } from 'react';
import type { Report } from '@/core/report';
import { useAnalyser, useBoat, useDesign, useStore } from '@/ui/boat/context';
import { useBook } from '@/ui/boat/useBook';
import { fileName, saveBlob } from '@/ui/files';
import type { ReportReader } from '@/workers/analysis.worker';
import type { Picture } from './pdf';
import { ReportSheet } from './ReportSheet';

const hex = (bytes: ArrayBuffer): string => [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, '0')).join('');

/** SHA-256 of the design as it is written in a file, its first 16 figures. */
async function digestOf(design: unknown): Promise<string> {
  // Only a page that came over a safe line, or from this device, may compute it.
  if (!globalThis.isSecureContext) return 'not computed here';
  return hex(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(JSON.stringify(design)))).slice(0, 16);
}

/** A report for its reader: on the screen, printed, and as a PDF with contents; files beside it where it is asked for. */
export function Reported({ reader, beside = false }: { reader: ReportReader; beside?: boolean }) {
  const design = useDesign();
  const store = useStore();
  const analyser = useAnalyser();
  const revision = useBoat((s) => s.revision);
  const { records } = useBook();
  const [report, setReport] = useState<Report | null>(null);
  const [trouble, setTrouble] = useState('');
  const [making, setMaking] = useState(false);
  useEffect(() => {
    let live = true;
    if (records === null) return;
    void (async () => {
      try {
        const as = { revision, hash: await digestOf(design), day: new Date().toISOString().slice(0, 10) };
        const made = await analyser.ask((r) => r.report(reader, records, as));
        if (live) setReport(made);
      } catch (error) {
        if (live) setTrouble(error instanceof Error ? error.message : String(error));
      }
    })();
    return () => {
      live = false;
    };
  }, [analyser, design, reader, records, revision]);
  const pdfOf = async (of: Report): Promise<Blob> => {
    const { reportPdf } = await import('./pdf');
    const pictures = new Map<string, Picture>();
    for (const id of new Set(of.chapters.flatMap((c) => c.blocks.flatMap((b) => (b.kind === 'picture' ? [b.photoId] : []))))) {
      const answer = await fetch(`/api/boats/${store.boatId}/photos/${id}`).catch(() => null);
      if (answer?.ok) pictures.set(id, { bytes: new Uint8Array(await answer.arrayBuffer()) });
    }
    return (await reportPdf(of, pictures)).output('blob');
  };
  const save = async (withFiles: boolean) => {
    if (!report) return;
    setMaking(true);
    try {
      const pdf = await pdfOf(report);
      const name = `${fileName(design.boat.name)}-${reader}-${revision}`;
      if (!withFiles) return saveBlob(`${name}.pdf`, pdf);
      const [{ zipSync, unzipSync }, answer] = await Promise.all([import('fflate'), fetch(`/api/boats/${store.boatId}/export?as=zip`)]);
      if (!answer.ok) throw new Error(`the boat’s files did not come (${answer.status})`);
      const files = unzipSync(new Uint8Array(await answer.arrayBuffer()));
      const zip = zipSync({ [`${name}.pdf`]: new Uint8Array(await pdf.arrayBuffer()), ...files });
      saveBlob(`${name}.zip`, new Blob([zip as Uint8Array<ArrayBuffer>], { type: 'application/zip' }));
    } catch (error) {
      store.say('refused', `No file was made: ${error instanceof Error ? error.message : String(error)}`);
    } finally {
      setMaking(false);
    }
  };
  if (trouble !== '') return <p className="caution">Not written: {trouble}.</p>;
  if (!report) return <p className="text-quiet">Writing it.</p>;
  return (
    <>
      <p className="screen-only my-2 flex flex-wrap gap-3">
        <button type="button" className="act" disabled={making} onClick={() => void save(false)}>
          {making ? 'making it' : 'save as PDF'}
        </button>
        {beside ? (
          <button type="button" className="act" disabled={making} onClick={() => void save(true)}>
            save with the open files, zip
          </button>
        ) : null}
        <button type="button" className="act" onClick={() => window.print()}>
          print
        </button>
      </p>
      <ReportSheet report={report} />
    </>
  );
}
