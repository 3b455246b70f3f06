/** The list behind `?`. */
import { Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material';
import type { Hotkey } from '../../ui/useHotkeys.ts';

const IN_DRAWINGS: readonly Pick<Hotkey, 'keys' | 'does'>[] = [
  { keys: '← → ↑ ↓', does: 'In a drawing: the part before or after' },
  { keys: 'Enter', does: 'In a drawing: edit what is selected' },
  { keys: '+ −', does: 'In a drawing: move a shelf, or make the box wider' },
];

export function ShortcutList({ open, onClose, hotkeys }: { readonly open: boolean; readonly onClose: () => void; readonly hotkeys: readonly Hotkey[] }) {
  return (
    <Dialog open={open} onClose={onClose}>
      <DialogTitle>Keys</DialogTitle>
      {/** Taller than a phone: the keyboard must be able to scroll it. */}
      <DialogContent tabIndex={0}>
        <table className="keys">
          <tbody>
            {[...hotkeys, ...IN_DRAWINGS].map(({ keys, does }) => (
              <tr key={keys}>
                <td>
                  <kbd>{keys}</kbd>
                </td>
                <td>{does}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
