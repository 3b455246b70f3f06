/** Focuses a field of the reading pane, opening its group or drawer. */
export function openField(name: string): void {
  const field = (): HTMLInputElement | null => document.querySelector<HTMLInputElement>(`[data-field="${name}"]`);
  if (!field()) document.querySelector<HTMLButtonElement>('.pane-button')?.click();
  setTimeout(() => {
    const input = field();
    const group = input?.closest('details');
    if (group) group.open = true;
    input?.focus();
    input?.select?.();
  }, 80);
}
