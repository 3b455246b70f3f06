/** Small settings of this browser. Where storage is blocked (private windows) they last until the page is closed. */
const here = new Map<string, string>();

export function storedText(key: string): string | null {
  try {
    return localStorage.getItem(key) ?? here.get(key) ?? null;
  } catch {
    return here.get(key) ?? null;
  }
}

export function storeText(key: string, text: string): void {
  try {
    localStorage.setItem(key, text);
  } catch {
    here.set(key, text);
  }
}
