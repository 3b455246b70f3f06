import { fontsReady } from './app/fonts.ts';
import './app/layout.css';
import './app/drawing.css';
import './app/build.css';
import './app/foreign.css';
import './app/prints.css';
import './app/bench.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/App.tsx';

void fontsReady().then(() =>
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <App />
    </StrictMode>,
  ),
);
