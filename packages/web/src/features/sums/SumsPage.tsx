/** Quick sums outside a project, reached from home. */
import { Button } from '@mui/material';
import { Link } from 'react-router';
import { Logo } from '../../ui/Logo.tsx';
import { UnitToggle } from '../../ui/UnitToggle.tsx';
import { useOwnUnit } from '../../ui/useOwnUnit.ts';
import { Sums } from './Sums.tsx';

export function Component() {
  const [unit, setUnit] = useOwnUnit();
  return (
    <div className="sums-page">
      <header className="sums-head">
        <Logo size={32} />
        <strong>Quick sums</strong>
        <UnitToggle unit={unit} onChange={setUnit} />
        <Button component={Link} to="/">
          To the room
        </Button>
      </header>
      <main>
        <Sums unit={unit} put={null} />
      </main>
    </div>
  );
}
