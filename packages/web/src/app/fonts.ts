/**
 * The typefaces that come with the product. The page is drawn when they are there: they are narrower
 * than what would stand in for them, and everything would move when they come, also what is being
 * clicked just then.
 */
import '@fontsource/barlow/latin-400.css';
import '@fontsource/barlow/latin-500.css';
import '@fontsource/barlow/latin-600.css';
import '@fontsource/barlow-semi-condensed/latin-400.css';
import '@fontsource/barlow-semi-condensed/latin-500.css';
import '@fontsource/barlow-semi-condensed/latin-600.css';

const FACES = ['Barlow', 'Barlow Semi Condensed'].flatMap((family) => [400, 500, 600].map((weight) => `${weight} 16px "${family}"`));

/** Longer than this nobody looks at an empty page for the sake of a typeface. */
const PATIENCE_MS = 3000;

/** Resolves when they are there, cannot be had, or take too long. */
export function fontsReady(): Promise<unknown> {
  const late = new Promise((resolve) => setTimeout(resolve, PATIENCE_MS));
  return Promise.race([Promise.allSettled(FACES.map((face) => document.fonts.load(face))), late]);
}
