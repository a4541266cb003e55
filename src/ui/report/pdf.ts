/** A report as a PDF: contents with page numbers, bookmarks, tables that carry over, pictures, page feet. */
import type { jsPDF } from 'jspdf';
import type AutoTableOf from 'jspdf-autotable';
import type { Block, Report } from '@/core/report';
import { base64, fontBytes, PAPER_FONTS } from '@/ui/drawing/fonts';

/** A4, mm. */
const [WIDTH, HEIGHT, LEFT, TOP, BOTTOM] = [210, 297, 18, 20, 18];
const ROOM = WIDTH - 2 * LEFT;
/** Further down a page than this no chapter begins. */
const NEW_PAGE_FROM = 0.6;
const MM_PER_PT = 0.3528;
/** DejaVu has the letters of all our texts: ohms, squares, multiplication. */
const FAMILY = 'DejaVu Sans';

export interface Picture {
  readonly bytes: Uint8Array;
}

interface Pen {
  readonly pdf: jsPDF;
  y: number;
}

const leading = (size: number): number => size * MM_PER_PT * 1.35;

function need(pen: Pen, mm: number): void {
  if (pen.y + mm <= HEIGHT - BOTTOM) return;
  pen.pdf.addPage();
  pen.y = TOP;
}

function write(pen: Pen, words: string, size: number, { bold = false, indent = 0, keep = 0, grey = false } = {}): void {
  const { pdf } = pen;
  pdf.setFont(FAMILY, bold ? 'bold' : 'normal').setFontSize(size);
  pdf.setTextColor(grey ? 90 : 20);
  const lines = pdf.splitTextToSize(words, ROOM - indent) as string[];
  need(pen, Math.min(lines.length, 2) * leading(size) + keep);
  for (const line of lines) {
    need(pen, leading(size));
    pen.y += leading(size);
    pdf.text(line, LEFT + indent, pen.y);
  }
}

type AutoTable = typeof AutoTableOf;

function block(pen: Pen, b: Block, pictures: ReadonlyMap<string, Picture>, autoTable: AutoTable): void {
  const { pdf } = pen;
  switch (b.kind) {
    case 'heading':
      pen.y += 2;
      return write(pen, b.text, 10, { bold: true, keep: 10 });
    case 'text':
      write(pen, b.text, 9);
      pen.y += 1;
      return;
    case 'caution': {
      const from = pen.y + 1;
      write(pen, b.text, 9, { bold: true, indent: 4 });
      if (pen.y > from) {
        pdf.setDrawColor(160, 40, 20).setLineWidth(0.8);
        pdf.line(LEFT + 1, from, LEFT + 1, pen.y + 1);
      }
      pen.y += 2;
      return;
    }
    case 'list':
      for (const item of b.items) write(pen, `– ${item}`, 9, { indent: 3 });
      pen.y += 1;
      return;
    case 'table':
      autoTable(pdf, {
        startY: pen.y + 2,
        margin: { left: LEFT, right: LEFT, top: TOP, bottom: BOTTOM },
        theme: 'plain',
        styles: {
          font: FAMILY,
          fontSize: 8,
          cellPadding: 1,
          lineColor: 200,
          lineWidth: { bottom: 0.1, top: 0, left: 0, right: 0 },
          overflow: 'linebreak',
        },
        headStyles: { fontStyle: 'normal', textColor: 90 },
        ...(b.columns.some((c) => c !== '') ? { head: [[...b.columns]] } : {}),
        body: b.rows.map((r) => [...r]),
        ...(b.widths ? { columnStyles: Object.fromEntries(b.widths.map((part, i) => [i, { cellWidth: part * ROOM }])) } : {}),
      });
      pen.y = ((pdf as jsPDF & { lastAutoTable?: { finalY: number } }).lastAutoTable?.finalY ?? pen.y) + 2;
      return;
    case 'picture': {
      const picture = pictures.get(b.photoId);
      const width = Math.min(ROOM, 90);
      const height = Math.min(110, (width * b.heightPx) / b.widthPx);
      if (!picture) return write(pen, `Picture missing: ${b.caption || b.photoId}`, 8, { grey: true });
      need(pen, height + 8);
      pdf.addImage(picture.bytes, 'JPEG', LEFT, pen.y + 2, (height * b.widthPx) / b.heightPx, height);
      pen.y += height + 3;
      return write(pen, b.caption, 8, { grey: true });
    }
  }
}

/** @param pictures by id, as JPEG. The contents stand on the first page and those after it. */
export async function reportPdf(report: Report, pictures: ReadonlyMap<string, Picture>): Promise<jsPDF> {
  const [{ jsPDF: Pdf }, { default: autoTable }] = await Promise.all([import('jspdf'), import('jspdf-autotable')]);
  const pdf = new Pdf({ unit: 'mm', format: 'a4', compress: true });
  for (const font of PAPER_FONTS.filter((f) => f.family === FAMILY)) {
    pdf.addFileToVFS(font.file, base64(await fontBytes(font)));
    pdf.addFont(font.file, font.family, font.bold ? 'bold' : 'normal');
  }
  const pen: Pen = { pdf, y: TOP };
  write(pen, report.title, 18, { bold: true });
  pen.y += 2;
  for (const line of report.lines) write(pen, line, 10, { grey: true });
  pen.y += 6;
  write(pen, 'Contents', 12, { bold: true });
  const [contentsY, perLine] = [pen.y + 2, 6];
  // The contents get their pages now, and their numbers once the chapters are laid.
  const onFirst = Math.floor((HEIGHT - BOTTOM - contentsY) / perLine);
  const more = Math.max(0, Math.ceil((report.chapters.length - onFirst) / Math.floor((HEIGHT - BOTTOM - TOP) / perLine)));
  for (let i = 0; i < more; i++) pdf.addPage();
  const starts: number[] = [];
  report.chapters.forEach((c, i) => {
    // A chapter goes on where the last one ended, while there is room for its beginning; the first stands on a page of its own.
    if (i === 0 || pen.y > HEIGHT * NEW_PAGE_FROM) {
      pdf.addPage();
      pen.y = TOP;
    } else pen.y += 8;
    starts.push(pdf.getNumberOfPages());
    write(pen, `${i + 1} ${c.title}`, 14, { bold: true, keep: 12 });
    pen.y += 2;
    for (const b of c.blocks) block(pen, b, pictures, autoTable);
    pdf.outline.add(null, `${i + 1} ${c.title}`, { pageNumber: starts[i] ?? 1 });
  });
  contents(pdf, report, starts, contentsY, perLine, onFirst);
  const pages = pdf.getNumberOfPages();
  for (let page = 1; page <= pages; page++) {
    pdf.setPage(page);
    pdf.setFont(FAMILY, 'normal').setFontSize(8).setTextColor(90);
    pdf.text(report.title, LEFT, HEIGHT - 9);
    pdf.text(`${page} of ${pages}`, WIDTH - LEFT, HEIGHT - 9, { align: 'right' });
  }
  return pdf;
}

function contents(pdf: jsPDF, report: Report, starts: readonly number[], from: number, perLine: number, onFirst: number): void {
  pdf.setPage(1);
  let [page, y] = [1, from];
  report.chapters.forEach((c, i) => {
    if (i === onFirst || y + perLine > HEIGHT - BOTTOM) {
      page++;
      y = TOP;
      pdf.setPage(page);
    }
    y += perLine;
    pdf.setFont(FAMILY, 'normal').setFontSize(10).setTextColor(20);
    pdf.text(`${i + 1} ${c.title}`, LEFT, y);
    pdf.text(String(starts[i] ?? ''), WIDTH - LEFT, y, { align: 'right' });
    pdf.link(LEFT, y - perLine + 1, ROOM, perLine, { pageNumber: starts[i] ?? 1 });
  });
}
