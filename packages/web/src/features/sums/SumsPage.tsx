/** Quick sums outside a project: reached from the room. */
import { Button } from '@mui/material';
import { Link } from 'react-router';
import { Logo } from '../../ui/Logo.tsx';
import { Sums } from './Sums.tsx';

export function Component() {
  return (
    <div className="sums-page">
      <header className="sums-head">
        <Logo size={32} />
        <strong>Quick sums</strong>
        <Button component={Link} to="/">
          To the room
        </Button>
      </header>
      <main>
        <Sums unit="mm" put={null} />
      </main>
    </div>
  );
}
