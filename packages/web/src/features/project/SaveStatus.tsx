/** Save status, in words that stand alone. */
import { useAppSelector } from '../../app/store.ts';
import { selectOpen } from './selectors.ts';

export function SaveStatus() {
  const { save, queue } = useAppSelector(selectOpen);
  const words = {
    saved: save.kind === 'saved' ? `saved ${new Date(save.at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}` : '',
    unsaved: 'saving …',
    saving: 'saving …',
    held: 'not saved: server away, held here',
    checking: 'Checking whether it was saved…',
    refused: save.kind === 'refused' ? `not saved: ${save.problem.message}` : '',
    'two-versions': 'not saved: two versions',
  }[save.kind];
  return (
    <span className={`save-words ${save.kind}`} role="status" data-save={save.kind} data-queue={queue.length}>
      {words}
    </span>
  );
}
