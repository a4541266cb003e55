/** The sheet as a file: SVG as it stands, PDF with its lines and letters as lines and letters. */
import { saveBlob } from '@/ui/files';
import { SHEETS, type SheetName } from './Sheet';

/** @param svg the sheet on the page. */
export function saveSvg(svg: SVGSVGElement, name: string): void {
  const text = `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(svg)}`;
  saveBlob(`${name}.svg`, new Blob([text], { type: 'image/svg+xml' }));
}

/** The packages arrive when they are first asked for. */
export async function savePdf(svg: SVGSVGElement, sheet: SheetName, name: string): Promise<void> {
  const [{ jsPDF }, { svg2pdf }] = await Promise.all([import('jspdf'), import('svg2pdf.js')]);
  const [width, height] = SHEETS[sheet];
  const pdf = new jsPDF({ orientation: 'landscape', unit: 'mm', format: [width, height] });
  await svg2pdf(svg, pdf, { x: 0, y: 0, width, height });
  saveBlob(`${name}.pdf`, pdf.output('blob'));
}
