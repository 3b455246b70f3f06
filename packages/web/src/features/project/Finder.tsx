/** Ctrl+K: finds any part, cabinet, item, check, station or command by name. */
import { findingWords, itemsInOrder, labelWords, thingsInOrder } from '@keen/core';
import { Dialog, List, ListItemButton, ListItemText, TextField } from '@mui/material';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import type { Hotkey } from '../../ui/useHotkeys.ts';
import { selectOpen, selectPlan } from './selectors.ts';
import { STATIONS, type StationId } from './Stations.tsx';
import { panelSelected, picked } from './view.slice.ts';

interface Hit {
  readonly name: string;
  readonly kind: string;
  readonly run: () => void;
}

const MAX_HITS = 12;

export interface FinderProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onStation: (station: StationId, unit?: string) => void;
  readonly hotkeys: readonly Hotkey[];
}

export function Finder({ open, onClose, onStation, hotkeys }: FinderProps) {
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState(0);
  const hits = useHits(open, onStation, hotkeys)
    .filter(({ name, kind }) => `${name} ${kind}`.toLowerCase().includes(text.trim().toLowerCase()))
    .slice(0, MAX_HITS);
  const pick = (hit: Hit | undefined): void => {
    if (!hit) return;
    onClose();
    setText('');
    hit.run();
  };
  return (
    <Dialog open={open} onClose={onClose} fullWidth maxWidth="sm" slotProps={{ paper: { 'aria-label': 'Find' } }}>
      <div className="finder">
        <TextField
          autoFocus
          label="Find a part, thing, cabinet, check or command"
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setChosen(0);
          }}
          onKeyDown={(event) => {
            if (event.key === 'ArrowDown') setChosen(Math.min(hits.length - 1, chosen + 1));
            if (event.key === 'ArrowUp') setChosen(Math.max(0, chosen - 1));
            if (event.key === 'Enter') pick(hits[chosen]);
          }}
        />
        <List dense component="div" role="listbox" aria-label="Found">
          {hits.map((hit, index) => (
            <ListItemButton
              key={`${hit.kind}${hit.name}${index}`}
              role="option"
              aria-selected={index === chosen}
              selected={index === chosen}
              onClick={() => pick(hit)}
            >
              <ListItemText primary={hit.name} secondary={hit.kind} />
            </ListItemButton>
          ))}
        </List>
        {hits.length === 0 && <p className="empty-line">Nothing is called that.</p>}
      </div>
    </Dialog>
  );
}

function useHits(open: boolean, onStation: FinderProps['onStation'], hotkeys: readonly Hotkey[]): Hit[] {
  const { id, design } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  if (!open) return [];
  return [
    ...plan.cabinets.map((cabinetPlan): Hit => ({ name: cabinetPlan.name, kind: 'cabinet', run: () => void navigate(`/project/${id}/${cabinetPlan.id}/box`) })),
    ...plan.cabinets.flatMap((cabinetPlan) =>
      cabinetPlan.cabinet.panels.map((panel): Hit => ({
        name: `${labelWords(panel.name)}, ${cabinetPlan.name}`,
        kind: 'part',
        run: () => {
          void navigate(`/project/${id}/${cabinetPlan.id}/box`);
          dispatch(panelSelected(panel.id));
        },
      })),
    ),
    ...itemsInOrder(design.items).map((item): Hit => ({
      name: item.name,
      kind: 'thing to hold',
      run: () => {
        onStation('contents');
        dispatch(picked({ kind: 'item', id: item.id }));
      },
    })),
    ...thingsInOrder(design.wall).map((thing): Hit => ({
      name: thing.name,
      kind: 'on the wall',
      run: () => {
        onStation('wall');
        dispatch(picked({ kind: 'thing', id: thing.id }));
      },
    })),
    ...plan.cabinets.flatMap((cabinetPlan) =>
      cabinetPlan.findings.map((finding): Hit => ({
        name: findingWords(finding, 'mm').says,
        kind: `check, ${cabinetPlan.name}`,
        run: () => onStation(finding.station, cabinetPlan.id),
      })),
    ),
    ...STATIONS.map(({ id: station, name }): Hit => ({ name, kind: 'station', run: () => onStation(station) })),
    ...hotkeys.filter(({ does }) => !does.startsWith('Station')).map(({ does, keys, run }): Hit => ({ name: does, kind: `command, ${keys}`, run })),
  ];
}
