/** Keyboard shortcuts, in one table so that `?` can list them. Typing in a field never triggers one. */
import { useEffect } from 'react';

export interface Hotkey {
  /** As shown: 'Ctrl+Z', '?', '1'. Ctrl stands for Cmd too. */
  readonly keys: string;
  readonly does: string;
  readonly run: () => void;
}

export function useHotkeys(hotkeys: readonly Hotkey[]): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent): void => {
      const control = event.ctrlKey || event.metaKey;
      const typing = event.target instanceof HTMLElement && (event.target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName));
      if (typing && !control) return;
      // An overlay has the keyboard to itself: a menu goes to its rows by their first letters.
      if (!control && event.target instanceof Element && event.target.closest('[role="dialog"], [role="menu"], [role="listbox"]')) return;
      const pressed = `${control ? 'Ctrl+' : ''}${control && event.shiftKey ? 'Shift+' : ''}${event.key.length === 1 ? event.key.toUpperCase() : event.key}`;
      const hotkey = hotkeys.find(({ keys }) => keys.toUpperCase() === pressed.toUpperCase());
      // Ctrl+Z inside a field belongs to the field while something is typed there.
      if (!hotkey || (typing && (hotkey.keys === 'Ctrl+Z' || hotkey.keys === 'Ctrl+Shift+Z') && event.target.closest('.Mui-error'))) return;
      event.preventDefault();
      hotkey.run();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [hotkeys]);
}
