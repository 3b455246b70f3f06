/** The cabinets by name, with their commands: add, copy, rename, mirror, round, delete. */
import { addCabinet, canMirror, mirrored, removeCabinet, specsInOrder, type CabinetSpec } from '@keen/core';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Divider, Menu, MenuItem, TextField } from '@mui/material';
import ArrowDropDown from '@mui/icons-material/ArrowDropDown';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { CopyElsewhereDialog } from './CopyElsewhereDialog.tsx';
import { FamilyGallery } from './FamilyGallery.tsx';
import { RedesignDialog } from './RedesignDialog.tsx';
import { previewPlanner, selectAvailable, selectOpen, selectPlan, useCabinet, useUnplanned } from './selectors.ts';
import type { StationId } from './Stations.tsx';
import { useEdit } from './useEdit.ts';

export function CabinetPicker({ station }: { readonly station: StationId }) {
  const { id, design, record } = useAppSelector(selectOpen);
  const workshop = useAppSelector(selectAvailable);
  const shown = useCabinet();
  const unplanned = useUnplanned();
  const navigate = useNavigate();
  const { apply } = useEdit();
  const [anchor, setAnchor] = useState<Element | null>(null);
  const [renaming, setRenaming] = useState<string | null>(null);
  const [choosing, setChoosing] = useState(false);
  const [asking, setAsking] = useState<'redesign' | 'copy' | null>(null);
  const { stockOf } = useAppSelector(selectPlan);
  const specs = specsInOrder(design);
  const open = (cabinetId: string): void => {
    setAnchor(null);
    void navigate(`/project/${id}/${cabinetId}/${station}`);
  };
  const add = (spec: CabinetSpec): void => {
    apply(addCabinet({ planner: previewPlanner, design, record, workshop }, spec).edit, `add ${spec.id}`, `${spec.name} added`);
    open(spec.id);
  };
  const copy = (): void => {
    if (!shown) return;
    add({ ...shown.spec, id: `u${crypto.randomUUID().slice(0, 8)}`, name: `${shown.spec.name}, copy`.slice(0, 80), order: (specs.at(-1)?.order ?? 0) + 1 });
  };
  const takeOut = (): void => {
    if (!shown) return;
    setAnchor(null);
    apply(removeCabinet(design, shown.spec.id), `remove ${shown.spec.id}`, `${shown.spec.name} taken out`);
  };
  const ask = (what: 'redesign' | 'copy'): void => {
    setAnchor(null);
    setAsking(what);
  };
  const turnRound = (): void => {
    if (!shown) return;
    setAnchor(null);
    apply(mirrored(design, shown.spec.id, stockOf), '', `${shown.spec.name} turned round`);
  };
  return (
    <div className="unit-picker">
      <Button variant="outlined" endIcon={<ArrowDropDown />} aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        {shown?.spec.name ?? unplanned?.spec.name ?? 'No cabinet yet'}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {specs.map((spec) => (
          <MenuItem key={spec.id} selected={spec.id === shown?.spec.id} onClick={() => open(spec.id)}>
            {spec.name}
          </MenuItem>
        ))}
        <Divider />
        <MenuItem
          onClick={() => {
            setAnchor(null);
            setChoosing(true);
          }}
        >
          Add a unit …
        </MenuItem>
        <MenuItem disabled={!shown} onClick={copy}>
          Copy this one
        </MenuItem>
        <MenuItem
          disabled={!shown}
          onClick={() => {
            setAnchor(null);
            setRenaming(shown?.spec.name ?? '');
          }}
        >
          Rename …
        </MenuItem>
        <MenuItem disabled={!shown || !canMirror(shown.spec)} onClick={turnRound}>
          Turn it round, left to right
        </MenuItem>
        <MenuItem disabled={!shown} onClick={() => ask('redesign')}>
          Round numbers …
        </MenuItem>
        <MenuItem disabled={!shown} onClick={() => ask('copy')}>
          Copy to another project …
        </MenuItem>
        <MenuItem disabled={!shown} onClick={takeOut}>
          Take it out
        </MenuItem>
      </Menu>
      {shown && asking === 'redesign' && <RedesignDialog shown={shown} onClose={() => setAsking(null)} />}
      {shown && asking === 'copy' && <CopyElsewhereDialog shown={shown} onClose={() => setAsking(null)} />}
      <FamilyGallery
        open={choosing}
        onClose={() => setChoosing(false)}
        onPick={(spec) => {
          setChoosing(false);
          add(spec);
        }}
      />
      <Dialog open={renaming !== null} onClose={() => setRenaming(null)}>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (shown && renaming?.trim()) apply([{ path: ['units', shown.spec.id, 'name'], value: renaming.trim() }], '');
            setRenaming(null);
          }}
        >
          <DialogTitle>Rename the cabinet</DialogTitle>
          <DialogContent>
            <TextField autoFocus margin="dense" label="Name" value={renaming ?? ''} onChange={(event) => setRenaming(event.target.value.slice(0, 80))} />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setRenaming(null)}>Cancel</Button>
            <Button type="submit" variant="contained">
              Rename
            </Button>
          </DialogActions>
        </form>
      </Dialog>
    </div>
  );
}
