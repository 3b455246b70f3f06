/** A project as the elevation of its wall, with its actions. */
import MoreVert from '@mui/icons-material/MoreVert';
import type { Problem } from '@keen/core';
import { Alert, Button, IconButton, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import { Link } from 'react-router';
import type { ProjectRow } from '../../app/api.ts';

export interface ProjectCardProps {
  readonly row: ProjectRow;
  readonly onRename: () => void;
  readonly onDuplicate: () => void;
  readonly onSave: () => void;
  /** With its photos and its log. */
  readonly onSaveWhole: () => void;
  readonly onDelete: () => void;
}

export function ProjectCard(props: ProjectCardProps) {
  return props.row.problem ? <UnreadableCard {...props} problem={props.row.problem} /> : <ReadableCard {...props} />;
}

/** A project that cannot be shown: what is wrong with it, and its file to download. */
function UnreadableCard({ row, problem, onSave, onDelete }: ProjectCardProps & { readonly problem: Problem }) {
  return (
    <li className="card">
      <Alert severity="warning" className="card-unreadable">
        <span className="card-name">{row.name.trim() || 'Project without a name'}</span>
        <p>
          This project cannot be read: {problem.message} ({problem.where}). Its data is kept. Save the file to repair it, or delete the project.
        </p>
        <Button size="small" color="inherit" onClick={onSave}>
          Save file
        </Button>
        <Button size="small" color="inherit" onClick={onDelete}>
          Delete
        </Button>
      </Alert>
    </li>
  );
}

function ReadableCard({ row, onRename, onDuplicate, onSave, onSaveWhole, onDelete }: ProjectCardProps) {
  const [anchor, setAnchor] = useState<Element | null>(null);
  const then = (run: () => void) => () => {
    setAnchor(null);
    run();
  };
  const cabinets = row.units.length === 0 ? 'no cabinet yet' : row.units.map(({ name }) => name).join(', ');
  return (
    <li className="card">
      <Link to={`/project/${row.id}`} className="card-link">
        <Elevation row={row} />
        <span className="card-name">{row.name}</span>
        <span className="card-units">{cabinets}</span>
        <span className="card-when">
          {row.demo
            ? 'Try anything; bin/start --reset-demo brings it back'
            : `changed ${new Date(row.updatedAt).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })}`}
        </span>
      </Link>
      <IconButton className="card-menu" aria-label={`More about ${row.name}`} aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        <MoreVert />
      </IconButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <MenuItem onClick={then(onRename)}>Rename …</MenuItem>
        <MenuItem onClick={then(onDuplicate)}>Duplicate</MenuItem>
        <MenuItem onClick={then(onSave)}>Save as a file</MenuItem>
        <MenuItem onClick={then(onSaveWhole)}>Save with its pictures</MenuItem>
        <MenuItem onClick={then(onDelete)}>Delete</MenuItem>
      </Menu>
    </li>
  );
}

function Elevation({ row: { wall, units } }: { readonly row: ProjectRow }) {
  if (!wall) return null;
  const { widthMm: wide, ceilingMm: high } = wall;
  return (
    <svg className="elevation" viewBox={`-40 -40 ${wide + 80} ${high + 80}`} aria-hidden="true">
      <rect className="elevation-wall" x={0} y={0} width={wide} height={high} />
      <path className="elevation-floor" d={`M-40 ${high} H${wide + 40}`} />
      {units.map((unit) => {
        const top = high - unit.upMm - unit.heightMm;
        return (
          <g key={unit.id}>
            <rect className="elevation-unit" x={unit.alongMm} y={top} width={unit.widthMm} height={unit.heightMm} />
            {Array.from({ length: unit.shelves }, (_, shelf) => (
              <path
                key={shelf}
                className="elevation-shelf"
                d={`M${unit.alongMm} ${top + (unit.heightMm * (shelf + 1)) / (unit.shelves + 1)} h${unit.widthMm}`}
              />
            ))}
          </g>
        );
      })}
    </svg>
  );
}
