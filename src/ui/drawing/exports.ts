/** The sheets as a file: SVG as they stand, PDF with their lines and letters as lines and letters. Both carry their fonts. */
import { saveBlob } from '@/ui/files';
import { base64, familyFor, fontBytes, PAPER_FONTS, type PaperFont } from './fonts';
import { SHEETS, type SheetName } from './Sheet';

const isBold = (element: Element): boolean => Number(element.closest('[font-weight]')?.getAttribute('font-weight') ?? 400) >= 600;

/** The sheet with every text in a font that has its letters. @returns the copy, and the fonts it needs. */
export function lettered(svg: SVGSVGElement): { readonly sheet: SVGSVGElement; readonly fonts: readonly PaperFont[] } {
  const sheet = svg.cloneNode(true) as SVGSVGElement;
  const needed = new Set<PaperFont>();
  for (const text of sheet.querySelectorAll('text')) {
    const family = familyFor(text.textContent ?? '');
    text.setAttribute('font-family', family);
    for (const part of [text, ...text.querySelectorAll('tspan')]) {
      const bold = isBold(part);
      part.setAttribute('font-weight', bold ? 'bold' : 'normal');
      const font = PAPER_FONTS.find((f) => f.family === family && f.bold === bold);
      if (font) needed.add(font);
    }
  }
  return { sheet, fonts: [...needed] };
}

async function svgText(svg: SVGSVGElement): Promise<string> {
  const { sheet, fonts } = lettered(svg);
  const faces = await Promise.all(
    fonts.map(async (font) => {
      const data = base64(await fontBytes(font));
      return `@font-face{font-family:'${font.family}';font-weight:${font.bold ? 'bold' : 'normal'};src:url(data:font/ttf;base64,${data})}`;
    }),
  );
  const style = document.createElementNS('http://www.w3.org/2000/svg', 'style');
  style.textContent = faces.join('');
  sheet.prepend(style);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(sheet)}`;
}

/** @param svgs the sheets on the page: one is a file, several are files in a zip. */
export async function saveSvg(svgs: readonly SVGSVGElement[], name: string): Promise<void> {
  const texts = await Promise.all(svgs.map(svgText));
  if (texts.length === 1) return saveBlob(`${name}.svg`, new Blob(texts, { type: 'image/svg+xml' }));
  const { strToU8, zipSync } = await import('fflate');
  const files = Object.fromEntries(texts.map((text, i) => [`${name}-sheet-${i + 1}.svg`, strToU8(text)]));
  saveBlob(`${name}.zip`, new Blob([zipSync(files) as Uint8Array<ArrayBuffer>], { type: 'application/zip' }));
}

/** A page for each sheet. The packages and fonts arrive when they are first asked for. */
export async function savePdf(svgs: readonly SVGSVGElement[], sheetName: SheetName, name: string): Promise<void> {
  const [{ jsPDF }, { svg2pdf }] = await Promise.all([import('jspdf'), import('svg2pdf.js')]);
  const [width, height] = SHEETS[sheetName];
  const sheets = svgs.map(lettered);
  const pdf = new jsPDF({ orientation: 'landscape', unit: 'mm', format: [width, height], compress: true });
  for (const font of new Set(sheets.flatMap((s) => s.fonts))) {
    pdf.addFileToVFS(font.file, base64(await fontBytes(font)));
    pdf.addFont(font.file, font.family, font.bold ? 'bold' : 'normal');
  }
  for (const [i, { sheet }] of sheets.entries()) {
    if (i > 0) pdf.addPage([width, height], 'landscape');
    await svg2pdf(sheet, pdf, { x: 0, y: 0, width, height });
  }
  saveBlob(`${name}.pdf`, pdf.output('blob'));
}
