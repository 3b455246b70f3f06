/** Whether entries are on the desk, or how many wait to be sent. */
import { useAppSelector } from '../../app/store.ts';
import { selectOpen } from '../project/selectors.ts';

export function RecordStatus() {
  const { save, queue } = useAppSelector(selectOpen);
  const away = save.kind === 'held';
  const refused = save.kind === 'refused' ? `not kept: ${save.problem.message}` : null;
  const words =
    refused ??
    (away
      ? `${queue.length} waiting to send`
      : queue.length > 0 || save.kind === 'saving' || save.kind === 'unsaved' || save.kind === 'checking'
        ? 'keeping …'
        : save.kind === 'two-versions'
          ? 'two versions: see to it at the desk'
          : 'kept');
  return (
    <span className={`kept-words ${away || refused ? 'away' : ''}`} role="status" data-save={save.kind} data-queue={queue.length}>
      {words}
    </span>
  );
}
