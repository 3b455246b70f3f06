/** How long a station may take to show a field. */
const FIELD_COMES_MS = 3000;

/** Focuses a field as soon as it is on the screen, and opens its group. */
export function focusField(name: string, until = performance.now() + FIELD_COMES_MS): void {
  setTimeout(() => {
    const input = document.querySelector<HTMLInputElement>(`[data-field="${CSS.escape(name)}"]`);
    if (!input && performance.now() < until) return focusField(name, until);
    const group = input?.closest('details');
    if (group) group.open = true;
    input?.focus();
    input?.select?.();
  }, 60);
}
