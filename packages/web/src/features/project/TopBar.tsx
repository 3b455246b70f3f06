/** The top bar: project, cabinet, the wall in small, save status, undo, units, find, light and dark. */
import Undo from '@mui/icons-material/Undo';
import Redo from '@mui/icons-material/Redo';
import Search from '@mui/icons-material/Search';
import DarkMode from '@mui/icons-material/DarkModeOutlined';
import LightMode from '@mui/icons-material/LightModeOutlined';
import Print from '@mui/icons-material/PrintOutlined';
import SaveAlt from '@mui/icons-material/SaveAlt';
import { IconButton, Tooltip } from '@mui/material';
import { UnitToggle } from '../../ui/UnitToggle.tsx';
import { useState } from 'react';
import { Link } from 'react-router';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { Logo } from '../../ui/Logo.tsx';
import { SetDialog } from '../prints/SetDialog.tsx';
import { redone } from './project.slice.ts';
import { SaveStatus } from './SaveStatus.tsx';
import { selectOpen, useCabinet } from './selectors.ts';
import type { StationId } from './Stations.tsx';
import { useSaveProjectFile } from './useSaveProjectFile.ts';
import { CabinetPicker } from './CabinetPicker.tsx';
import { SCHEME_KEY, schemeChosen, unitChosen } from './view.slice.ts';
import { WallStrip } from './WallStrip.tsx';
import { storeText } from '../../ui/storage.ts';

export function TopBar({ station, onFind, onUndo }: { readonly station: StationId; readonly onFind: () => void; readonly onUndo: () => void }) {
  const { design, future } = useAppSelector(selectOpen);
  const saveFile = useSaveProjectFile();
  const scheme = useAppSelector(({ view }) => view.scheme);
  const shown = useCabinet();
  const [printing, setPrinting] = useState(false);
  const dispatch = useAppDispatch();
  const toggleScheme = (): void => {
    const next = scheme === 'light' ? 'dark' : 'light';
    storeText(SCHEME_KEY, next);
    dispatch(schemeChosen(next));
  };
  return (
    <header className="topbar">
      <Link to="/" className="brand" aria-label={`${design.name}: to the room, all projects`}>
        <Logo size={28} />
        <span className="project-name">{design.name}</span>
      </Link>
      <CabinetPicker station={station} />
      <WallStrip station={station} />
      <div className="topbar-tools">
        <SaveStatus />
        <Tooltip title="Undo (Ctrl+Z)">
          <IconButton aria-label="Undo" onClick={onUndo}>
            <Undo fontSize="small" />
          </IconButton>
        </Tooltip>
        <Tooltip title="Redo (Ctrl+Shift+Z)">
          <span>
            <IconButton aria-label="Redo" disabled={future.length === 0} onClick={() => dispatch(redone())}>
              <Redo fontSize="small" />
            </IconButton>
          </span>
        </Tooltip>
        <UnitToggle unit={shown?.unit ?? design.unit} onChange={(unit) => dispatch(unitChosen(unit))} />
        {shown && (
          <Tooltip title="The shop set, on paper">
            <IconButton aria-label="Print the shop set" onClick={() => setPrinting(true)}>
              <Print fontSize="small" />
            </IconButton>
          </Tooltip>
        )}
        {printing && <SetDialog onClose={() => setPrinting(false)} />}
        <Tooltip title="Save as a file">
          <IconButton aria-label="Save the project as a file" onClick={saveFile}>
            <SaveAlt fontSize="small" />
          </IconButton>
        </Tooltip>
        <Tooltip title={scheme === 'light' ? 'Dark' : 'Light'}>
          <IconButton aria-label={scheme === 'light' ? 'Switch to dark' : 'Switch to light'} onClick={toggleScheme}>
            {scheme === 'light' ? <DarkMode fontSize="small" /> : <LightMode fontSize="small" />}
          </IconButton>
        </Tooltip>
        <Tooltip title="Find (Ctrl+K)">
          <IconButton aria-label="Find" onClick={onFind}>
            <Search fontSize="small" />
          </IconButton>
        </Tooltip>
      </div>
    </header>
  );
}
