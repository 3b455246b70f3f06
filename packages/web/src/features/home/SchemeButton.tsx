import DarkMode from '@mui/icons-material/DarkModeOutlined';
import LightMode from '@mui/icons-material/LightModeOutlined';
import { IconButton } from '@mui/material';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { SCHEME_KEY, schemeChosen } from '../project/view.slice.ts';
import { storeText } from '../../ui/storage.ts';

export function SchemeButton() {
  const scheme = useAppSelector(({ view }) => view.scheme);
  const dispatch = useAppDispatch();
  const next = scheme === 'light' ? 'dark' : 'light';
  return (
    <IconButton
      aria-label={`Switch to ${next}`}
      onClick={() => {
        storeText(SCHEME_KEY, next);
        dispatch(schemeChosen(next));
      }}
    >
      {scheme === 'light' ? <DarkMode /> : <LightMode />}
    </IconButton>
  );
}
