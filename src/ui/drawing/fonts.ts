/** The fonts a drawing is exported with: ours, and a second one for letters ours has not. */

export interface PaperFont {
  readonly family: 'Archivo' | 'DejaVu Sans';
  readonly bold: boolean;
  readonly file: string;
}

export const PAPER_FONTS: readonly PaperFont[] = [
  { family: 'Archivo', bold: false, file: 'archivo.ttf' },
  { family: 'Archivo', bold: true, file: 'archivo-bold.ttf' },
  { family: 'DejaVu Sans', bold: false, file: 'dejavu-sans.ttf' },
  { family: 'DejaVu Sans', bold: true, file: 'dejavu-sans-bold.ttf' },
];

/** On paper the exported file's own fonts come first, then the one the screen has loaded. */
export const PAPER_FAMILY = "Archivo, 'Archivo Variable', 'DejaVu Sans', Helvetica, Arial, sans-serif";

/** Latin with its accents, and the signs of our own texts: what Archivo has. */
const OURS = /^[\u0020-\u017f\u2013\u2014\u2018-\u201e\u2022\u2026\u20ac\u2212]*$/;

export const familyFor = (text: string): PaperFont['family'] => (OURS.test(text) ? 'Archivo' : 'DejaVu Sans');

/** A font's bytes, fetched when a file is made. Throws when the server does not answer. */
export async function fontBytes({ file }: PaperFont): Promise<Uint8Array> {
  const answer = await fetch(`/fonts/${file}`);
  if (!answer.ok) throw new Error(`the font ${file} was not found`);
  return new Uint8Array(await answer.arrayBuffer());
}

export function base64(bytes: Uint8Array): string {
  let text = '';
  for (let at = 0; at < bytes.length; at += 0x8000) text += String.fromCharCode(...bytes.subarray(at, at + 0x8000));
  return btoa(text);
}
