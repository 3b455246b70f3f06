/**
 * The bundled typefaces. The page is drawn once they are loaded: they are narrower than the fallbacks, and everything would shift when they arrive, also
 * what is being clicked.
 */
import '@fontsource/barlow/latin-400.css';
import '@fontsource/barlow/latin-500.css';
import '@fontsource/barlow/latin-600.css';
import '@fontsource/barlow-semi-condensed/latin-400.css';
import '@fontsource/barlow-semi-condensed/latin-500.css';
import '@fontsource/barlow-semi-condensed/latin-600.css';

const FACES = ['Barlow', 'Barlow Semi Condensed'].flatMap((family) => [400, 500, 600].map((weight) => `${weight} 16px "${family}"`));

/** Longest wait for a typeface. */
const PATIENCE_MS = 3000;

/** Resolves when they are loaded, failed, or timed out. */
export function fontsReady(): Promise<unknown> {
  const late = new Promise((resolve) => setTimeout(resolve, PATIENCE_MS));
  return Promise.race([Promise.allSettled(FACES.map((face) => document.fonts.load(face))), late]);
}
