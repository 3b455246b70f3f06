/** The clamps of the shop, by how far they open: what a glue-up is planned with. */
import { mm, newClamps, type Clamps, type DisplayUnit, type Shop } from '@keen/core';
import Delete from '@mui/icons-material/DeleteOutlined';
import { Button, IconButton } from '@mui/material';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';

export interface ClampsFormProps {
  readonly shop: Shop;
  readonly unit: DisplayUnit;
  readonly onChange: (clamps: Shop['clamps']) => void;
}

export function ClampsForm({ shop: { clamps }, unit, onChange }: ClampsFormProps) {
  const rows = Object.values(clamps).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
  const set = (row: Clamps): void => onChange({ ...clamps, [row.id]: row });
  const add = (): void => {
    const next = 1 + Math.max(0, ...Object.keys(clamps).map((id) => Number(/-(\d+)$/.exec(id)?.[1] ?? 0)));
    set(newClamps(`clamps-${next}`, 1 + Math.max(-1, ...rows.map(({ order }) => order)), unit === 'mm' ? '600 mm' : '24in', 2));
  };
  return (
    <section aria-labelledby="shop-clamps">
      <h3 id="shop-clamps">Clamps</h3>
      {rows.length === 0 && <p className="quiet">None: only what screws or brads hold can be glued up.</p>}
      {rows.map((row) => (
        <div key={row.id} className="fields clamps" role="group" aria-label={`clamps that open ${row.reach.text}`}>
          <NumberField
            label="how many"
            name={`shop.clamps.${row.id}.count`}
            least={1}
            most={100}
            whole
            value={row.count}
            onChange={(count) => count !== null && set({ ...row, count })}
          />
          <LengthField
            label="open to"
            name={`shop.clamps.${row.id}.reach`}
            value={row.reach}
            unit={unit}
            least={mm(50)}
            most={mm(4000)}
            onChange={(reach) => reach && set({ ...row, reach })}
          />
          <IconButton
            size="small"
            aria-label={`Take out the clamps that open ${row.reach.text}`}
            onClick={() => onChange(Object.fromEntries(Object.entries(clamps).filter(([id]) => id !== row.id)))}
          >
            <Delete fontSize="small" />
          </IconButton>
        </div>
      ))}
      <Button variant="outlined" onClick={add}>
        Add clamps
      </Button>
    </section>
  );
}
