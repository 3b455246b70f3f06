/** The bench view, on a phone or tablet beside the saw, or on the desk: one thing at a time. */
import { useEffect } from 'react';
import { ExplainProvider } from '../../ui/Explained.tsx';
import { OpenProject } from '../project/OpenProject.tsx';
import { NestProvider } from '../sheets/useNests.tsx';
import { BenchPage } from './BenchPage.tsx';
import { useAwake } from './useAwake.ts';

export function Component() {
  useAwake();
  // Where the certificate is trusted the pages stay readable offline; elsewhere while a tab is open.
  useEffect(() => {
    void navigator.serviceWorker?.register('/bench-worker.js').catch(() => {});
  }, []);
  return (
    <OpenProject>
      <NestProvider>
        <ExplainProvider onSource={() => {}}>
          <BenchPage />
        </ExplainProvider>
      </NestProvider>
    </OpenProject>
  );
}
