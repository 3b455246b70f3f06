/** Small settings of this browser. One that keeps nothing (private windows, blocked storage) has them until the page is closed. */
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
