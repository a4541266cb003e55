/** Sheets at true size as a PDF: one page a sheet, millimetres as they are. */
import type { jsPDF } from 'jspdf';
import { type PaperPage, PAPERS, type Shape } from '@/core/build';
import { base64, fontBytes, PAPER_FONTS } from '@/ui/drawing/fonts';

const FAMILY = 'DejaVu Sans';
const PT_PER_MM = 72 / 25.4;
const LINE_MM = 0.2;
const DASH_MM = [1.5, 1.5];

function draw(pdf: jsPDF, s: Shape): void {
  if (s.kind === 'text') {
    pdf.setFont(FAMILY, s.bold ? 'bold' : 'normal').setFontSize(s.size * PT_PER_MM);
    pdf.text(s.text, s.x, s.y, { align: 'center' });
    return;
  }
  pdf.setLineDashPattern(s.dashed ? DASH_MM : [], 0);
  if (s.kind === 'box') pdf.rect(s.x, s.y, s.w, s.h);
  else pdf.line(s.x, s.y, s.toX, s.toY);
}

/** @param pages at least one. */
export async function trueSizePdf(pages: readonly PaperPage[]): Promise<jsPDF> {
  const { jsPDF: Pdf } = await import('jspdf');
  const formatOf = (page: PaperPage | undefined) => [...PAPERS[page?.paper ?? 'A4']];
  const pdf = new Pdf({ unit: 'mm', format: formatOf(pages[0]), compress: true });
  // A viewer that heeds it prints at 100 %.
  pdf.viewerPreferences({ PrintScaling: 'None' });
  for (const font of PAPER_FONTS.filter((f) => f.family === FAMILY)) {
    pdf.addFileToVFS(font.file, base64(await fontBytes(font)));
    pdf.addFont(font.file, font.family, font.bold ? 'bold' : 'normal');
  }
  pages.forEach((page, i) => {
    if (i > 0) pdf.addPage(formatOf(page));
    pdf.setLineWidth(LINE_MM).setDrawColor(20).setTextColor(20);
    for (const s of page.shapes) draw(pdf, s);
    pdf.outline.add(null, page.name, { pageNumber: i + 1 });
  });
  return pdf;
}
