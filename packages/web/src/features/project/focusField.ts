/** How long a station may take to bring a field that is to be focused. */
const FIELD_COMES_MS = 3000;

/** Goes to a field as soon as it is on the screen, and opens the group it is in. */
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
