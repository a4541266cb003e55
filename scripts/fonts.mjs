/** Lays the fonts that drawings are exported with beside the application, where the browser fetches them when a file is made. */
import { copyFileSync, existsSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const FONTS = {
  'archivo.ttf': '@expo-google-fonts/archivo/400Regular/Archivo_400Regular.ttf',
  'archivo-bold.ttf': '@expo-google-fonts/archivo/700Bold/Archivo_700Bold.ttf',
  'dejavu-sans.ttf': 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf',
  'dejavu-sans-bold.ttf': 'dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf',
};

export function fonts() {
  mkdirSync(join(root, 'public/fonts'), { recursive: true });
  for (const [name, from] of Object.entries(FONTS)) {
    const to = join(root, 'public/fonts', name);
    if (!existsSync(to)) copyFileSync(join(root, 'node_modules', from), to);
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) fonts();
