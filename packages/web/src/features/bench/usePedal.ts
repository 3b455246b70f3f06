/** Next and back by any key of a foot switch or a presenter: those that go back by custom go back, every other one goes on. */
import { useEffect, useRef } from 'react';

const BACK = new Set(['ArrowLeft', 'ArrowUp', 'PageUp', 'Backspace', 'b', 'B', 'AudioVolumeDown', 'MediaTrackPrevious']);
/** Keys that hold something else down, leave, or go through what can be pressed. */
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
      // What is typed is typed; Enter and space press the button that has the focus.
      if (element?.closest('input, textarea, select, [contenteditable], [role="dialog"]')) return;
      if ((key === 'Enter' || key === ' ') && element?.closest('button, a, summary')) return;
      event.preventDefault();
      latest.current(BACK.has(key) ? -1 : 1);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}
