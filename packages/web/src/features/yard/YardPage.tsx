/** One trip to the yard: which projects to buy for, what they take together, what that saves, and all layouts. */
import { yardTrip, type YardTrip } from '@keen/core';
import { Alert, Button, Checkbox, CircularProgress, FormControlLabel } from '@mui/material';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { problemOf, useProjectsQuery, type ProjectRow } from '../../app/api.ts';
import { ExplainProvider } from '../../ui/Explained.tsx';
import { Logo } from '../../ui/Logo.tsx';
import { UnitToggle } from '../../ui/UnitToggle.tsx';
import { useOwnUnit } from '../../ui/useOwnUnit.ts';
import { TripLayoutList } from './TripLayoutList.tsx';
import { TripTable } from './TripTable.tsx';
import { useTripProjects } from './useTripProjects.ts';
import { layOutInThread, useTripSearch, type WithLayOut } from './useTripSearch.ts';

/** Beyond this number projects are ticked one by one: their layouts take a while. */
const TICKED_AT_FIRST = 6;

const canBuyFor = ({ problem, units }: ProjectRow): boolean => problem === null && units.length > 0;

export function Component({ withLayOut = layOutInThread }: { readonly withLayOut?: WithLayOut }) {
  const { data: rows, error, isLoading, refetch } = useProjectsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [unit, setUnit] = useOwnUnit();
  const [picked, setPicked] = useState<ReadonlySet<string> | null>(null);
  const offered = useMemo(() => (rows ?? []).filter(canBuyFor), [rows]);
  const ticked = useMemo(() => {
    const chosen = picked ?? new Set(offered.slice(0, TICKED_AT_FIRST).map(({ id }) => id));
    return offered.filter(({ id }) => chosen.has(id));
  }, [offered, picked]);
  const revisions = useMemo(() => new Map(ticked.map(({ id, revision }) => [id, revision])), [ticked]);
  const { projects, problems } = useTripProjects(revisions);
  const trip = useMemo((): YardTrip | null => (projects && projects.length > 0 ? yardTrip(projects) : null), [projects]);
  const layouts = useTripSearch(trip, withLayOut);
  const names = (projects ?? []).map(({ design }) => design.name);
  const navigate = useNavigate();
  const toggle = (id: string): void => {
    const next = new Set(ticked.map((row) => row.id));
    if (!next.delete(id)) next.add(id);
    setPicked(next);
  };
  return (
    <ExplainProvider onSource={() => projects?.[0] && void navigate(`/project/${projects[0].id}/${Object.keys(projects[0].design.units)[0]!}/stock`)}>
      <div className="sums-page">
        <header className="sums-head">
          <Logo size={32} />
          <strong>One trip to the yard</strong>
          <UnitToggle unit={unit} onChange={setUnit} />
          <Button component={Link} to="/">
            To the room
          </Button>
        </header>
        <main className="yard">
          {error && (
            <Alert severity="warning" action={<Button onClick={() => void refetch()}>Try again</Button>}>
              The projects cannot be shown: {problemOf(error).message}. Nothing is lost.
            </Alert>
          )}
          {isLoading && <CircularProgress aria-label="Loading the projects" />}
          {rows && offered.length === 0 && <p>There is no project with a cabinet in it yet.</p>}
          {offered.length > 0 && (
            <fieldset className="yard-projects">
              <legend>Buy for</legend>
              {offered.map(({ id, name, units }) => {
                const at = ticked.findIndex((row) => row.id === id);
                return (
                  <FormControlLabel
                    key={id}
                    control={<Checkbox size="small" checked={at >= 0} onChange={() => toggle(id)} />}
                    label={`${at >= 0 ? `${at + 1} ` : ''}${name}, ${units.length === 1 ? 'one cabinet' : `${units.length} cabinets`}`}
                  />
                );
              })}
            </fieldset>
          )}
          {ticked.flatMap(({ id, name }) => {
            const problem = problems.get(id);
            return problem
              ? [
                  <Alert key={id} severity="error">
                    {name} is left out: {problem.message}.
                  </Alert>,
                ]
              : [];
          })}
          {trip?.leftOut.map(({ project, cabinet }) => (
            <Alert key={`${project} ${cabinet}`} severity="warning">
              {cabinet} cannot be planned as it is, and nothing is bought for it. Its own pages say why.
            </Alert>
          ))}
          {offered.length > 0 && ticked.length === 0 && <p className="quiet">Tick the projects you are buying for.</p>}
          {ticked.length > 0 && projects === null && <CircularProgress aria-label="Reading the projects" />}
          {trip && <TripTable trip={trip} layouts={layouts} names={names} unit={unit} />}
          {trip && <TripLayoutList trip={trip} layouts={layouts} unit={unit} />}
        </main>
      </div>
    </ExplainProvider>
  );
}
