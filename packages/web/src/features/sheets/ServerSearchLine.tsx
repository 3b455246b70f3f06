/** Search on the server while the page is closed: offered where no plan is proved best, and followed while it runs. */
import { Button } from '@mui/material';
import { isGoing, type ServerSearch } from './useServerSearch.ts';
import { useNests, type Nest } from './useNests.tsx';

const MINUTES = [1, 5, 30];

const timeWords = (ms: number): string => {
  const seconds = Math.round(ms / 1000);
  return seconds < 60 ? `${seconds} s` : seconds % 60 === 0 ? `${seconds / 60} min` : `${Math.floor(seconds / 60)} min ${seconds % 60} s`;
};

/** Result of a finished search. */
function overWords({ state, fault, spentMs }: ServerSearch, own: boolean): string {
  if (state === 'failed') return `The search on the server failed: ${fault ?? ''}. `;
  return `The server looked for ${timeWords(spentMs)}${own ? '' : ', with the parts and sheets as they were then'}. `;
}

/** While it runs. */
export function ServerSearchGoing({ nest: { job, key } }: { readonly nest: Nest }) {
  const { server } = useNests();
  const search = server.searches.find(({ product }) => product === job.product);
  if (!search || !isGoing(search)) return null;
  return (
    <p className="server-search" role="status">
      {search.state === 'waiting'
        ? 'The server looks for a better layout as soon as it is free'
        : `The server looks for a better layout: ${timeWords(search.spentMs)} of ${timeWords(1000 * search.seconds)}`}
      {search.key === key ? '. You may close this page.' : ', with the parts and sheets as they were before.'}
      <Button size="small" onClick={() => void server.stop(search.id)}>
        Stop it
      </Button>
    </p>
  );
}

/** Where it may find something better. */
export function ServerSearchOffer({ nest }: { readonly nest: Nest }) {
  const { server } = useNests();
  const { key, plan, job } = nest;
  const search = server.searches.find(({ product }) => product === job.product);
  if (!plan || key === null || plan.proved || (search && isGoing(search))) return null;
  const own = search?.key === key;
  return (
    <p className="server-search">
      {search && overWords(search, own)}
      Let the server look on, also with this page closed:
      {MINUTES.map((minutes) => (
        <Button key={minutes} size="small" onClick={() => void server.ask(nest, 60 * minutes)}>
          {minutes} min
        </Button>
      ))}
    </p>
  );
}
