/** Next and back by any key of a foot switch or presenter: the usual back keys go back, every other key goes on. */
import { useEffect, useRef } from 'react';

const BACK = new Set(['ArrowLeft', 'ArrowUp', 'PageUp', 'Backspace', 'b', 'B', 'AudioVolumeDown', 'MediaTrackPrevious']);
/** Keys that hold another key down, leave, or move the focus. */
const NEITHER = new Set(['Shift', 'Control', 'Alt', 'Meta', 'AltGraph', 'CapsLock', 'Tab', 'Escape', 'ContextMenu', 'Dead', 'Unidentified']);

export function usePedal(go: (by: -1 | 1) => void): void {
  const latest = useRef(go);
  useEffect(() => {
    latest.current = go;
  }, [go]);
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      const { key, target } = event;
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || NEITHER.has(key)) return;
      const element = target instanceof Element ? target : null;
      // Typing stays typing; Enter and space press the focused button.
      if (element?.closest('input, textarea, select, [contenteditable], [role="dialog"]')) return;
      if ((key === 'Enter' || key === ' ') && element?.closest('button, a, summary')) return;
      event.preventDefault();
      latest.current(BACK.has(key) ? -1 : 1);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}
